import type { InstrumentKind } from '../sheet/terms.js'
import type { Dimension } from '../quantity/units.js'

/** How well an instrument measures one dimension: expanded uncertainty (k = 2) = percent of the reading + a constant, canonical unit. */
export interface Accuracy {
  dimension: Dimension
  percent: number
  plus: number
}

/** An instrument as it was when it was used; kept in the reading, so that a year later the record still says how good it was. */
export interface Instrument {
  id: string
  name: string
  kind: InstrumentKind
  serial: string
  /** Last day of its calibration, YYYY-MM-DD. */
  calibratedUntil: string
  accuracy: Accuracy[]
}

/** Expanded uncertainty of a reading, in the canonical unit; 0 when the instrument says nothing about that dimension. */
export function uncertaintyOf(instrument: Instrument | undefined, dimension: Dimension, value: number): number {
  const accuracy = instrument?.accuracy.find((one) => one.dimension === dimension)
  return accuracy ? (accuracy.percent / 100) * Math.abs(value) + accuracy.plus : 0
}

/** Was its calibration over on the day of use? Both are days in the same calendar; the last day itself is fine. */
export function outOfCalibration({ calibratedUntil }: Instrument, at: string): boolean {
  return at.slice(0, 10) > calibratedUntil
}

export function measures(instrument: Instrument, dimension: Dimension): boolean {
  return instrument.accuracy.some((one) => one.dimension === dimension)
}

/** Uncertainty of a gap that is worked out from two offsets read with one tape, mm: two readings, each with its own error. */
export function gapUncertainty(tape: Instrument | undefined, length: number): number {
  return Math.SQRT2 * uncertaintyOf(tape, 'length', length)
}
