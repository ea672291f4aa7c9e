import { dayWords, hourWords, whenWords } from '@plumb-mark/core'
import { useInspection } from './inspection.js'

/** The time zone of this device: that of the site as long as nobody said otherwise. */
export const hereZone = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone

export const whenHere = (at: string): string => whenWords(at, hereZone())
export const dayHere = (at: string): string => dayWords(at, hereZone())

/** How the open job says times: as on the clocks of its site. */
export function useSiteTime() {
  const zone = useInspection(({ inspection }) => inspection?.state.header?.timeZone) ?? hereZone()
  return {
    when: (at: string) => whenWords(at, zone),
    day: (at: string) => dayWords(at, zone),
    hour: (at: string) => hourWords(at, zone),
  }
}
