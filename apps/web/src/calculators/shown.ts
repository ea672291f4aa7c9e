import { formatNumber } from '@plumb-mark/core'

const DIGITS = 4

/** A figure as it is read off: four digits that say something, and never fewer before the point than there are. */
export function shown(value: number): string {
  const magnitude = Math.floor(Math.log10(Math.abs(value) || 1))
  return formatNumber(value, Math.max(0, Math.min(DIGITS - 1 - magnitude, 12)))
}
