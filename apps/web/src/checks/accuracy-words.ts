import { accuracyOf, canonicalUnit, type Dimension, type Instrument } from '@plumb-mark/core'

/** “conductor size”. */
export const dimensionWords = (dimension: Dimension): string => dimension.replaceAll('-', ' ')

/** “Torque driver T2, ±4 %, to 6 N·m, in date until 2027-03-31”: how good it is at what is asked, and for how long. */
export function accuracyWords(instrument: Instrument, dimension: Dimension): string {
  const { percent, plus, upTo } = accuracyOf(instrument, dimension)!
  const unit = canonicalUnit(dimension)
  const parts = [percent > 0 ? `${percent} %` : '', plus > 0 ? `${plus} ${unit}`.trim() : ''].filter(Boolean)
  const range = upTo === undefined ? [] : [`to ${upTo} ${unit}`.trim()]
  return [
    instrument.name,
    `±${parts.join(' + ') || '0'}`,
    ...range,
    `in date until ${instrument.calibratedUntil}`,
  ].join(', ')
}
