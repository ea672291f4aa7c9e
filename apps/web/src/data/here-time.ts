import { dayWords, whenWords } from '@plumb-mark/core'

/** The time zone of this device: that of the site as long as nobody said otherwise. */
export const hereZone = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone

export const whenHere = (at: string): string => whenWords(at, hereZone())
export const dayHere = (at: string): string => dayWords(at, hereZone())
