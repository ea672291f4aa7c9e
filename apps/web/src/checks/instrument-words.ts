import {
  accuracyOf,
  canonicalUnit,
  uncertaintyWords,
  type Dimension,
  type Instrument,
} from '@plumb-mark/core'

/** “in date until 2027-03-31”, or that it was: the last day is a day at the site. */
const calibrationWords = ({ calibratedUntil }: Instrument, today: Date): string =>
  calibratedUntil < today.toLocaleDateString('sv-SE')
    ? `calibration ended ${calibratedUntil}`
    : `in date until ${calibratedUntil}`

/** “Torque driver T2, ±4 %, to 6 N·m, in date until 2027-03-31”: how good it is at what is asked, and for how long. */
export function instrumentWords(instrument: Instrument, dimension: Dimension, today = new Date()): string {
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
