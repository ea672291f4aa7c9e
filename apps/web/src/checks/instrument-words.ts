import {
  accuracyOf,
  canonicalUnit,
  outOfCalibration,
  uncertaintyWords,
  type Dimension,
  type Instrument,
} from '@plumb-mark/core'

/** “in date until 2027-03-31”, or that it was. */
const calibrationWords = (instrument: Instrument, today: string): string =>
  outOfCalibration(instrument, today)
    ? `calibration ended ${instrument.calibratedUntil}`
    : `in date until ${instrument.calibratedUntil}`

/**
 * “Torque driver T2, ±4 %, to 6 N·m, in date until 2027-03-31”: how good it is at what is asked, and for how long; `today` is the day at
 * the site, YYYY-MM-DD.
 */
export function instrumentWords(instrument: Instrument, dimension: Dimension, today: string): string {
  const accuracy = accuracyOf(instrument, dimension)!
  const { upTo } = accuracy
  const range = upTo === undefined ? [] : [`to ${upTo} ${canonicalUnit(dimension)}`.trim()]
  return [
    instrument.name,
    `±${uncertaintyWords(accuracy)}`,
    ...range,
    calibrationWords(instrument, today),
  ].join(', ')
}
