import { create } from 'zustand'
import type { SignedIn } from '@plumb-mark/contract'
import type { Person } from '@plumb-mark/core'
import { ApiError, get } from './api.js'

interface Session {
  /** Undefined until the server has been asked; null when nobody is signed in. */
  person: Person | null | undefined
  /** The server does not know the session any more: what waits is sent after signing in again. */
  ended: boolean
  /** Says that the session has ended, or goes to sign in again. */
  end(): void
  signInAgain(): void
  ask(): Promise<void>
}

/** Who is signed in, as the server knows it. Signing in and out also clears the device: `offline/sign-in.ts`. */
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
}))
