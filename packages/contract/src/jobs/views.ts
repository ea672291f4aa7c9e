import type { Entry, Instrument, Owed, Person, Sheet, Signer } from '@plumb-mark/core'

/** A job in the list: what it is waiting for, not a percentage. */
export interface JobSummary {
  id: string
  number: string
  title: string
  site: string
  customer: string
  waitingFor: string
  /** The same as data, to sort and to count by. */
  owed: Owed[]
  /** Why it could not be judged; the other figures then say nothing. */
  problem?: string
  sealed: boolean
  /** Put away from the lists by the office. */
  archived: boolean
  /** Open defects by severity, `stop` first. */
  open: { stop: number; major: number; minor: number; note: number }
  /** Checks without an answer, by stage. */
  left: Record<string, number>
  changedAt: string
  /** The day by which it is to be inspected. */
  due?: string | undefined
  /** That day is over where the site is, and the job is not signed. */
  overdue?: true
}

/** Everything that the workspace loads when a job is opened. */
export interface JobBundle {
  id: string
  entries: Entry[]
  sheets: Sheet[]
  instruments: Instrument[]
  /** What is broken in a sealed record; empty for one that is open or intact. */
  broken: string[]
  /** Of the key that signed this record; for one that is open, of the key with which this installation would. */
  keyFingerprint: string
  /** Who that is, where it is not this installation. */
  signer?: Signer
  /** Why nothing is added to it here; absent where it takes entries. */
  readOnly?: string
}

/** Answer to an append: the entries as they now stand in the chain. */
export interface Appended {
  entries: Entry[]
  /** How far the clock of the device is ahead of the server's, ms; negative when it is behind. */
  clockAhead: number
}

export interface SignedIn {
  /** As the office keeps it with the account. */
  licence?: string
  person: Person
}

export interface PhotoKept {
  id: string
  sha256: string
  width: number
  height: number
}

/** How much of a photo that is sent in parts the server has; when it is all of it, the photo as it is kept. */
export interface PhotoPart {
  have: number
  kept?: PhotoKept
}

/** What the photos of a job take, and may take, in bytes. */
export interface PhotoRoom {
  count: number
  bytes: number
  quota: number
}
