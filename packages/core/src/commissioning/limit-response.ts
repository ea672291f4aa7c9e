import { BadInput } from '../shape/bad-input.js'
import { seconds, watts } from '../quantity/figure.js'
import { msg } from '../quantity/message.js'
import { LARGEST, list, longList, num, object, refine, type Read } from '../shape/shape.js'
import type { Explained, JudgedVerdict } from '../verdict/verdict.js'
import { responseOf } from './response-of.js'
import { settling } from './settling.js'

const sample = object({ t: num({ unit: 's' }), power: num({ unit: 'W' }) })
type Sample = Read<typeof sample>

const ascending = refine(list(sample, { about: 't strictly ascending', max: 5_000_000 }), (samples, path) => {
  const unordered = samples.findIndex(({ t }, i) => i > 0 && t <= samples[i - 1]!.t)
  if (unordered >= 0)
    throw new BadInput('not-ascending', `${path}[${unordered}].t`, 'must be later than the sample before it')
})

/** A record of a day has a million samples: those that are plainly well-formed and in order are not copied. */
function isPlainSample(one: unknown, before: unknown): boolean {
  if (typeof one !== 'object' || one === null) return false
  const { t, power } = one as { t: unknown; power: unknown }
  const inRange =
    typeof t === 'number' &&
    typeof power === 'number' &&
    t >= -LARGEST &&
    t <= LARGEST &&
    power >= -LARGEST &&
    power <= LARGEST
  return inRange && (before === undefined || t > (before as Sample).t)
}

export const limitResponseInput = refine(
  object({
    samples: longList(ascending, isPlainSample),
    limit: num({ unit: 'W' }),
    tolerance: num({ unit: 'W', sign: 'magnitude' }),
    eventAt: num({ unit: 's' }),
    settleWithin: num({ unit: 's', sign: 'magnitude' }),
  }),
  ({ samples, eventAt }) => {
    if (samples.at(-1)!.t < eventAt)
      throw new BadInput('out-of-range', 'eventAt', 'the record ends before it')
    if (samples[0]!.t > eventAt) throw new BadInput('out-of-range', 'eventAt', 'the record starts after it')
  },
)
export type LimitResponseInput = Read<typeof limitResponseInput>

export interface LimitResponseResult extends Explained {
  /** s; null when the last sample is over. */
  settledAt: number | null
  secondsToSettle: number | null
  secondsOver: number
  /** W */
  peak: number
  verdict: JudgedVerdict
}

/**
 * Does a controlled power come under its limit in time and stay there? s, W; exactly at limit plus tolerance is not over, and settling
 * at the last moment allowed is in time. Each sample holds until the next; the one in force at the event counts from the event.
 * Bad input: times that do not ascend, a record that does not cover the event. Source: step response of a sampled signal.
 */
export function limitResponse(input: LimitResponseInput): LimitResponseResult {
  const given = limitResponseInput.read(input, '')
  const { samples, limit, tolerance, eventAt, settleWithin } = given
  const ceiling = limit + tolerance
  const { settledAt, secondsOver, peak } = responseOf(
    { count: samples.length, time: (i) => samples[i]!.t, power: (i) => samples[i]!.power },
    ceiling,
    eventAt,
  )
  const end = samples.at(-1)!.t
  const secondsToSettle = settledAt === null ? null : settledAt - eventAt
  return {
    settledAt,
    secondsToSettle,
    secondsOver,
    peak,
    verdict: settling({ settledAt, eventAt, end, settleWithin }),
    working: [
      msg`over means above ${watts(limit)} + ${watts(tolerance)} = ${watts(ceiling)}`,
      msg`from ${seconds(eventAt)}: ${seconds(secondsOver)} over, peak ${watts(peak)}`,
      settledAt === null
        ? msg`still over at ${seconds(end)}`
        : msg`settled at ${seconds(settledAt)}, ${seconds(secondsToSettle!)} after the event, at most ${seconds(settleWithin)}`,
    ],
    notes:
      settledAt === null && end < eventAt + settleWithin
        ? ['the record is too short: go on recording until it has settled or the time is up']
        : [],
  }
}
