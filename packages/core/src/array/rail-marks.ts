import { formatInches } from '../quantity/format.js'
import { formatNumber } from '../quantity/phrases.js'
import { count, num, object, oneOf, optional, type Read } from '../shape/shape.js'
import type { Explained } from '../verdict/verdict.js'

export const railMarksInput = object({
  moduleWidth: num({ unit: 'mm', sign: 'divisor' }),
  gap: num({ unit: 'mm', sign: 'magnitude', about: 'between modules' }),
  count: count('modules in the row', { max: 1000 }),
  firstOffset: optional(
    num({ unit: 'mm', sign: 'magnitude', about: 'from the end of the rail to the first module' }),
    0,
  ),
  units: optional(oneOf(['metric', 'us'] as const), 'metric'),
})
type Given = Read<typeof railMarksInput>
export type RailMarksInput = Omit<Given, 'firstOffset' | 'units'> &
  Partial<Pick<Given, 'firstOffset' | 'units'>>
export interface RailMarksResult extends Explained {
  /** From the end of the rail to the middle of each module, mm. */
  marks: number[]
  /** As they stand on the tape: whole tenths of a millimetre, or inches to the nearest sixteenth. */
  said: string[]
  /** From the end of the rail to the far edge of the last module, mm. */
  length: number
}

/**
 * Where do the marks along a rail go? The first half a module width in, then every module width plus gap; mm. Each mark is measured from
 * the end of the rail, so that rounding does not add up. Source: the makers' usual way of setting out.
 */
export function railMarks(input: RailMarksInput): RailMarksResult {
  const { moduleWidth, gap, count: modules, firstOffset, units } = railMarksInput.read(input, '') as Given
  const pitch = moduleWidth + gap
  const first = firstOffset + moduleWidth / 2
  const marks = Array.from({ length: modules }, (_, i) => first + i * pitch)
  const onTape = units === 'us' ? formatInches : (mark: number) => `${formatNumber(mark, 1)} mm`
  return {
    marks,
    said: marks.map(onTape),
    length: firstOffset + modules * moduleWidth + (modules - 1) * gap,
    working: [
      `first mark ${formatNumber(firstOffset)} + ${formatNumber(moduleWidth)} ÷ 2 = ${formatNumber(first, 1)} mm`,
      `then every ${formatNumber(moduleWidth)} + ${formatNumber(gap)} = ${formatNumber(pitch, 1)} mm`,
    ],
    notes: ['measure every mark from the same end of the rail: steps from mark to mark add up their errors'],
  }
}
