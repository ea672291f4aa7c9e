import { useCallback } from 'react'
import { useSession } from '../data/session.js'
import type { Change } from '@plumb-mark/core'
import { useSteps } from './steps.js'

/** Makes changes to what was built in the name of who is signed in; those of one call are undone together. */
export function useMake(): (...changes: Change[]) => boolean {
  const person = useSession((session) => session.person)
  const make = useSteps((steps) => steps.make)
  return useCallback((...changes) => (person ? make(person, ...changes) : false), [make, person])
}
