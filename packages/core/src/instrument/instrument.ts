import { DIMENSIONS, type Dimension } from '../quantity/units.js'
import type { InstrumentId } from '../ids/ids.js'
import { anyText, list, num, object, oneOf, optional, text, type Read } from '../shape/shape.js'
import { siteDay } from '../shape/site-day.js'
import { INSTRUMENT_KINDS } from './instrument-kinds.js'

/** How well an instrument measures one dimension: expanded uncertainty (k = 2) = percent of the reading + a constant, canonical unit. */
export const accuracyShape = object({
  dimension: oneOf(DIMENSIONS),
  percent: num({ sign: 'magnitude' }),
  plus: num({ sign: 'magnitude' }),
  upTo: optional(
    num({ sign: 'magnitude', about: 'where its range ends, canonical: beyond it the display says OL' }),
  ),
})
export type Accuracy = Read<typeof accuracyShape>

/** An instrument as it was when it was used; kept in the reading, so that a year later the record still says how good it was. */
export const instrumentShape = object({
  id: text<InstrumentId>(),
  name: anyText(),
  kind: oneOf(INSTRUMENT_KINDS),
  serial: anyText(),
  calibratedUntil: text('last day of its calibration, YYYY-MM-DD'),
  accuracy: list(accuracyShape, { mayBeEmpty: true }),
})
export type Instrument = Read<typeof instrumentShape>

const MM_PER_M = 1000

/** Does it say how well it measures? Nothing measures without an uncertainty: where none stands, nobody has said it. */
export const isStated = ({ percent, plus }: Pick<Accuracy, 'percent' | 'plus'>): boolean =>
  percent > 0 || plus > 0

/** The dimensions of which an instrument does not say how well it measures them. */
export const unstatedIn = ({ accuracy }: Pick<Instrument, 'accuracy'>): Dimension[] =>
  accuracy.filter((one) => !isStated(one)).map(({ dimension }) => dimension)

/**
 * What an instrument says of a dimension; nothing where no uncertainty is stated. A tape that measures lengths measures the length of a
 * cable too, whose unit is the metre.
 */
export function accuracyOf({ accuracy }: Instrument, dimension: Dimension): Accuracy | undefined {
  const stated = accuracy.filter(isStated)
  const own = stated.find((one) => one.dimension === dimension)
  if (own || dimension !== 'cable-length') return own
  const length = stated.find((one) => one.dimension === 'length')
  return (
    length && {
      dimension,
      percent: length.percent,
      plus: length.plus / MM_PER_M,
      ...(length.upTo !== undefined && { upTo: length.upTo / MM_PER_M }),
    }
  )
}

/** Expanded uncertainty of a reading, in the canonical unit; 0 when the instrument says nothing about that dimension. */
export function uncertaintyOf(
  instrument: Instrument | undefined,
  dimension: Dimension,
  value: number,
): number {
  const accuracy = instrument && accuracyOf(instrument, dimension)
  return accuracy ? (accuracy.percent / 100) * Math.abs(value) + accuracy.plus : 0
}

/** Was its calibration over on the day of use, where it was used? The last day itself is fine. `at` is a moment or a day. */
export function outOfCalibration({ calibratedUntil }: Instrument, at: string, zone?: string): boolean {
  return siteDay(at, zone) > calibratedUntil
}

/**
 * The instrument where it can vouch for a reading of this dimension: one that says nothing about it, or whose range ends below the value,
 * makes a reading no surer than none.
 */
export function vouching(
  instrument: Instrument | undefined,
  dimension: Dimension,
  value: number,
): Instrument | undefined {
  const accuracy = instrument && accuracyOf(instrument, dimension)
  return accuracy && Math.abs(value) <= (accuracy.upTo ?? Infinity) ? instrument : undefined
}

export function measures(instrument: Instrument, dimension: Dimension): boolean {
  return accuracyOf(instrument, dimension) !== undefined
}

/** Uncertainty of a gap that is worked out from two offsets read with one tape, mm: two readings, each with its own error. */
export function gapUncertainty(tape: Instrument | undefined, length: number): number {
  return Math.SQRT2 * uncertaintyOf(tape, 'length', length)
}
