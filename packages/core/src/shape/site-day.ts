const MADE = new Map<string, Intl.DateTimeFormat>()

function formatter(zone: string): Intl.DateTimeFormat {
  const parts = { year: 'numeric', month: '2-digit', day: '2-digit' } as const
  const made = MADE.get(zone) ?? new Intl.DateTimeFormat('en-GB', { ...parts, timeZone: zone })
  MADE.set(zone, made)
  return made
}

/**
 * The day, YYYY-MM-DD, that a moment (RFC 3339) falls on where the site is: ten hours east the evening in Greenwich is the next morning. A
 * day stays the day that it is, and what is no time stays as it was written. Without a zone the day is that of Greenwich.
 */
export function siteDay(at: string, zone = 'UTC'): string {
  const moment = at.length > 10 ? Date.parse(at) : NaN
  if (Number.isNaN(moment)) return at.slice(0, 10)
  const found = Object.fromEntries(
    formatter(zone)
      .formatToParts(moment)
      .map(({ type, value }) => [type, value]),
  )
  return `${found['year']!.padStart(4, '0')}-${found['month']}-${found['day']}`
}
