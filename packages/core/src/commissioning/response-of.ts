import { atMost } from '../verdict/compare.js'

/** Samples however they are kept: `time` strictly ascending, each value holding until the next. */
export interface SampledPower {
  count: number
  time(i: number): number
  power(i: number): number
}

export interface Response {
  /** null when the last sample is over. */
  settledAt: number | null
  secondsOver: number
  peak: number
}

/** One pass over the samples from the one in force at the event: how long it was over the ceiling, and from when no more. */
export function responseOf({ count, time, power }: SampledPower, ceiling: number, eventAt: number): Response {
  // What `atMost` allows for rounding, worked out once for the whole record.
  const over = (value: number) => value > ceiling && !atMost(value, ceiling)
  let secondsOver = 0
  let peak = -Infinity
  let settledAt: number | null = null
  for (let i = inForceAt(count, time, eventAt); i < count; i++) {
    const value = power(i)
    const from = Math.max(time(i), eventAt)
    if (value > peak) peak = value
    if (!over(value)) settledAt ??= from
    else {
      settledAt = null
      secondsOver += i + 1 < count ? Math.max(0, time(i + 1) - from) : 0
    }
  }
  return { settledAt, secondsOver, peak }
}

/** Index of the last sample at or before a time; the samples ascend, so halving finds it. */
function inForceAt(count: number, time: (i: number) => number, at: number): number {
  let [low, high] = [0, count - 1]
  while (low < high) {
    const middle = (low + high + 1) >> 1
    if (time(middle) <= at) low = middle
    else high = middle - 1
  }
  return low
}
