import { create } from 'zustand'
import type { SignedIn } from '@plumb-mark/contract'
import type { Person } from '@plumb-mark/core'
import { forgetJobs } from '../store/kept-jobs.js'
import { PHOTO_CACHE } from '../store/photos.js'
import { ApiError, get, post } from '../http/api.js'

interface Session {
  /** Undefined until the server has been asked; null when nobody is signed in. */
  person: Person | null | undefined
  /** The server does not know the session any more: what waits is sent after signing in again. */
  ended: boolean
  /** Says that the session has ended, or goes to sign in again. */
  end(): void
  signInAgain(): void
  ask(): Promise<void>
  signIn(email: string, password: string): Promise<void>
  signOut(): Promise<void>
}

/** Whose opened jobs are on this device. */
const OWNER = 'plumb-mark-owner'

export const useSession = create<Session>((set) => ({
  person: undefined,
  ended: false,
  end: () => set({ ended: true }),
  signInAgain: () => set({ person: null }),
  async ask() {
    try {
      set({ person: (await get<SignedIn>('/api/session')).person })
    } catch (problem) {
      if (!(problem instanceof ApiError)) throw problem
      set({ person: null })
    }
  },
  async signIn(email, password) {
    const { person } = await post<SignedIn>('/api/session', { email, password })
    // Whoever was here before may have left without signing out.
    if (localStorage.getItem(OWNER) !== person.id) await forgetData()
    localStorage.setItem(OWNER, person.id)
    set({ person, ended: false })
  },
  async signOut() {
    await post('/api/session/end').catch(() => undefined)
    await forgetData()
    set({ person: null })
  },
}))

/** What was opened is kept for work without signal; whoever opens the tablet next finds none of it. */
async function forgetData(): Promise<void> {
  await forgetJobs()
  if (typeof caches === 'undefined') return
  await Promise.all(['plumb-mark-data', PHOTO_CACHE].map((name) => caches.delete(name)))
}
