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
  /** The last place in the job that had reached this device by then; undefined where an earlier version kept it. */
  after?: number
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

/** What an earlier version kept and nobody can read any more: kept as it is, never thrown away by the program. */
export interface Unread {
  key: string
  text: string
}

/** What this device keeps: it survives a reload, a closed browser and a day without signal. */
class DeviceDatabase extends Dexie {
  batches!: EntityTable<Batch, 'n'>
  aside!: EntityTable<SetAside, 'id'>
  photos!: EntityTable<WaitingPhoto, 'id'>
  jobs!: EntityTable<KeptJob, 'id'>
  later!: EntityTable<LaterEntry, 'id'>
  unread!: EntityTable<Unread, 'key'>

  constructor() {
    super('plumb-mark')
    this.version(1).stores({
      batches: '++n, jobId, by',
      aside: 'id, by',
      photos: 'id, jobId, by',
      jobs: 'id, usedAt',
      later: 'id, jobId',
    })
    this.version(2).stores({ unread: 'key' })
    this.on('populate', () => this.takeOver())
  }

  /** What versions before this one kept in the local storage; it is removed there when it is here. */
  private async takeOver(): Promise<void> {
    const read = keptBefore()
    for (const key of read) {
      const text = localStorage.getItem(key) ?? '[]'
      const list = listIn(text)
      const aside = key === OLD_ASIDE
      const taken = list.map((one) => (aside ? asideOf(one) : batchOf(one, key.slice(OLD_OUTBOX.length))))
      if (list.length === 0 ? text.trim() !== '[]' : taken.includes(undefined))
        await this.unread.put({ key, text })
      const whole = taken.filter((one) => one !== undefined)
      if (aside) await this.aside.bulkPut(whole as SetAside[])
      else await this.batches.bulkAdd(whole as Batch[])
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

const isEntry = (one: unknown): one is NewEntry => typeof (one as NewEntry | null)?.id === 'string'
const areEntries = (list: unknown): list is NewEntry[] =>
  Array.isArray(list) && list.length > 0 && list.every(isEntry)

/** Named nobody in the oldest form: whoever opens the tablet then sends it, as before. Undefined where it cannot be read. */
function batchOf(one: unknown, jobId: JobId): Batch | undefined {
  if (areEntries(one)) return { jobId, by: '', entries: one }
  const named = one as { by?: string; entries?: unknown } | null
  if (areEntries(named?.entries)) return { jobId, by: named.by ?? '', entries: named.entries }
  return isEntry(one) ? { jobId, by: '', entries: [one] } : undefined
}

function asideOf(one: unknown): SetAside | undefined {
  const named = one as Omit<SetAside, 'id'> | null
  return areEntries(named?.entries) ? { ...named, id: named.entries[0]!.id } : undefined
}

export const device = new DeviceDatabase()
