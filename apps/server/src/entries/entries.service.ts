import { Injectable } from '@nestjs/common'
import { DataSource, In, type EntityManager } from 'typeorm'
import {
  WEIGHED_BY,
  admit,
  canonicalJson,
  fold,
  inspect,
  linked,
  type Entry,
  type EntryKind,
  type Inspection,
  type JobHeader,
  type JobState,
  type NewEntry,
  type Person,
  type PhotoRef,
  type Sheet,
} from '@plumb-mark/core'
import { sha256 } from '../database/digest.js'
import { PhotoRow } from '../evidence/photo.entity.js'
import { Refused, notFound } from '../http/refused.js'
import { PerKeyQueue } from '../http/per-key-queue.js'
import { InstrumentsService } from '../instruments/instruments.service.js'
import { JobPersonRow, JobRow, JobSheetRow } from '../jobs/job.entities.js'
import { SheetsService } from '../sheets/sheets.service.js'
import { EntryRow } from './entry.entity.js'

/** The entries of a job as they stand, and what they come to. */
export interface OpenJob {
  entries: readonly Entry[]
  inspection: Inspection
}

/** Keeps what is appended to jobs. All writing to a job goes through `append`, one after the other. */
@Injectable()
export class EntriesService {
  private readonly queue = new PerKeyQueue()
  private readonly open = new Map<string, OpenJob>()

  constructor(
    private readonly db: DataSource,
    private readonly sheets: SheetsService,
    private readonly instruments: InstrumentsService,
  ) {}

  /** A job that this person may see; an installer sees only what is shared with them. */
  async jobFor(person: Person, jobId: string): Promise<OpenJob> {
    await this.requireVisible(person, jobId)
    return this.load(jobId)
  }

  async requireVisible(person: Person, jobId: string): Promise<void> {
    const seen =
      person.role === 'installer'
        ? await this.db.getRepository(JobPersonRow).existsBy({ jobId, personId: person.id })
        : await this.db.getRepository(JobRow).existsBy({ id: jobId })
    if (!seen) throw notFound('job')
  }

  /**
   * Appends entries in their order, all or none. An entry that is here already, word for word, is answered as it was kept: sending twice
   * is harmless. What core does not admit is refused with its code, and nothing of the batch is kept.
   */
  async append(person: Person, jobId: string, entries: readonly NewEntry[]): Promise<Entry[]> {
    return this.queue.run(jobId, async () => {
      if (entries[0]?.kind !== 'job-opened') await this.requireVisible(person, jobId)
      const before = await this.load(jobId)
      const batch = new Batch(before, (state) => this.sheets.pinnedBy(state.header))
      const answer: Entry[] = []
      const fresh: Entry[] = []
      const here = await this.hereAlready(entries)
      for (const entry of entries) {
        const kept = keptAlready(entry, here.get(entry.id), person, jobId)
        if (kept) {
          answer.push(kept)
          continue
        }
        await this.requireAdmitted(entry, person, jobId, await batch.weighedFor(entry.kind))
        const link = linked(entry, jobId, person, batch.last, sha256)
        batch.add(link)
        fresh.push(link)
        answer.push(link)
      }
      if (fresh.length > 0) {
        await this.db.transaction((transaction) => keep(transaction, jobId, fresh))
        this.open.set(jobId, await this.judged(batch.entries))
      }
      return answer
    })
  }

  private async load(jobId: string): Promise<OpenJob> {
    const before = this.open.get(jobId)
    if (before) return before
    const rows = await this.db.getRepository(EntryRow).find({ where: { jobId }, order: { seq: 'ASC' } })
    const job = await this.judged(rows.map(asEntry))
    if (rows.length > 0) this.open.set(jobId, job)
    return job
  }

  private async judged(entries: readonly Entry[]): Promise<OpenJob> {
    const state = fold(entries)
    return { entries, inspection: inspect(state, await this.sheets.pinnedBy(state.header)) }
  }

  private async hereAlready(entries: readonly NewEntry[]): Promise<ReadonlyMap<string, Entry>> {
    const rows = await this.db.getRepository(EntryRow).findBy({ id: In(entries.map(({ id }) => id)) })
    return new Map(rows.map((row) => [row.id, asEntry(row)]))
  }

  private async requireAdmitted(
    entry: NewEntry,
    person: Person,
    jobId: string,
    inspection: Inspection,
  ): Promise<void> {
    const answer = admit(entry, person.role, inspection)
    if (!answer.ok) throw new Refused(409, answer.code, answer.message)
    if ('photos' in entry.body && entry.body.photos) await this.requirePhotos(entry.body.photos, jobId)
    if ('instrument' in entry.body && entry.body.instrument)
      await this.instruments.requireSame(entry.body.instrument)
    if (entry.kind === 'job-opened') await this.requireOpenable(entry.body)
    if (entry.kind === 'sheet-adopted') await this.sheets.requirePinnable([entry.body.sheet])
  }

