import { BadInput } from '../shape/bad-input.js'
import { responseOf } from './response-of.js'
import type { Column } from './trace-file.js'

/** What a trace must keep: under a limit or over one, with a tolerance, within a time after the event. */
export interface TraceLimit {
  limit: number
  tolerance: number
  /** s */
  settleWithin: number
  must: 'stay-under' | 'stay-over'
}

export interface TraceFacts {
  /** s; left out when it was over to the end. */
  settledAt?: number
  secondsOver: number
  /** The worst value from the event on: the highest that had to stay under, the lowest that had to stay over. */
  peak: number
}

/**
 * What one column says of a limit, whole: `t` in s, strictly ascending, `values` in the unit of the limit. What must stay over is mirrored
 * and judged as what must stay under. Bad input: `out-of-range` at `eventAt` that the column does not cover.
 */
export function traceFacts(
  { t, values }: Column,
  eventAt: number,
  { limit, tolerance, must }: TraceLimit,
): TraceFacts {
  const count = t.length
  if (count === 0 || t[0]! > eventAt)
    throw new BadInput('out-of-range', 'eventAt', 'the trace starts after it')
  if (t[count - 1]! < eventAt) throw new BadInput('out-of-range', 'eventAt', 'the trace ends before it')
  const sign = must === 'stay-under' ? 1 : -1
  const { settledAt, secondsOver, peak } = responseOf(
    { count, time: (i) => t[i]!, power: (i) => sign * values[i]! },
    sign * limit + tolerance,
    eventAt,
  )
  return { ...(settledAt !== null && { settledAt }), secondsOver, peak: sign * peak }
}
