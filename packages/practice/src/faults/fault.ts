import type { AnswerOf, Check, EntryBodies, FormName, KindName } from '@plumb-mark/core'

type Reading = EntryBodies['reading']
type Record = EntryBodies['record']
type Body = Reading | Record | EntryBodies['observation']

/** One way in which the answer to a kind of requirement can be wrong. */
export interface AnswerFault {
  name: string
  kind: KindName
  /** The body as it is then; undefined where this cannot be wrong so. */
  spoilt: (body: Body, check: Check) => Body | undefined
  /** Left out by whoever wrote it down, or written amiss: it is not so on the site, and nobody who looks can find it. */
  slip: boolean
  /** The story that explains it, where readings tell it apart. */
  cause?: string
  /** The remedy that must be named, where readings tell it apart. */
  fix?: string
}

interface More {
  slip?: boolean
  cause?: string
  fix?: string
}

const answerFault = (
  name: string,
  kind: KindName,
  spoilt: AnswerFault['spoilt'],
  { slip = false, ...more }: More,
): AnswerFault => ({ name, kind, slip, ...more, spoilt })

/** A reading that says something else. */
export const readingFault = (
  name: string,
  kind: KindName,
  change: (body: Reading, check: Check) => Partial<Reading> | undefined,
  more: More = {},
): AnswerFault =>
  answerFault(
    name,
    kind,
    (body, check) => {
      const changed = 'typed' in body ? change(body, check) : undefined
      return changed && ({ ...body, ...changed } as Reading)
    },
    more,
  )

/** An answer of several parts of which one is otherwise. */
export const recordFault = <F extends FormName>(
  name: string,
  kind: KindName,
  change: (answer: AnswerOf<F>, check: Check) => AnswerOf<F> | undefined,
  more: More = {},
): AnswerFault =>
  answerFault(
    name,
    kind,
    (body, check) => {
      if (!('answer' in body)) return undefined
      const answer = change(JSON.parse(JSON.stringify(body.answer)) as AnswerOf<F>, check)
      return answer && { ...body, answer }
    },
    more,
  )

/** What goes with an answer, whatever its form: its instrument, its photos. */
export const besideFault = (
  name: string,
  kind: KindName,
  change: (body: Body) => Partial<Reading & Record> | undefined,
): AnswerFault =>
  answerFault(
    name,
    kind,
    (body) => {
      const changed = change(body)
      return changed && ({ ...body, ...changed } as Body)
    },
    { slip: true },
  )

const FIGURES = 4

/** A figure as it is shown in its unit: what is typed and the value stay one, however it is rounded. */
export function figureTimes(
  { value, typed, unit }: { value: number; typed: string; unit: string },
  factor: number,
): { value: number; typed: string } {
  const shown = Number(
    typed
      .match(/[-−]?\d+(?:[.,]\d+)?/)?.[0]
      .replace('−', '-')
      .replace(',', '.') ?? value,
  )
  const next = Number((shown * factor).toPrecision(FIGURES))
  return { typed: `${next}${unit ? ` ${unit}` : ''}`, value: shown === 0 ? next : (value * next) / shown }
}

/** Another figure in its canonical unit. */
export const reads = (value: number, unit = ''): { value: number; typed: string } => {
  const figure = Number(value.toPrecision(FIGURES))
  return { value: figure, typed: `${figure}${unit ? ` ${unit}` : ''}` }
}