  private async requireOpenable({ number, sheets }: JobHeader): Promise<void> {
    if (await this.db.getRepository(JobRow).existsBy({ number }))
      throw new Refused(409, 'number-taken', `another job has the number ${number} already`, 'number')
    await this.sheets.requirePinnable(sheets)
  }

  private async requirePhotos(photos: readonly PhotoRef[], jobId: string): Promise<void> {
    for (const { id, sha256: digest } of photos) {
      const kept = await this.db.getRepository(PhotoRow).existsBy({ id, jobId, sha256: digest })
      if (!kept) throw new Refused(409, 'unknown-photo', 'send the photo before the entry that shows it')
    }
  }
}

/** The entry as it was kept before, when this is the same word for word. */
function keptAlready(
  entry: NewEntry,
  kept: Entry | undefined,
  person: Person,
  jobId: string,
): Entry | undefined {
  if (!kept) return undefined
  const same =
    kept.jobId === jobId &&
    kept.by.id === person.id &&
    canonicalJson({ kind: kept.kind, at: kept.at, body: kept.body }) ===
      canonicalJson({ kind: entry.kind, at: entry.at, body: entry.body })
  if (!same) throw new Refused(409, 'id-reused', 'another entry has this id already')
  return kept
}

/** A job while a batch is appended to it: judged again only when the next entry is weighed by something that the last ones changed. */
class Batch {
  entries: readonly Entry[]
  private inspection: Inspection
  private behind: 'nothing' | 'outcomes' | 'points' = 'nothing'

  constructor(
    before: OpenJob,
    private readonly sheetsFor: (state: JobState) => Promise<ReadonlyMap<string, Sheet>>,
  ) {
    this.entries = before.entries
    this.inspection = before.inspection
  }

  get last(): Entry | undefined {
    return this.entries.at(-1)
  }

  async weighedFor(kind: EntryKind): Promise<Inspection> {
    const wanted = WEIGHED_BY[kind]
    const enough =
      this.behind === 'nothing' || wanted === 'state' || (wanted === 'points' && this.behind === 'outcomes')
    if (enough) return this.inspection
    const { state } = this.inspection
    this.inspection = inspect(state, await this.sheetsFor(state))
    this.behind = 'nothing'
    return this.inspection
  }

  add(entry: Entry): void {
    this.entries = [...this.entries, entry]
    this.inspection = { ...this.inspection, state: fold(this.entries) }
    // What is built makes points; evidence and defects only change what comes of them.
    this.behind = WEIGHED_BY[entry.kind] === 'state' || this.behind === 'points' ? 'points' : 'outcomes'
  }
}

/** Entries, and the rows that follow from them, in one transaction. */
async function keep(transaction: EntityManager, jobId: string, entries: readonly Entry[]): Promise<void> {
  const [first] = entries
  if (first?.kind === 'job-opened')
    await transaction.insert(JobRow, {
      id: jobId,
      number: first.body.number,
      changedAt: first.at,
      sealedAt: null,
    })
  for (let i = 0; i < entries.length; i += ROWS_AT_ONCE)
    await transaction.insert(
      EntryRow,
      entries
        .slice(i, i + ROWS_AT_ONCE)
        .map((entry) => ({ ...entry, by: canonicalJson(entry.by), body: canonicalJson(entry.body) })),
    )
  for (const entry of entries) {
    const pinned =
      entry.kind === 'job-opened'
        ? entry.body.sheets
        : entry.kind === 'sheet-adopted'
          ? [entry.body.sheet]
          : []
    if (pinned.length > 0)
      await transaction.upsert(
        JobSheetRow,
        pinned.map(({ id }) => ({ jobId, sheetId: id })),
        ['jobId', 'sheetId'],
      )
    if (entry.kind === 'shared')
      await transaction.upsert(JobPersonRow, { jobId, personId: entry.body.person.id }, ['jobId', 'personId'])
    if (entry.kind === 'signed') await transaction.update(JobRow, { id: jobId }, { sealedAt: entry.at })
  }
  await transaction.update(JobRow, { id: jobId }, { changedAt: new Date().toISOString() })
}

/** Below what one statement of the database may carry. */
const ROWS_AT_ONCE = 100

function asEntry(row: EntryRow): Entry {
  return {
    id: row.id,
    jobId: row.jobId,
    seq: row.seq,
    kind: row.kind,
    at: row.at,
    by: JSON.parse(row.by),
    body: JSON.parse(row.body),
    prev: row.prev,
    hash: row.hash,
  } as Entry
}
