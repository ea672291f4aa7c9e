import { setImmediate as turn } from 'node:timers/promises'
import { Injectable } from '@nestjs/common'
import { LRUCache } from 'lru-cache'
import { filter, from, map, merge, Subject, takeWhile, type Observable } from 'rxjs'
import { DataSource, In, IsNull, Not, type EntityManager } from 'typeorm'
import {
  asEntry,
  sha256,
  toldPartsOf,
  writeEntries,
  type EntryRowValues,
  type RecordRowValues,
} from '@plumb-mark/archive'
import {
  asTold,
  canonicalJson,
  clockAhead,
  correctedTimes,
  fold,
  inspect,
  linked,
  type Entry,
  type EntryKind,
  type JobHeader,
  type JobId,
  type JobState,
  type NewEntry,
  type Person,
  type Sheet,
  type ToldPart,
} from '@plumb-mark/core'
import type { Appended, SentBeside } from '@plumb-mark/contract'
import { sqlOf } from '../database/sql-of.js'
import { Writer } from '../database/writer.js'
import { Refused, notFound } from '../http/refused.js'
import { whileStill } from '../http/while-still.js'
import { PerKeyQueue } from '../http/per-key-queue.js'
import { Batch, type OpenJob } from './batch.js'
import { EntryRow } from './entry.entity.js'
import { textOf } from './entry-text.js'
import { ROWS_AT_ONCE, foldInTurns } from './fold-in-turns.js'
import { JobPersonRow, JobRow } from './job.entities.js'
import {
  Attestor,
  EntryGuard,
  EntryProjections,
  ForeignRecords,
  SheetLibrary,
  type AppendedToJob,
  type JobPeople,
  type OpenRecord,
} from './ports.js'

export type { OpenJob } from './batch.js'

/** A job of some hundred checks takes about two megabytes while it is open. */
const MOST_OPEN = 60
/** Checks and entries of all open jobs together: some five kilobytes each. A job of many thousand is open nearly alone. */
const MOST_HELD = 32_000
/** A batch of more than this keeps everybody waiting: such batches go one after the other, and others are answered between them. */
const LARGE_BATCH = 20

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

/** Keeps what is appended to jobs. All writing to a job goes through `append`, one after the other. */
@Injectable()
export class EntriesService {
  private readonly queue = new PerKeyQueue()
  private readonly large = new PerKeyQueue()
  private readonly kept = new Subject<{ jobId: JobId; entries: readonly Entry[] }>()
  /** Those that were used last; others are opened again when they are wanted. */
  private readonly open = new LRUCache<string, OpenJob>({
    max: MOST_OPEN,
    maxSize: MOST_HELD,
    // One that is larger than all the room is still held, alone, while it is worked on.
    sizeCalculation: ({ entries, inspection }) =>
      Math.min(MOST_HELD, entries.length + inspection.checks.length + 1),
  })

  constructor(
    private readonly db: DataSource,
    private readonly writer: Writer,
    private readonly sheets: SheetLibrary,
    private readonly guard: EntryGuard,
    private readonly key: Attestor,
    private readonly records: ForeignRecords,
    private readonly projections: EntryProjections,
  ) {}

  /** What a job is called, without reading it; its row where it is a record from elsewhere. */
  async named(
    person: Person,
    jobId: JobId,
  ): Promise<{ number: string; title: string; foreign?: RecordRowValues }> {
    await this.requireVisible(person, jobId)
    const [named] = await this.db.query<{ number: string; title: string }[]>(
      'SELECT number, title FROM job_summaries WHERE jobId = ?',
      [jobId],
    )
    if (named) return named
    const foreign = await this.records.find(jobId)
    return foreign ? { number: foreign.number, title: foreign.title, foreign } : { number: '', title: '' }
  }

  /** A job that this person may see, judged; an installer sees only what is shared with them. */
  async jobFor(person: Person, jobId: JobId): Promise<OpenJob> {
    await this.requireVisible(person, jobId)
    return this.load(jobId)
  }

