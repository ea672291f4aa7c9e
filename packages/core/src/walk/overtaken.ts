import type { Evidence } from '../job/state.js'
import type { JudgedCheck } from './check.js'

/** What one person answered, and another answered at nearly the same moment: the later one counts. */
export interface Overtaken {
  judged: JudgedCheck
  mine: Evidence
  theirs: Evidence
}

/** ms; two who work side by side, not one who comes again. */
const SAME_MOMENT = 15 * 60 * 1000

/**
 * The checks at which somebody else answered within a quarter of an hour after this person, who cannot know it: their answer counts now, and
 * may say something else. One's own later answer settles it.
 */
export function overtakenOf(personId: string, checks: readonly JudgedCheck[]): Overtaken[] {
  return checks.flatMap((judged): Overtaken[] => {
    const counting = judged.history.filter(({ struck }) => !struck)
    const [mine, theirs] = counting.slice(-2)
    if (!mine || !theirs || mine.by.id !== personId || theirs.by.id === personId) return []
    return Date.parse(theirs.at) - Date.parse(mine.at) <= SAME_MOMENT ? [{ judged, mine, theirs }] : []
  })
}
