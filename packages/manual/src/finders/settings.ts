import type { Dimension } from '@plumb-mark/core'
import { factOf, nameOf, type Fact, type Spot } from './spot.js'

/** The unit that a setting of each dimension is told in. */
export const UNIT_OF_SETTING: Partial<Record<Dimension, string>> = {
  voltage: 'V',
  current: 'A',
  power: 'W',
  percent: '%',
  time: 's',
  frequency: 'Hz',
  temperature: '°C',
  length: 'mm',
  angle: '°',
}

/** “In the menu … set the trip time from 0.1 to 3 s”: a setting told in running text, with what it may be. */
export function settingInWords(spot: Spot): Fact[] {
  const { figure, sentence, label } = spot
  const isSet =
    /\b(?:menu|setting|parameter)s?\b/i.test(sentence) && /\b(?:set|adjust|choose|enter)\b/i.test(sentence)
  const unit = UNIT_OF_SETTING[figure.dimension]
  if (
    label !== undefined ||
    !isSet ||
    unit === undefined ||
    figure.min === undefined ||
    figure.max === undefined
  )
    return []
  const own =
    spot.lead
      .split(/[,;]|\band\b|\bset\b/)
      .filter((part) => /\p{L}{3}/u.test(part))
      .at(-1) ?? spot.lead
  return [factOf(spot, 'setting', nameOf(own.replace(/\bto a value\b/, ''), figure.text), unit)]
}