  /** The record of a job that this person may see. */
  async recordFor(person: Person, jobId: JobId): Promise<JobRecord> {
    await this.requireVisible(person, jobId)
    const open = this.open.get(jobId)
    if (open) {
      const { state, sheets } = open.inspection
      return { entries: open.entries, told: asTold(open.entries, await this.partsOf(jobId)), state, sheets }
    }
    const entries = await this.entriesOf(jobId)
    return entries.length > 0 ? this.recordOf(jobId, entries) : this.foreignRecord(jobId)
  }

  private async foreignRecord(id: string): Promise<JobRecord> {
    const row = await this.records.find(id)
    if (!row) throw notFound('job')
    const foreign = await this.records.read(row)
    const { entries, state, sheets } = foreign
    return { entries, told: entries, state, sheets, foreign }
  }

  /** A job that this person may see and that still takes something. */
  async requireOpen(person: Person, jobId: JobId): Promise<void> {
    await this.requireVisible(person, jobId)
    if (await this.db.getRepository(JobRow).existsBy({ id: jobId, sealedAt: Not(IsNull()) }))
      throw new Refused(409, 'sealed', 'this job is signed and sealed: nothing in it can be changed')
    await this.requireContinued(jobId)
    await this.guard.requireMayEnter(person, () => this.peopleOf(jobId))
  }

  /** The header of a job, without reading what was inspected. */
  async headerOf(jobId: JobId): Promise<JobHeader | undefined> {
    const rows = await this.db
      .getRepository(EntryRow)
      .find({ where: { jobId, kind: In([...HEADER_KINDS]) }, order: { seq: 'ASC' } })
    return fold(rows.map(entryOf)).header
  }

  /** Who opened a job and with whom it is shared, without reading what was inspected. */
  async peopleOf(jobId: JobId): Promise<JobPeople> {
    const rows = await this.db
      .getRepository(EntryRow)
      .find({ where: { jobId, kind: In([...PEOPLE_KINDS]) }, order: { seq: 'ASC' } })
    return fold(rows.map(entryOf))
  }

