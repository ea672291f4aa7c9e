import Dexie, { type EntityTable } from 'dexie'
import type { JobBundle } from '@plumb-mark/contract'
import type { Entry, JobId, NewEntry, PersonId, PhotoId } from '@plumb-mark/core'

/** Entries of one step, which are kept all or none; what waits belongs to the person who entered it. */
export interface Batch {
  /** In the order in which they were entered on this device. */
  n?: number
  jobId: JobId
  by: PersonId
  entries: readonly NewEntry[]
}

/** What the server did not take: whole, with its reason and whose it is, until somebody sends it again or discards it on purpose. */
export interface SetAside {
  /** Of its first entry. */
  id: string
  jobId: JobId
  by: PersonId
  /** When it was refused, ISO 8601. */
  at: string
  entries: readonly NewEntry[]
  reason: string
  code?: string
}

/** A photo that the server does not have yet. */
export interface WaitingPhoto {
  id: PhotoId
  jobId: JobId
  by: PersonId
  sha256: string
  bytes: Uint8Array
  type: string
  takenAt: string
}

/** A job as it was when the server last gave it. */
export interface KeptJob {
  id: JobId
  number: string
  title: string
  bundle: JobBundle
  /** When it was fetched, and when it was opened last, ISO 8601. */
  fetchedAt: string
  usedAt: string
  /** Taken along on purpose: stays until it is let go. */
  chosen: boolean
  bytes: number
}

/** An entry that the server has, and that came after the job was fetched. */
export interface LaterEntry {
  id: string
  jobId: JobId
  entry: Entry
}

/** What this device keeps: it survives a reload, a closed browser and a day without signal. */
class DeviceDatabase extends Dexie {
  batches!: EntityTable<Batch, 'n'>
  aside!: EntityTable<SetAside, 'id'>
  photos!: EntityTable<WaitingPhoto, 'id'>
  jobs!: EntityTable<KeptJob, 'id'>
  later!: EntityTable<LaterEntry, 'id'>

  constructor() {
    super('plumb-mark')
    this.version(1).stores({
      batches: '++n, jobId, by',
      aside: 'id, by',
      photos: 'id, jobId, by',
      jobs: 'id, usedAt',
      later: 'id, jobId',
    })
    this.on('populate', () => this.takeOver())
  }

  /** What versions before this one kept in the local storage; it is removed there when it is here. */
  private async takeOver(): Promise<void> {
    const read = keptBefore()
    for (const key of read) {
      const list = listIn(localStorage.getItem(key))
      if (key === OLD_ASIDE)
        await this.aside.bulkPut(
          (list as Omit<SetAside, 'id'>[]).map((one) => ({ ...one, id: one.entries[0]!.id })),
        )
      else if (key.startsWith(OLD_OUTBOX))
        await this.batches.bulkAdd(list.map((one) => batchOf(one, key.slice(OLD_OUTBOX.length))))
    }
    this.on('ready', () => read.forEach((key) => localStorage.removeItem(key)))
  }
}

const OLD_OUTBOX = 'plumb-mark-outbox-'
const OLD_ASIDE = 'plumb-mark-set-aside'

/** Entries alone: how somebody likes the screen stays where it is. A browser that keeps nothing may refuse even to be asked. */
function keptBefore(): string[] {
  try {
    return Object.keys(localStorage).filter((key) => key === OLD_ASIDE || key.startsWith(OLD_OUTBOX))
  } catch {
    return []
  }
}

function listIn(text: string | null): unknown[] {
  try {
    const read: unknown = JSON.parse(text ?? '[]')
    return Array.isArray(read) ? read : []
  } catch {
    return []
  }
}

/** Named nobody in the oldest form: whoever opens the tablet then sends it, as before. */
function batchOf(one: unknown, jobId: JobId): Batch {
  if (Array.isArray(one)) return { jobId, by: '', entries: one as NewEntry[] }
  const named = one as { by?: string; entries?: NewEntry[] }
  return named.entries
    ? { jobId, by: named.by ?? '', entries: named.entries }
    : { jobId, by: '', entries: [one as NewEntry] }
}

export const device = new DeviceDatabase()
