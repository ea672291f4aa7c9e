import { IsIn } from 'class-validator'

export class ImportDto {
  /** Continued here, or kept to be read only. */
  @IsIn(['job', 'record']) as!: 'job' | 'record'
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
  key?: { fingerprint: string; ours: boolean }
  meeting:
    | { kind: 'new' | 'same' }
    | { kind: 'older'; missing: number }
    | { kind: 'extends'; added: EntryLine[] }
    | { kind: 'fork'; at: number; here: EntryLine[]; there: EntryLine[] }
  /** What is wrong with it; it is then not imported. */
  faults: string[]
  obstacle?: string
}
