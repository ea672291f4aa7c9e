import { BadInput } from '../shape/bad-input.js'

/** How often something was judged in how many jobs, and in how many of them it failed. */
export interface Tally {
  key: string
  judged: number
  failed: number
}

export const PATTERN_SAYS = ['stands-out', 'as-expected', 'seldom', 'too-few'] as const
export type PatternSays = (typeof PATTERN_SAYS)[number]

export interface Pattern extends Tally {
  rate: number
  /** Where the rate lies with the uncertainty of so few or so many, 95 %. */
  low: number
  high: number
  /** The rate of all the others: what one would expect of it if it were like them. */
  expected: number
  says: PatternSays
}

/** Three of four is no trend: below so many, nothing is said. */
const ENOUGH = 10
/** Two-sided 95 %. */
const Z = 1.96

/**
 * Which things fail more often than the others do, or less, beyond what chance would do with so few? Each rate has its interval (Wilson),
 * and is held against the rate of all the others together, itself left out; with one among none to compare with, nothing is expected of it.
 * The most remarkable first. Bad input: a tally that failed more often than it was judged, or figures that are no counts.
 * Source: Wilson's score interval for a proportion.
 */
export function recurrence(tallies: readonly Tally[]): Pattern[] {
  for (const [i, { judged, failed }] of tallies.entries())
    if (!isCount(judged) || !isCount(failed) || failed > judged)
      throw new BadInput(
        'out-of-range',
        `tallies[${i}]`,
        'failed cannot be more than judged, and both are counts',
      )
  const judgedOfAll = sum(tallies.map(({ judged }) => judged))
  const failedOfAll = sum(tallies.map(({ failed }) => failed))
  return tallies
    .filter(({ judged }) => judged > 0)
    .map((tally): Pattern => {
      const { judged, failed } = tally
      const others = judgedOfAll - judged
      const expected = others > 0 ? (failedOfAll - failed) / others : failed / judged
      const { low, high } = wilson(failed, judged)
      return {
        ...tally,
        rate: failed / judged,
        low,
        high,
        expected,
        says: saysOf(judged, { low, high, expected }),
      }
    })
    .sort((a, b) => order(a) - order(b) || b.low - a.low || a.key.localeCompare(b.key))
}

function saysOf(
  judged: number,
  { low, high, expected }: Pick<Pattern, 'low' | 'high' | 'expected'>,
): PatternSays {
  if (judged < ENOUGH) return 'too-few'
  if (low > expected) return 'stands-out'
  return high < expected ? 'seldom' : 'as-expected'
}

const order = ({ says }: Pattern): number => PATTERN_SAYS.indexOf(says)

function wilson(failed: number, judged: number): { low: number; high: number } {
  const rate = failed / judged
  const spread = (Z * Z) / judged
  const middle = (rate + spread / 2) / (1 + spread)
  const half = (Z * Math.sqrt((rate * (1 - rate)) / judged + spread / (4 * judged))) / (1 + spread)
  return { low: Math.max(0, middle - half), high: Math.min(1, middle + half) }
}

const isCount = (value: number): boolean => Number.isInteger(value) && value >= 0
const sum = (values: readonly number[]): number => values.reduce((total, value) => total + value, 0)
