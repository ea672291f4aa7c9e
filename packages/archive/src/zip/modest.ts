import { BadInput } from '@plumb-mark/core'

/** Deeper than anything that the formats hold. */
const DEEPEST = 60

/**
 * Refuses a JSON text that would come to more than so many values, or to lists within lists without end, before anything is made of it: a
 * few kilobytes can unpack to what no memory holds. Bad input: `too-large`.
 */
export function requireModest(json: Uint8Array, name: string, most: number): void {
  let [values, depth, quoted] = [0, 0, false]
  for (let i = 0; i < json.length; i++) {
    const sign = json[i]
    if (quoted) {
      if (sign === BACKSLASH) i++
      else if (sign === QUOTE) quoted = false
      continue
    }
    if (sign === QUOTE) quoted = true
    else if (sign === COMMA) values++
    else if (sign === BRACE || sign === BRACKET) {
      values++
      depth++
    } else if (sign === BRACE_END || sign === BRACKET_END) depth--
    if (values > most || depth > DEEPEST)
      throw new BadInput(
        'too-large',
        name,
        depth > DEEPEST ? `is nested deeper than ${DEEPEST}` : `holds more than ${most} values`,
      )
  }
}

const [QUOTE, BACKSLASH, COMMA] = [0x22, 0x5c, 0x2c]
const [BRACE, BRACE_END, BRACKET, BRACKET_END] = [0x7b, 0x7d, 0x5b, 0x5d]
