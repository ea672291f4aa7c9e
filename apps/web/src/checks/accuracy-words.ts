import { accuracyOf, canonicalUnit, type Dimension, type Instrument } from '@plumb-mark/core'

/** “conductor size”. */
export const dimensionWords = (dimension: Dimension): string => dimension.replaceAll('-', ' ')

/** “in date until 2027-03-31”, or that it was: the last day is a day at the site. */
const calibrationWords = ({ calibratedUntil }: Instrument, today: Date): string =>
  calibratedUntil < today.toLocaleDateString('sv-SE')
    ? `calibration ended ${calibratedUntil}`
    : `in date until ${calibratedUntil}`

/** “Torque driver T2, ±4 %, to 6 N·m, in date until 2027-03-31”: how good it is at what is asked, and for how long. */
export function accuracyWords(instrument: Instrument, dimension: Dimension, today = new Date()): string {
  const { percent, plus, upTo } = accuracyOf(instrument, dimension)!
  const unit = canonicalUnit(dimension)
  const parts = [percent > 0 ? `${percent} %` : '', plus > 0 ? `${plus} ${unit}`.trim() : ''].filter(Boolean)
  const range = upTo === undefined ? [] : [`to ${upTo} ${unit}`.trim()]
  return [
    instrument.name,
    `±${parts.join(' + ') || '0'}`,
    ...range,
    calibrationWords(instrument, today),
  ].join(', ')
}
