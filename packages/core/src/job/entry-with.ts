import type { EntryId, JobId } from '../ids/ids.js'
import type { Person } from './person.js'

/** An entry of a job, whatever its kind. Entries are appended, never changed. */
export interface EntryWith<B, K extends string = string> {
  /** Made by the client, UUID v7: a repeated send is harmless. */
  id: EntryId
  jobId: JobId
  kind: K
  /** When it happened, by the clock of the device, ISO 8601 with offset. */
  at: string
  body: B
  by: Person
  /** Place in the job, from 1. */
  seq: number
  /** Hash of the entry before, "" for the first. */
  prev: string
  hash: string
}
