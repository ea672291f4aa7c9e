import { create } from 'zustand'
import type { JobId, NewEntry, PersonId } from '@plumb-mark/core'
import { kept, putAway } from './on-device.js'

const KEY = 'plumb-mark-set-aside'

/** What the server did not take: whole, with its reason and whose it is, until somebody sends it again or discards it on purpose. */
export interface SetAside {
  jobId: JobId
  by: PersonId
  /** When it was refused, ISO 8601. */
  at: string
  entries: readonly NewEntry[]
  reason: string
}

interface Aside {
  list: readonly SetAside[]
  put: (one: SetAside) => void
  /** Takes it out, to be sent again or for good. */
  take: (one: SetAside) => void
}

const idOf = ({ entries }: SetAside) => entries[0]?.id

export const useSetAside = create<Aside>((set) => {
  const change = (next: (list: readonly SetAside[]) => readonly SetAside[]) => {
    // Another tab may have set something aside meanwhile: the device is asked, not the memory.
    const list = next(kept<SetAside>(KEY))
    putAway(KEY, list)
    set({ list })
  }
  return {
    list: kept<SetAside>(KEY),
    put: (one) => change((list) => [...list.filter((other) => idOf(other) !== idOf(one)), one]),
    take: (one) => change((list) => list.filter((other) => idOf(other) !== idOf(one))),
  }
})
