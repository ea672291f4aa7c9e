const FORMATS = {
  when: { day: 'numeric', month: 'short', year: 'numeric', hour: '2-digit', minute: '2-digit' },
  day: { day: 'numeric', month: 'short', year: 'numeric' },
  hour: { hour: '2-digit', minute: '2-digit' },
  clock: { hour: '2-digit', minute: '2-digit', second: '2-digit' },
} as const satisfies Record<string, Intl.DateTimeFormatOptions>

const MADE = new Map<string, Intl.DateTimeFormat>()

function formatter(format: keyof typeof FORMATS, zone: string): Intl.DateTimeFormat {
  const key = `${format} ${zone}`
  const made = MADE.get(key) ?? new Intl.DateTimeFormat('en-GB', { ...FORMATS[format], timeZone: zone })
  MADE.set(key, made)
  return made
}

/** A moment in words, in the time zone of the site; what cannot be read as one stands as it was written. */
const said =
  (format: keyof typeof FORMATS) =>
  (at: string, zone = 'UTC'): string => {
    const moment = Date.parse(at)
    return Number.isNaN(moment) ? at : formatter(format, zone).format(moment)
  }

/** “27 Nov 2026, 15:25” */
export const whenWords = said('when')
/** “27 Nov 2026” */
export const dayWords = said('day')
/** “15:25” */
export const hourWords = said('hour')
/** “15:25:07” */
export const clockWords = said('clock')
