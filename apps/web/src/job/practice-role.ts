import { useEffect } from 'react'
import { create } from 'zustand'
import type { JobId, Role } from '@plumb-mark/core'
import { useSession } from '../data/session.js'
import { forgetPractice, isPracticeJob } from '../offline/practice-job.js'
import { useInspection } from './inspection.js'

/** Who one is in the practice job: there one person inspects, puts right and signs. */
export const usePracticeRole = create<{ role: Role }>(() => ({ role: 'inspector' }))
export const practiseAs = (role: Role): void => usePracticeRole.setState({ role })

/**
 * While the practice job is open the person at this device has the role that is practised, here alone: no server gives it
 * to them. Answers with the role that counts in the open job.
 */
export function usePractisedRole(jobId: JobId | undefined): Role | undefined {
  const role = usePracticeRole((practice) => practice.role)
  const practising = isPracticeJob(jobId)
  useEffect(() => {
    const { person } = useSession.getState()
    if (!practising || !person) return
    useSession.setState({ person: { ...person, role } })
    return () => {
      // Whoever signed out meanwhile stays signed out.
      if (useSession.getState().person) useSession.setState({ person })
    }
  }, [practising, role])
  const own = useSession(({ person }) => person?.role)
  return practising ? role : own
}

/** The practice job as it was prepared, and oneself as the inspector. */
export function beginPracticeAgain(jobId: JobId): Promise<void> {
  forgetPractice()
  practiseAs('inspector')
  useInspection.setState({ jobId: undefined })
  return useInspection.getState().open(jobId)
}
