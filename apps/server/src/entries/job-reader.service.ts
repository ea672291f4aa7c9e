import { setImmediate as turn } from 'node:timers/promises'
import { Injectable } from '@nestjs/common'
import { DataSource, In } from 'typeorm'
import { asEntry, toldPartsOf, type EntryRowValues } from '@plumb-mark/archive'
import {
  asTold,
  fold,
  type Entry,
  type EntryKind,
  type JobHeader,
  type JobId,
  type JobState,
  type Sheet,
  type ToldPart,
} from '@plumb-mark/core'
import { sqlOf } from '../database/sql-of.js'
import { notFound } from '../http/refused.js'
import { EntryRow } from './entry.entity.js'
import { textOf } from './entry-text.js'
import { ROWS_AT_ONCE, foldInTurns } from './fold-in-turns.js'
import { ForeignRecords, SheetLibrary, type JobPeople, type OpenRecord } from './ports.js'

/** The entries of a job and the sheets that it pins, not judged: what can be shown and exported whatever became of it. */
export interface JobRecord {
  /** As they were hashed. */
  entries: readonly Entry[]
  /** The same for reading: people of another installation are not ours. */
  told: readonly Entry[]
  state: JobState
  sheets: ReadonlyMap<string, Sheet>
  /** Where it is a record from elsewhere, kept beside our jobs. */
  foreign?: OpenRecord
}

/** What is kept of jobs, read as it was written: nothing is judged here, and nobody is asked who they are. */
@Injectable()
export class JobReader {
  constructor(
    private readonly db: DataSource,
    private readonly sheets: SheetLibrary,
    private readonly records: ForeignRecords,
  ) {}

  /** Every entry of a job, in order; of none that is not here. */
  async entriesOf(jobId: JobId): Promise<Entry[]> {
    const entries: Entry[] = []
    for await (const rows of this.rowsOf(jobId)) for (const row of rows) entries.push(asEntry(row))
    return entries
  }

  /** The entries of a job as the text that they are kept as, some hundred at a time; with whoever wrote elsewhere as told. */
  async *texts(jobId: JobId): AsyncGenerator<string[]> {
    const parts = await this.partsOf(jobId)
    for await (const rows of this.rowsOf(jobId)) yield rows.map((row) => textOf(row, parts))
  }

  /** The record of a job: ours, or one from elsewhere. Refused where there is neither. */
  async recordOf(jobId: JobId): Promise<JobRecord> {
    const entries = await this.entriesOf(jobId)
    return entries.length > 0 ? this.recordFrom(jobId, entries) : this.foreignRecord(jobId)
  }

  /** The record that these entries of a job make. */
  async recordFrom(jobId: JobId, entries: readonly Entry[]): Promise<JobRecord> {
    const told = await this.toldOf(jobId, entries)
    const state = await foldInTurns(told)
    return { entries, told, state, sheets: await this.sheets.pinnedBy(state.header) }
  }

  /** Entries for reading: who wrote them elsewhere is told apart from our people. */
  async toldOf(jobId: JobId, entries: readonly Entry[]): Promise<readonly Entry[]> {
    return asTold(entries, await this.partsOf(jobId))
  }

  /** The header of a job, without reading what was inspected. */
  async headerOf(jobId: JobId): Promise<JobHeader | undefined> {
    return fold(await this.ofKinds(jobId, HEADER_KINDS)).header
  }

  /** Who opened a job and with whom it is shared, without reading what was inspected. */
  async peopleOf(jobId: JobId): Promise<JobPeople> {
    return fold(await this.ofKinds(jobId, PEOPLE_KINDS))
  }

  /** The last entry of a job, or none. */
  async lastOf(jobId: JobId): Promise<Entry[]> {
    const rows = await this.db
      .getRepository(EntryRow)
      .find({ where: { jobId }, order: { seq: 'DESC' }, take: 1 })
    return rows.map(entryOf)
  }

  /** Those of these entries that are kept already, in whatever job. */
  async withIds(ids: readonly string[]): Promise<ReadonlyMap<string, Entry>> {
    const rows = await this.db.getRepository(EntryRow).findBy({ id: In([...ids]) })
    return new Map(rows.map((row) => [row.id, entryOf(row)]))
  }

  private async foreignRecord(id: string): Promise<JobRecord> {
    const row = await this.records.find(id)
    if (!row) throw notFound('job')
    const foreign = await this.records.read(row)
    const { entries, state, sheets } = foreign
    return { entries, told: entries, state, sheets, foreign }
  }

  private async *rowsOf(jobId: JobId): AsyncGenerator<EntryRowValues[]> {
    let after = 0
    for (;;) {
      const rows = await this.db.query<EntryRowValues[]>(
        'SELECT * FROM entries WHERE jobId = ? AND seq > ? ORDER BY seq LIMIT ?',
        [jobId, after, ROWS_AT_ONCE],
      )
      if (rows.length > 0) yield rows
      if (rows.length < ROWS_AT_ONCE) return
      after = rows.at(-1)!.seq as number
      // Others are answered between two parts of a long record.
      await turn()
    }
  }

  private async ofKinds(jobId: JobId, kinds: readonly EntryKind[]): Promise<Entry[]> {
    const rows = await this.db
      .getRepository(EntryRow)
      .find({ where: { jobId, kind: In([...kinds]) }, order: { seq: 'ASC' } })
    return rows.map(entryOf)
  }

  private async partsOf(jobId: JobId): Promise<ToldPart[]> {
    return toldPartsOf(sqlOf(this.db.manager), jobId)
  }
}

/** What says who may enter and the header of a job, and nothing of what was inspected. */
const PEOPLE_KINDS = ['job-opened', 'shared', 'unshared'] as const satisfies readonly EntryKind[]
const HEADER_KINDS = ['job-opened', 'job-amended', 'sheet-adopted'] as const satisfies readonly EntryKind[]

const entryOf = (row: EntryRow): Entry => asEntry(row satisfies EntryRowValues)
