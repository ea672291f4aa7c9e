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
  /** s before the event in which it is looked at how things stood. */
  lookBack?: number | undefined
}

/** What a trace can show at all, whatever it shows. */
export interface TraceSeen {
  /** As the file has it. */
  unit: string
  /** s of the first sample. */
  from: number
  /** s between the two samples that lie farthest apart, from the time looked back to on. */
  widestGap: number
  /** The least and the most in the time looked back to, and over the whole of it. */
  before: { least: number; most: number }
  ever: { least: number; most: number }
}

export interface TraceFacts {
  /** s; left out when it was over to the end. */
  settledAt?: number
  secondsOver: number
  /** The worst value from the event on: the highest that had to stay under, the lowest that had to stay over. */
  peak: number
  /** Left out by programs of before, which did not look: such a trace proves nothing until it is judged anew. */
  seen?: TraceSeen
}

/** s; how long is looked back where the sheet does not say. */
export const LOOKED_BACK = 5

/**
 * What one column says of a limit, whole: `t` in s, strictly ascending, `values` in the unit of the limit. What must stay over is mirrored
 * and judged as what must stay under. Bad input: `out-of-range` at `eventAt` that the column does not cover.
 */
export function traceFacts(
  column: Column,
  eventAt: number,
  { limit, tolerance, must, lookBack = LOOKED_BACK }: TraceLimit,
): TraceFacts {
  const { t, values } = column
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
  return {
    ...(settledAt !== null && { settledAt }),
    secondsOver,
    peak: sign * peak,
    seen: seenIn(column, eventAt, lookBack),
  }
}

/** A value holds until the next sample: the one in force when the looking back begins counts too. */
function seenIn({ t, values, unit = '' }: Column, eventAt: number, lookBack: number): TraceSeen {
  const since = eventAt - lookBack
  const [before, ever] = [
    { least: Infinity, most: -Infinity },
    { least: Infinity, most: -Infinity },
  ]
  let widestGap = 0
  for (let i = 0; i < t.length; i++) {
    const next = t[i + 1]
    if (next !== undefined && next > since) widestGap = Math.max(widestGap, next - t[i]!)
    stretch(ever, values[i]!)
    if (t[i]! <= eventAt && (next === undefined || next > since)) stretch(before, values[i]!)
  }
  return { unit, from: t[0]!, widestGap, before, ever }
}

function stretch(range: { least: number; most: number }, value: number): void {
  range.least = Math.min(range.least, value)
  range.most = Math.max(range.most, value)
}
