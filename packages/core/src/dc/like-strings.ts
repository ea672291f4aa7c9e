import { volts } from '../quantity/figure.js'
import { formatNumber } from '../quantity/phrases.js'
import { msg } from '../quantity/message.js'
import { atMost } from '../verdict/compare.js'
import {
  count,
  list,
  num,
  object,
  optional,
  percent,
  refine,
  requireUniqueIds,
  text,
  type Read,
} from '../shape/shape.js'
import { judged, worst, type Explained, type JudgedVerdict } from '../verdict/verdict.js'

export const likeStringsInput = object({
  strings: refine(
    list(
      object({ id: text(), voc: num({ unit: 'V', about: 'signed' }), count: count('modules in series') }),
      { max: 1000 },
    ),
    (strings, path) => requireUniqueIds(strings, path),
  ),
  tolerancePercent: optional(percent('allowed difference from the median of the like strings'), 2),
})
type Given = Read<typeof likeStringsInput>
export type LikeStringsInput = Omit<Given, 'tolerancePercent'> & { tolerancePercent?: number }
export interface LikeStringsResult extends Explained {
  strings: {
    id: string
    perModule: number
    median: number | null
    differencePercent: number | null
    verdict: JudgedVerdict
  }[]
  verdict: JudgedVerdict
}

/**
 * Are like strings alike? Each string's voltage per module against the median of the like strings, all taken
 * at the same irradiance; V, %, the tolerance itself allowed. A string without like ones, or whose like ones
 * show nothing, is not proven. Bad input: two strings with one id. Source: comparison of like strings, IEC
 * 62446-1.
 */
export function likeStrings(input: LikeStringsInput): LikeStringsResult {
  const { strings, tolerancePercent } = likeStringsInput.read(input, '') as Given
  const each = strings.map(({ id, voc, count: modules }) => ({ id, perModule: voc / modules }))
  const rows = each.map(({ id, perModule }, i) => {
    const others = each.filter((_, j) => j !== i).map((one) => one.perModule)
    const middle = others.length === 0 ? null : median(others)
    const differencePercent =
      middle === null || middle === 0 ? null : (100 * (perModule - middle)) / Math.abs(middle)
    return {
      id,
      perModule,
      median: middle,
      differencePercent,
      verdict:
        differencePercent === null
          ? ('not-proven' as const)
          : judged(atMost(Math.abs(differencePercent), tolerancePercent)),
    }
  })
  return {
    strings: rows,
    verdict: worst(rows.map(({ verdict }) => verdict)) as JudgedVerdict,
    working: rows.map(
      ({ id, perModule, median: middle, differencePercent }) =>
        msg`${id}: ${volts(perModule)} a module${middle === null ? ', no like string to compare with' : msg`, like strings ${volts(middle)}, ${formatNumber(differencePercent ?? 0)} %`}`,
    ),
    notes: ['all strings must be read within a few minutes, at the same irradiance'],
  }
}

/** The middle one of several values, or the mean of the two in the middle. */
export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b)
  const middle = sorted.length >> 1
  return sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2
}
