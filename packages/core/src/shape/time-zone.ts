import { BadInput } from './bad-input.js'
import { refine, text } from './shape.js'

/** Is it a time zone of the IANA database, as in “Europe/London”? */
export function isTimeZone(zone: string): boolean {
  try {
    return new Intl.DateTimeFormat('en-GB', { timeZone: zone }).resolvedOptions().timeZone !== ''
  } catch {
    return false
  }
}

export const timeZoneField = refine(text('IANA, as in Europe/London'), (zone, path) => {
  if (!isTimeZone(zone)) throw new BadInput('not-listed', path, `“${zone}” is no time zone`)
})
