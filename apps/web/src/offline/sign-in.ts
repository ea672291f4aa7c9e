import type { SignedIn } from '@plumb-mark/contract'
import { post } from '../data/api.js'
import { useSession } from '../data/session.js'
import { forgetJobs } from './kept-jobs.js'
import { PHOTO_CACHE } from './photos.js'
import { forgetPractice } from './practice-job.js'

/** Whose opened jobs are on this device. */
const OWNER = 'plumb-mark-owner'

export async function signIn(email: string, password: string): Promise<void> {
  const { person } = await post<SignedIn>('/api/session', { email, password })
  // Whoever was here before may have left without signing out.
  if (localStorage.getItem(OWNER) !== person.id) await forgetData()
  localStorage.setItem(OWNER, person.id)
  useSession.setState({ person, ended: false })
}

/** Out on this device, also where the server cannot be told. */
export async function signOut(): Promise<void> {
  await post('/api/session/end').catch(() => undefined)
  await forgetData()
  useSession.setState({ person: null })
}

/** What was opened is kept for work without signal; whoever opens the tablet next finds none of it. */
async function forgetData(): Promise<void> {
  forgetPractice()
  await forgetJobs()
  if (typeof caches === 'undefined') return
  await Promise.all(
    ['plumb-mark-data', 'plumb-mark-clippings', PHOTO_CACHE].map((name) => caches.delete(name)),
  )
}