  /** The entries of a job as the text that they are kept as, some hundred at a time; with whoever wrote elsewhere as told. */
  async *texts(jobId: JobId): AsyncGenerator<string[]> {
    const parts = await this.partsOf(jobId)
    for await (const rows of this.rowsOf(jobId)) yield rows.map((row) => textOf(row, parts))
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

  /** Why a record takes nothing: it was imported to be read. Undefined for a job that is worked on here. */
  async readOnly(jobId: JobId): Promise<string | undefined> {
    const job = await this.db.getRepository(JobRow).findOneBy({ id: jobId })
    const kept = job ? job.readOnly : (await this.records.find(jobId)) !== undefined
    return kept ? 'this record was imported to be read: nothing is added to it here' : undefined
  }

  private async requireContinued(jobId: JobId): Promise<void> {
    const reason = await this.readOnly(jobId)
    if (reason !== undefined) throw new Refused(409, 'read-only', reason)
  }

  /** Records from elsewhere are seen by everybody but installers, with whom nothing of them is shared. */
  async requireVisible(person: Person, jobId: JobId): Promise<void> {
    if (!(await this.isVisible(person, jobId))) throw notFound('job')
  }

  async isVisible(person: Person, jobId: JobId): Promise<boolean> {
    if (person.role === 'installer')
      return this.db.getRepository(JobPersonRow).existsBy({ jobId, personId: person.id })
    if (await this.db.getRepository(JobRow).existsBy({ id: jobId })) return true
    return (await this.records.find(jobId)) !== undefined
  }

  /**
   * Appends entries in their order, all or none: folded and judged first, and kept only when that succeeds,
   * so that what was answered with an error was not kept. An entry that is here already, word for word, is
   * answered as it was kept: sending twice is harmless. What core does not admit is refused with its code,
   * and nothing of the batch is kept; what was valid where it was done, by a device that did not know what others did meanwhile, is kept.
   * Times are corrected by what the clock of the device said while it sent.
   */
  async append(
    person: Person,
    jobId: JobId,
    entries: readonly NewEntry[],
    { clock, after }: SentBeside = {},
  ): Promise<Appended> {
    const received = new Date().toISOString()
    const ahead = clockAhead(clock, received)
    return this.inTurn(entries.length, () => this.write(person, jobId, entries, { ahead, received, after }))
  }

  /** Work on a large batch has its turn, with everybody else answered before it; a small one goes on at once. */
  inTurn<T>(count: number, work: () => T | Promise<T>): Promise<T> {
    if (count <= LARGE_BATCH) return Promise.resolve(work())
    return this.large.run('all', async () => {
      await turn()
      return work()
    })
  }

  private write(
    person: Person,
    jobId: JobId,
    entries: readonly NewEntry[],
    { ahead, received, after }: { ahead: number; received: string; after: number | undefined },
  ): Promise<Appended> {
    return this.queue.run(jobId, async () => {
      await turn()
      const { answer, appended, judged } = await this.prepared(person, jobId, entries, {
        ahead,
        received,
        after,
      })
      if (appended.entries.length === 0) return { entries: answer, clockAhead: ahead }
      await this.writer.inTransaction((transaction) => this.keep(transaction, appended))
      this.open.set(jobId, judged)
      this.kept.next({ jobId, entries: appended.entries })
      return { entries: answer, clockAhead: ahead }
    })
  }

  /** Opens several jobs, all or none: everything is admitted and judged before anything is kept, in one transaction. */
  async openAll(
    person: Person,
    jobs: readonly { jobId: JobId; entries: readonly NewEntry[] }[],
  ): Promise<void> {
    const sent = { ahead: 0, received: new Date().toISOString(), after: undefined }
    const made: AppendedToJob[] = []
    const numbers = new Set<string>()
    for (const [i, { jobId, entries }] of jobs.entries()) {
      const { appended } = await this.prepared(person, jobId, entries, sent).catch((fault: unknown) => {
        throw fault instanceof Refused ? fault.at(`jobs[${i}]`) : fault
      })
      const { number = '' } = appended.after.state.header ?? {}
      if (numbers.has(number))
        throw new Refused(409, 'number-taken', `the number ${number} stands twice`, `jobs[${i}].number`)
      numbers.add(number)
      made.push(appended)
      await turn()
    }
    await this.writer.inTransaction(async (transaction) => {
      for (const appended of made) await this.keep(transaction, appended)
    })
  }

  /** What would be kept, admitted and judged; nothing is written yet. */
  private async prepared(
    person: Person,
    jobId: JobId,
    entries: readonly NewEntry[],
    { ahead, received, after }: { ahead: number; received: string; after: number | undefined },
  ): Promise<{ answer: Entry[]; appended: AppendedToJob; judged: OpenJob }> {
    if (entries[0]?.kind !== 'job-opened') await this.requireVisible(person, jobId)
    await this.requireContinued(jobId)
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
      // What is here already is answered as it was kept, whoever may enter now.
      await this.guard.requireMayEnter(person, () => Promise.resolve(before.inspection.state))
      await this.guard.requireAdmitted(entry, person, jobId, await batch.weighedFor(entry.kind), () =>
        batch.whereDone(entry, { person: person.id, after }),
      )
      const times = correctedTimes(entry.at, { ahead, received, opened: batch.opened })
      const link = linked({ ...entry, ...times }, jobId, person, batch.last, sha256)
      batch.add(link)
      fresh.push(link)
      answer.push(link)
    }
    const judged = fresh.length === 0 ? before : await batch.judged()
    const appended = {
      jobId,
      openedAt: judged.entries[0]?.at ?? received,
      changedAt: new Date().toISOString(),
      entries: fresh,
      before: before.inspection,
      after: judged.inspection,
    }
    return { answer, appended, judged }
  }

  /** Entries, and the rows that follow from them, in one transaction. */
  private async keep(transaction: EntityManager, appended: AppendedToJob): Promise<void> {
    const { jobId, entries, changedAt } = appended
    const [first] = entries
    if (first?.kind === 'job-opened')
      await transaction.insert(JobRow, {
        id: jobId,
        number: first.body.number,
        changedAt: first.at,
        sealedAt: null,
      })
    await writeEntries(sqlOf(transaction), jobId, entries, {
      sealWith: (entry) => this.key.attest(jobId, entry),
    })
    await this.projections.write(transaction, appended)
    await transaction.update(JobRow, { id: jobId }, { changedAt })
  }

