import { setImmediate as turn } from 'node:timers/promises'
import { applied, fold, type Entry, type JobState } from '@plumb-mark/core'

/** As many entries as are read or folded without others being answered in between: some milliseconds. */
export const ROWS_AT_ONCE = 150

/** Folds a long record in parts, between which others are answered. */
export async function foldInTurns(entries: readonly Entry[]): Promise<JobState> {
  let state = fold(entries.slice(0, ROWS_AT_ONCE))
  for (let i = ROWS_AT_ONCE; i < entries.length; i += ROWS_AT_ONCE) {
    await turn()
    state = applied(state, entries.slice(i, i + ROWS_AT_ONCE))
  }
  return state
}
