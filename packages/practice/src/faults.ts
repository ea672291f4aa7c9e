import type { Answer, AnswerOf, Ask, JudgedCheck } from '@plumb-mark/core'
import type { Answered } from './answer.js'
import type { Chance } from './chance.js'

/** What may be wrong at a check, as it would be found there: the right answer with one thing otherwise, in the order of chance. */
export function wrongAnswers({ check }: JudgedCheck, right: Answered, chance: Chance): Answered[] {
  if (right.kind === 'observation') return [{ kind: 'observation', body: { ...right.body, seen: false } }]
  if (right.kind === 'reading')
    return chance
      .shuffled([0.55, 0.8, 1.25, 1.6, 4, 12, -1])
      .map((factor) => ({ kind: 'reading', body: { ...right.body, ...figureTimes(right.body, factor) } }))
  if (check.ask.kind !== 'record') return []
  const answers = WRONG[check.ask.form]?.(check.ask as never, right.body.answer as never, chance) ?? []
  return chance.shuffled(answers).map((answer) => ({ kind: 'record', body: { ...right.body, answer } }))
}

const FIGURES = 4

/** A figure as an instrument shows it, in the unit in which it was typed. */
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
  // What was typed and its value stay one figure, however it is rounded.
  return { typed: `${next}${unit ? ` ${unit}` : ''}`, value: shown === 0 ? next : (value * next) / shown }
}

type Asked = Extract<Ask, { kind: 'record' }>
type ByForm = {
  [F in Asked['form']]?: (asked: Extract<Asked, { form: F }>, right: AnswerOf<F>, chance: Chance) => Answer[]
}

const WRONG: ByForm = {
  choice: ({ options }, { chosen }) =>
    options.filter(({ id }) => id !== chosen).map(({ id }) => ({ chosen: id })),
  statement: () => [{ agreed: false }],
  fields: ({ fields }, { values }) =>
    fields.flatMap(({ id, options }) => {
      const was = values[id]
      if (!was) return []
      const others = options
        ? options.filter((one) => one !== was.typed).map((typed) => ({ typed }))
        : was.value === undefined
          ? [{ typed: swapped(was.typed) }]
          : [figureTimes({ value: was.value, typed: was.typed, unit: unitOf(was.typed) }, 1.6)]
      return others.map((other) => ({ values: { ...values, [id]: other } }))
    }),
  series: (_asked, { values }, chance) => {
    const at = Math.floor(chance.next() * values.length)
    const moved = values.map((one, i) =>
      i === at ? figureTimes({ ...one, unit: unitOf(one.typed) }, 1.4) : one,
    )
    return [{ values: moved }]
  },
  order: (_asked, { done }) => [{ done: [done[1]!, done[0]!, ...done.slice(2)] }, { done: done.slice(1) }],
  steps: (_asked, { done }) =>
    done.length < 2
      ? [{ done: [] }]
      : [{ done: done.map((step, i) => ({ ...step, id: done[i === 0 ? 1 : i === 1 ? 0 : i]!.id })) }],
  switches: ({ switches }, { positions }) =>
    switches.map(({ id }) => ({ positions: { ...positions, [id]: positions[id] === 'on' ? 'off' : 'on' } })),
  chain: (_asked, { leads, terminators }) => [
    { leads, terminators: [] },
    { leads: leads.slice(1), terminators },
  ],
  bus: (_asked, bus) => [
    { ...bus, polarity: bus.polarity === 'crossed' ? 'a-to-a' : 'crossed' },
    { ...bus, devices: bus.devices.map((device) => ({ ...device, terminated: false })) },
  ],
}

/** Two letters or digits that changed places: how a serial is misread. */
function swapped(text: string): string {
  const at = [...text].findLastIndex((letter, i) => i > 0 && letter !== text[i - 1])
  if (at < 1) return `${text}8`
  return `${text.slice(0, at - 1)}${text[at]}${text[at - 1]}${text.slice(at + 1)}`
}

const unitOf = (typed: string): string => typed.replace(/^[<>−\d.,\s-]*/, '')
