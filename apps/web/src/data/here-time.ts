import { dayWords, whenWords } from '@plumb-mark/core'

/** The time zone of this device: that of the site as long as nobody said otherwise. */
export const hereZone = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone

/** A browser that keeps Greenwich time, as one that hides where it is, says nothing of the site. */
const SAYS_NOTHING: ReadonlySet<string> = new Set(['UTC', 'Etc/UTC', 'Etc/GMT', 'GMT', 'Africa/Abidjan'])

/** The clocks of the place where this device is; undefined where it does not tell. */
export const siteZone = (zone = hereZone()): string | undefined =>
  SAYS_NOTHING.has(zone) ? undefined : zone

export const whenHere = (at: string): string => whenWords(at, hereZone())
export const dayHere = (at: string): string => dayWords(at, hereZone())