  /**
   * The last entry of a job, by which a listener knows whether it missed any, and then what is kept from now on, by whomever, for as long
   * as this person may see it.
   */
  following(person: Person, jobId: JobId): Observable<readonly Entry[]> {
    const endsFor = (entry: Entry) => entry.kind === 'unshared' && entry.body.personId === person.id
    const after = this.kept.pipe(
      filter((one) => one.jobId === jobId),
      map(({ entries }) => entries),
    )
    // Both are listened to from the same moment: nothing falls between them.
    return merge(from(this.lastOf(jobId)), after).pipe(
      takeWhile((entries) => person.role !== 'installer' || !entries.some(endsFor)),
      whileStill(() => this.isVisible(person, jobId)),
    )
  }

  /** For work on all jobs: judges one without keeping it open, and lets nothing be appended to it meanwhile. */
  whileStill<T>(jobId: JobId, work: (judged: () => Promise<OpenJob>) => Promise<T>): Promise<T> {
    return this.queue.run(jobId, () => work(() => this.judged(jobId)))
  }

  /** For what writes entries that were linked elsewhere: nothing is appended meanwhile, and the job is read anew after it. */
  replacing<T>(jobId: JobId, write: () => Promise<T>): Promise<T> {
    return this.queue.run(jobId, async () => {
      try {
        return await write()
      } finally {
        this.open.delete(jobId)
      }
    })
  }

  private async load(jobId: JobId): Promise<OpenJob> {
    const before = this.open.get(jobId)
    if (before) return before
    const job = await this.judged(jobId)
    if (job.entries.length > 0) this.open.set(jobId, job)
    return job
  }

  private async judged(jobId: JobId): Promise<OpenJob> {
    const { entries, state, sheets } = await this.recordOf(jobId, await this.entriesOf(jobId))
    return { entries, inspection: inspect(state, sheets) }
  }

  private async entriesOf(jobId: JobId): Promise<Entry[]> {
    const entries: Entry[] = []
    for await (const rows of this.rowsOf(jobId)) for (const row of rows) entries.push(asEntry(row))
    return entries
  }

  private async lastOf(jobId: JobId): Promise<Entry[]> {
    const rows = await this.db
      .getRepository(EntryRow)
      .find({ where: { jobId }, order: { seq: 'DESC' }, take: 1 })
    return rows.map(entryOf)
  }

  private async recordOf(jobId: JobId, entries: readonly Entry[]): Promise<JobRecord> {
    const told = asTold(entries, await this.partsOf(jobId))
    const state = await foldInTurns(told)
    return { entries, told, state, sheets: await this.sheets.pinnedBy(state.header) }
  }

  private async partsOf(jobId: JobId): Promise<ToldPart[]> {
    return toldPartsOf(sqlOf(this.db.manager), jobId)
  }

  private async hereAlready(entries: readonly NewEntry[]): Promise<ReadonlyMap<string, Entry>> {
    const rows = await this.db.getRepository(EntryRow).findBy({ id: In(entries.map(({ id }) => id)) })
    return new Map(rows.map((row) => [row.id, entryOf(row)]))
  }
}

/** The entry as it was kept before, when this is the same word for word. */
function keptAlready(
  entry: NewEntry,
  kept: Entry | undefined,
  person: Person,
  jobId: JobId,
): Entry | undefined {
  if (!kept) return undefined
  const words = ({ kind, at, said, body }: NewEntry & { said?: string }) =>
    canonicalJson({ kind, at: said ?? at, body })
  const same = kept.jobId === jobId && kept.by.id === person.id && words(kept) === words(entry)
  if (!same) throw new Refused(409, 'id-reused', 'another entry has this id already')
  return kept
}

/** What says the header of a job, and nothing of what was inspected. */
const PEOPLE_KINDS = ['job-opened', 'shared', 'unshared'] as const satisfies readonly EntryKind[]
const HEADER_KINDS = ['job-opened', 'job-amended', 'sheet-adopted'] as const satisfies readonly EntryKind[]

const entryOf = (row: EntryRow): Entry => asEntry(row satisfies EntryRowValues)
