import { atMost } from '../verdict/compare.js'
import { judged, type JudgedVerdict } from '../verdict/verdict.js'

/**
 * Settled in time, still over when the record ended too early to tell, or neither? s; settling at the last moment allowed is in time.
 */
export function settling({
  settledAt,
  eventAt,
  end,
  settleWithin,
}: {
  settledAt: number | null
  eventAt: number
  end: number
  settleWithin: number
}): JudgedVerdict {
  if (settledAt !== null) return judged(atMost(settledAt - eventAt, settleWithin, Math.abs(settledAt)))
  const due = eventAt + settleWithin
  return end < due && !atMost(due, end) ? 'not-proven' : 'does-not-conform'
}
