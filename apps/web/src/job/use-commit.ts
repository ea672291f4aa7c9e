import { useCallback } from 'react'
import { useSession } from '../data/session.js'
import type { Change } from '@plumb-mark/core'
import { useUndoHistory } from './undo-history.js'

/** Makes changes to what was built in the name of who is signed in; those of one call are undone together. */
export function useCommit(): (...changes: Change[]) => boolean {
  const person = useSession((session) => session.person)
  const commit = useUndoHistory((steps) => steps.commit)
  return useCallback((...changes) => (person ? commit(person, ...changes) : false), [commit, person])
}
