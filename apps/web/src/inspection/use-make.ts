import { useCallback } from 'react'
import { useSession } from '../account/session.js'
import { useSteps, type Change } from './steps.js'

/** Makes changes to what was built in the name of who is signed in; those of one call are undone together. */
export function useMake(): (...changes: Change[]) => void {
  const person = useSession((session) => session.person)
  const make = useSteps((steps) => steps.make)
  return useCallback((...changes) => person && make(person, ...changes), [make, person])
}
