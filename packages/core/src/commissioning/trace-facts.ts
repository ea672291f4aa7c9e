import { limitResponse } from './limit-response.js'

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
 * What the samples say of a limit, whole: `t` in s, strictly ascending, `value` in the unit of the limit. What must stay over is
 * mirrored and judged as what must stay under. Bad input: as `limitResponse`.
 */
export function traceFacts(
  samples: readonly { t: number; value: number }[],
  eventAt: number,
  { limit, tolerance, settleWithin, must }: TraceLimit,
): TraceFacts {
  const sign = must === 'stay-under' ? 1 : -1
  const { settledAt, secondsOver, peak } = limitResponse({
    samples: samples.map(({ t, value }) => ({ t, power: sign * value })),
    limit: sign * limit,
    tolerance,
    eventAt,
    settleWithin,
  })
  return { ...(settledAt !== null && { settledAt }), secondsOver, peak: sign * peak }
}
