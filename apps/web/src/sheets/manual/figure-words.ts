import type { Fact, Figures } from '@plumb-mark/manual'
import { formatNumber } from '@plumb-mark/core'

const inches: Partial<Record<string, { unit: string; factor: number }>> = {
  mm: { unit: 'in', factor: 1 / 25.4 },
  kg: { unit: 'lb', factor: 1 / 0.45359237 },
  'N·m': { unit: 'in·lb', factor: 8.850745767 },
}

/** A figure in words: “2.2 to 2.8 N·m”, “at least 200 mm”. */
export function figureWords(figures: Figures, unit: string): string {
  const { min, max, value } = figures
  if (value !== undefined) return `${number(value)} ${unit}`.trim()
  if (min !== undefined && max !== undefined) return `${number(min)} to ${number(max)} ${unit}`.trim()
  if (min !== undefined) return `at least ${number(min)} ${unit}`.trim()
  return max === undefined ? '' : `at most ${number(max)} ${unit}`.trim()
}

/** The same in the other system, where the print may have been in it. */
export function otherWords({ min, max, value, unit }: Fact): string {
  const other = inches[unit]
  if (!other) return ''
  const scaled = (one: number | undefined) => (one === undefined ? undefined : one * other.factor)
  return figureWords(
    Object.fromEntries(
      Object.entries({ min: scaled(min), max: scaled(max), value: scaled(value) }).filter(
        ([, one]) => one !== undefined,
      ),
    ),
    other.unit,
  )
}

const number = (value: number) => formatNumber(Number(value.toPrecision(4)))
