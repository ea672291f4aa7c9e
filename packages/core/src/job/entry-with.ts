import type { EntryId, JobId } from '../ids/ids.js'
import type { Person } from './person.js'

/** An entry of a job, whatever its kind. Entries are appended, never changed. */
export interface EntryWith<B, K extends string = string> {
  /** Made by the client, UUID v7: a repeated send is harmless. */
  id: EntryId
  jobId: JobId
  kind: K
  /** When it happened, RFC 3339: the clock of the device as the server corrected it, and never later than it was received. */
  at: string
  /** What the clock of the device said, where that was another time. */
  said?: string
  /** When the server received it, by its own clock. */
  received?: string
  body: B
  by: Person
  /** Place in the job, from 1. */
  seq: number
  /** Hash of the entry before, "" for the first. */
  prev: string
  hash: string
}
