import { factOf, type Fact, type Spot } from './spot.js'

export const COLOUR = /\b(?:green|red|blue|amber|yellow|orange|white|violet|turquoise|off|dark)\b/i
const RHYTHM =
  /\b(?:steady|solid|constant|lit|flash\w*|blink\w*|flicker\w*|pulsing|breathing|swelling|quick|slow|rapid|off|dark|running)\b/i

/** “Lamp red, steady: insulation.”: what a lamp says, told in running text. */
export function lampInWords(spot: Spot): Fact[] {
  const found = /^(.{3,60}?)\s*(?::|=|–|—)\s+(\S.*)$/.exec(spot.sentence)
  if (!found || spot.figure.text !== '') return []
  const [, sign, meaning] = found as unknown as [string, string, string]
  if (!/\b(?:lamp|led|light|indicator|ring|bar)\b/i.test(sign) || !COLOUR.test(sign) || !RHYTHM.test(sign))
    return []
  const subject = sign.replace(/^(?:the )?(?:lamp|led|light|indicator)\b[,\s]*/i, '')
  const { page, box } = spot.placeAt(0, sign.length)
  return [{ ...factOf({ ...spot, page, box }, 'indicator', subject, ''), text: meaning }]
}
