import type { AnswerOf } from '../answer/forms.js'
import type { Evidence } from '../job/state.js'
import { instant } from '../shape/time.js'

type Steps = AnswerOf<'steps'>['done']

/** ms; what lies within is the way through the network, and rounding. */
const NEGLIGIBLE = 2000

/**
 * When steps were really done. Their times are those of the device that wrote them down, and are moved as the time of the entry was in which
 * each first stood: a second device, with another clock, cannot cut a wait short. A step that lies after the entry that holds it was not
 * seen by anybody, and proves nothing. Undefined where these are no steps with times. What a device of the installation said has the
 * server's time already.
 */
export function stepTimes(
  done: readonly unknown[],
  evidence: Evidence,
  history: readonly Evidence[],
): { done: Steps; doubt?: string | undefined } | undefined {
  if (!areSteps(done)) return undefined
  let doubt: string | undefined
  const told = wordsIn([...history, evidence])
  const moved = done.map((step) => {
    const first = firstWith(step, history) ?? evidence
    const at = told.has(keyOf(step)) ? instant(step.at) : instant(step.at) - aheadOf(first)
    if (at > instant(first.at) + NEGLIGIBLE) doubt ??= step.id
    return Number.isFinite(at) ? { ...step, at: new Date(at).toISOString() } : step
  })
  return {
    done: moved,
    ...(doubt !== undefined && { doubt: `“${doubt}” is dated after it was written down: record it again` }),
  }
}

const areSteps = (done: readonly unknown[]): done is Steps =>
  done.every((one) => typeof one === 'object' && one !== null && 'at' in one && typeof one.at === 'string')

const keyOf = ({ id, at }: Steps[number]): string => `${id} ${at}`

/** By how much the clock of the device was ahead, ms, as the entry was moved for it. */
const aheadOf = ({ at, said }: Evidence): number => (said === undefined ? 0 : instant(said) - instant(at))

function firstWith(step: Steps[number], history: readonly Evidence[]): Evidence | undefined {
  return history.find(
    ({ kind, body }) =>
      kind === 'record' &&
      'done' in body.answer &&
      areSteps(body.answer.done) &&
      body.answer.done.some((one) => keyOf(one) === keyOf(step)),
  )
}

/** Steps that a device showed to be done, by when it said so. */
function wordsIn(history: readonly Evidence[]): Set<string> {
  return new Set(
    history.flatMap(({ body }) =>
      'word' in body ? (body.word?.points ?? []).map(({ part, at }) => `${part} ${at}`) : [],
    ),
  )
}
