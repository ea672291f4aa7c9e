import type { AnswerOf } from '@plumb-mark/core'

interface Sample {
  t: number
  value: number
}
const STEP_S = 0.5
/** How far beyond, as a share of the limit, and at least. */
const BEYOND = { share: 0.15, least: 12 }

/** What a recorder would have drawn of a test: beyond its limit from the event until it settled, or to the end. s, in the unit of the limit. */
export function traceOf({ end, eventAt, by, found: { settledAt = Infinity } }: AnswerOf<'trace'>): Sample[] {
  const sign = by.must === 'stay-under' ? 1 : -1
  const away = by.tolerance + Math.max(BEYOND.least, BEYOND.share * Math.abs(by.limit))
  const at = (t: number) => by.limit + sign * (t >= eventAt && t < settledAt ? away : -away)
  // What moves is never quite still.
  const still = (t: number) => 1 + 0.004 * Math.sin(3 * t)
  return Array.from({ length: Math.floor(end / STEP_S) + 1 }, (_, i) => i * STEP_S).map((t) => ({
    t,
    value: at(t) * still(t),
  }))
}
