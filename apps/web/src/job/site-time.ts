import { dayWords, hourWords, siteDay, whenWords } from '@plumb-mark/core'
import { hereZone } from '../data/here-time.js'
import { useInspection } from './inspection.js'

/** The zone of the site, where the job names one: its readings are judged by the days there. */
export const useSiteZone = (): string | undefined =>
  useInspection(({ inspection }) => inspection?.state.header?.timeZone)

/** How the open job says times: as on the clocks of its site. */
export function useSiteTime() {
  const zone = useSiteZone() ?? hereZone()
  return {
    when: (at: string) => whenWords(at, zone),
    day: (at: string) => dayWords(at, zone),
    /** The day that it is at the site now, as 2026-06-01. */
    today: () => siteDay(new Date().toISOString(), zone),
    hour: (at: string) => hourWords(at, zone),
  }
}
