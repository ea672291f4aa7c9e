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
  const asked = `${zone} ${at}`
  const known = DAYS.get(asked)
  if (known !== undefined) return known
  if (DAYS.size >= MOST_DAYS) DAYS.clear()
  const day = dayAt(at, zone)
  DAYS.set(asked, day)
  return day
}

/** With every key the days of the same readings are asked for again, and a calendar is slow to ask. */
const DAYS = new Map<string, string>()
const MOST_DAYS = 5000

function dayAt(at: string, zone: string): string {
  const moment = at.length > 10 ? Date.parse(at) : NaN
  if (Number.isNaN(moment)) return at.slice(0, 10)
  const found = Object.fromEntries(
    formatter(zone)
      .formatToParts(moment)
      .map(({ type, value }) => [type, value]),
  )
  return `${found['year']!.padStart(4, '0')}-${found['month']}-${found['day']}`
}

const HOUR_MS = 3_600_000
/** Later than any moment that can be written with four figures for its year. */
const LAST_MOMENT = '9999-12-31T23:59:59.999Z'

/**
 * The moment (RFC 3339, UTC) at which a day, YYYY-MM-DD, is over where the site is: the first that no longer falls on it, to the minute. A
 * night in which clocks are set ends when the next day begins. Without a zone the day is that of Greenwich; the last day of all ends with it.
 */
export function endOfSiteDay(day: string, zone = 'UTC'): string {
  const over = Date.parse(day) + 24 * HOUR_MS
  if (!(over < Date.parse(LAST_MOMENT) - 24 * HOUR_MS)) return LAST_MOMENT
  // Nowhere is the clock further from Greenwich; days follow one another, so that half of what is left is left out each time.
  let [still, past] = [over - 15 * HOUR_MS, over + 15 * HOUR_MS]
  while (past - still > 60_000) {
    const middle = still + Math.floor((past - still) / 120_000) * 60_000
    if (siteDay(new Date(middle).toISOString(), zone) > day) past = middle
    else still = middle
  }
  return new Date(past).toISOString()
}
