import { IsIn } from 'class-validator'
import type { Signer } from '@plumb-mark/core'
import { Filled } from '../http/fields.js'

export class ImportDto {
  /** Worked on here, where its signer is known; or kept beside our jobs, to be read only. */
  @IsIn(['job', 'record']) as!: 'job' | 'record'
}

/** Accepts the installation that signed what arrived, under the name that it shall have here. */
export class AcceptInstallationDto {
  @Filled(120) name!: string
}

/** An entry in the comparison of two chains. */
export interface EntryLine {
  seq: number
  at: string
  by: string
  kind: string
}

/** What a ZIP would change, before it does. */
export interface ImportPreview {
  id: string
  jobId: string
  number: string
  title: string
  site: string
  entries: number
  photos: number
  traces: number
  sealed: boolean
  people: string[]
  /** Whose word stands in it for where the record ends. */
  signer: Signer
  meeting:
    | { kind: 'new' | 'same' }
    | { kind: 'older'; missing: number }
    | { kind: 'extends'; added: EntryLine[] }
    | { kind: 'fork'; at: number; here: EntryLine[]; there: EntryLine[] }
  /** What is wrong with it, in words; it is then not imported. */
  faults: string[]
  /** Fields in entries that this program does not know: of a newer one. */
  unread: string[]
  /** Why it cannot be worked on here. */
  obstacle?: string
}

/** Where a record that was taken can be opened. */
export interface Imported extends ImportPreview {
  openAs: string
}

/** A record from elsewhere that is kept to be read. */
export interface RecordKept {
  id: string
  jobId: string
  number: string
  title: string
  site: string
  entries: number
  sealed: boolean
  signer: Signer
  openedAt: string
  openedBy: string
}

/** A kept record as a list of links names it. */
export type RecordNamed = Pick<RecordKept, 'id' | 'number' | 'title'>

/** How many jobs of invented sites come with the program, and which of them were added to look round in. */
export interface SampleRecords {
  count: number
  here: RecordNamed[]
}

/** Our keys, by their fingerprints, and the installations whose word is accepted. */
export interface Installations {
  own: string
  former: { key: string; until: string }[]
  /** Another key stands here than before, and nobody has said yet that it is right. */
  warning?: string
  accepted: { id: string; key: string; name: string; acceptedAt: string; acceptedBy: string }[]
}
