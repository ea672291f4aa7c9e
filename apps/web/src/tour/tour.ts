import { create } from 'zustand'
import { STOPS, type Stop } from './steps.js'

const KEY = 'plumb-mark-tour'

interface Tour {
  /** Which stop it stands at; undefined while nobody is on it. */
  at: number | undefined
  begin(): void
  go(to: number): void
  end(): void
}

function keptAt(): number | undefined {
  const kept = Number(localStorage.getItem(KEY) ?? 'none')
  return Number.isInteger(kept) && kept >= 0 && kept < STOPS.length ? kept : undefined
}

/** The tour of the program; a device remembers where one stood. */
export const useTour = create<Tour>((set) => {
  const stand = (at: number | undefined) => {
    if (at === undefined) localStorage.removeItem(KEY)
    else localStorage.setItem(KEY, String(at))
    set({ at })
  }
  return { at: keptAt(), begin: () => stand(0), go: stand, end: () => stand(undefined) }
})

/** The stops that can be gone to: without a job those of a job are left out. */
export const stopsFor = (jobId: string | undefined): readonly Stop[] =>
  STOPS.filter(({ ofJob }) => jobId !== undefined || !ofJob)
