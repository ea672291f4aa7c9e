import { setImmediate as turn } from 'node:timers/promises'
import { Injectable } from '@nestjs/common'
import { LRUCache } from 'lru-cache'
import { filter, from, map, merge, Subject, takeWhile, type Observable } from 'rxjs'
import { DataSource, In, IsNull, Not, type EntityManager } from 'typeorm'
import { asEntry, sha256, toldPartsOf, writeEntries, type EntryRowValues } from '@plumb-mark/archive'
import {
  applied,
  asTold,
  canonicalJson,
  clockAhead,
  correctedTimes,
  entryRow,
  fold,
  inspect,
  inspectNext,
  knownWhereDone,
  linked,
  type Entry,
  type EntryKind,
  type EntryOf,
  type Inspection,
  type JobHeader,
  type JobId,
  type JobState,
  type NewEntry,
  type Person,
  type PersonId,
  type Sheet,
  type ToldPart,
} from '@plumb-mark/core'
import type { Appended, SentBeside } from '@plumb-mark/contract'
import { audited, type Happening } from '../audit/audit.service.js'
import { sqlOf } from '../database/sql-of.js'
import { Writer } from '../database/writer.js'
import { Refused, notFound } from '../http/refused.js'
import { whileStill } from '../http/while-still.js'
import { PerKeyQueue } from '../http/per-key-queue.js'
import { JobPersonRow, JobRow } from '../jobs/job.entities.js'
import { listRowsOf, writeListRows, type ListRows } from '../lists/list-rows.js'
import { SealKey } from '../sign-off/seal-key.js'
import type { RecordRow } from '../records/record.entity.js'
import { RecordsService, type OpenRecord } from '../records/records.service.js'
import { SheetsService } from '../sheets/sheets.service.js'
import { EntryGuard } from './entry.guard.js'
import { EntryRow } from './entry.entity.js'

/** A job of some hundred checks takes about two megabytes while it is open. */
const MOST_OPEN = 60
/** Checks and entries of all open jobs together: some five kilobytes each. A job of many thousand is open nearly alone. */
const MOST_HELD = 32_000
/** A batch of more than this keeps everybody waiting: such batches go one after the other, and others are answered between them. */
const LARGE_BATCH = 20

/** The entries of a job as they stand, and what they come to, with whoever wrote elsewhere as told by that installation. */
export interface OpenJob {
  entries: readonly Entry[]
  inspection: Inspection
}

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
    private readonly sheets: SheetsService,
    private readonly guard: EntryGuard,
    private readonly key: SealKey,
    private readonly records: RecordsService,
  ) {}

  /** What a job is called, without reading it; its row where it is a record from elsewhere. */
  async named(person: Person, jobId: JobId): Promise<{ number: string; title: string; foreign?: RecordRow }> {
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
  }

  /** The header of a job, without reading what was inspected. */
  async headerOf(jobId: JobId): Promise<JobHeader | undefined> {
    const rows = await this.db
      .getRepository(EntryRow)
      .find({ where: { jobId, kind: In([...HEADER_KINDS]) }, order: { seq: 'ASC' } })
    return fold(rows.map(entryOf)).header
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
        await this.guard.requireAdmitted(entry, person, jobId, await batch.weighedFor(entry.kind), () =>
          batch.whereDone(entry, { person: person.id, after }),
        )
        const times = correctedTimes(entry.at, { ahead, received, opened: batch.opened })
        const link = linked({ ...entry, ...times }, jobId, person, batch.last, sha256)
        batch.add(link)
        fresh.push(link)
        answer.push(link)
      }
      if (fresh.length === 0) return { entries: answer, clockAhead: ahead }
      const judged = await batch.judged()
      const rows = { before: listRowsOf(before.inspection), after: listRowsOf(judged.inspection) }
      const openedAt = judged.entries[0]!.at
      await this.writer.inTransaction((transaction) =>
        keep(transaction, { jobId, openedAt, entries: fresh, rows, key: this.key }),
      )
      this.open.set(jobId, judged)
      this.kept.next({ jobId, entries: fresh })
      return { entries: answer, clockAhead: ahead }
    })
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

/** A job while a batch is appended to it: judged on only when the next entry is weighed by something that the last ones changed. */
class Batch {
  private readonly entries: Entry[]
  private state: JobState
  private inspection: Inspection
  private behind: 'nothing' | 'outcomes' | 'points' = 'nothing'
  /** The same as the device that sends it knew the job, once that is asked; undefined where nothing came between. */
  private elsewhere: Batch | undefined | 'not-asked' = 'not-asked'

  constructor(
    before: OpenJob,
    private readonly sheetsFor: (state: JobState) => Promise<ReadonlyMap<string, Sheet>>,
  ) {
    this.entries = [...before.entries]
    this.inspection = before.inspection
    this.state = before.inspection.state
  }

  get last(): Entry | undefined {
    return this.entries.at(-1)
  }

  /** When the job was opened. */
  get opened(): string | undefined {
    return this.entries[0]?.at
  }

  async weighedFor(kind: EntryKind): Promise<Inspection> {
    const wanted = entryRow(kind)?.weighedBy
    if (wanted === 'outcomes' || (wanted === 'points' && this.behind === 'points')) await this.catchUp()
    return { ...this.inspection, state: this.state }
  }

  /** The job without what others did that had not reached the device. */
  async whereDone(
    { kind, at }: NewEntry,
    knew: { person: PersonId; after: number | undefined },
  ): Promise<Inspection | undefined> {
    if (this.elsewhere === 'not-asked') {
      const entered = this.state.entered as readonly Entry[]
      const entries = knownWhereDone(entered, { ...knew, at })
      this.elsewhere = entries.length === entered.length ? undefined : await this.knowing(entries)
    }
    return this.elsewhere?.weighedFor(kind)
  }

  private async knowing(entries: readonly Entry[]): Promise<Batch> {
    const state = await foldInTurns(entries)
    return new Batch({ entries, inspection: inspect(state, await this.sheetsFor(state)) }, this.sheetsFor)
  }

  async judged(): Promise<OpenJob> {
    await this.catchUp()
    return { entries: this.entries, inspection: this.inspection }
  }

  add(entry: Entry): void {
    if (this.elsewhere !== 'not-asked') this.elsewhere?.add(entry)
    this.entries.push(entry)
    this.state = applied(this.state, [entry])
    // What is built makes points; evidence and defects only change what comes of them.
    const makesPoints = entryRow(entry.kind)?.weighedBy === 'state'
    this.behind = makesPoints || this.behind === 'points' ? 'points' : 'outcomes'
  }

  private async catchUp(): Promise<void> {
    if (this.behind === 'nothing') return
    this.inspection = inspectNext(this.inspection, this.state, await this.sheetsFor(this.state))
    this.behind = 'nothing'
  }
}

/** Entries, and the rows that follow from them, in one transaction. */
async function keep(
  transaction: EntityManager,
  {
    jobId,
    openedAt,
    entries,
    rows,
    key,
  }: {
    jobId: JobId
    openedAt: string
    entries: readonly Entry[]
    rows: { before: ListRows; after: ListRows }
    key: SealKey
  },
): Promise<void> {
  const [first] = entries
  if (first?.kind === 'job-opened')
    await transaction.insert(JobRow, {
      id: jobId,
      number: first.body.number,
      changedAt: first.at,
      sealedAt: null,
    })
  await writeEntries(sqlOf(transaction), jobId, entries, { sealWith: (entry) => key.attest(jobId, entry) })
  for (const entry of entries)
    if (entry.kind === 'signed' || entry.kind === 'shared' || entry.kind === 'unshared')
      await audited(transaction, { ...HAPPENINGS[entry.kind](entry as never), by: entry.by, subject: jobId })
  const changedAt = new Date().toISOString()
  await writeListRows(transaction, jobId, { openedAt, changedAt }, rows.after, rows.before)
  await transaction.update(JobRow, { id: jobId }, { changedAt })
}

/** What says the header of a job, and nothing of what was inspected. */
const HEADER_KINDS = ['job-opened', 'job-amended', 'sheet-adopted'] as const satisfies readonly EntryKind[]

/** As many entries as are read or folded without others being answered in between: some milliseconds. */
const ROWS_AT_ONCE = 150

/** Folds a long record in parts, between which others are answered. */
async function foldInTurns(entries: readonly Entry[]): Promise<JobState> {
  let state = fold(entries.slice(0, ROWS_AT_ONCE))
  for (let i = ROWS_AT_ONCE; i < entries.length; i += ROWS_AT_ONCE) {
    await turn()
    state = applied(state, entries.slice(i, i + ROWS_AT_ONCE))
  }
  return state
}

/** An entry as JSON, put together from the text that it is kept as: a long record is sent without being read. */
function textOf(row: EntryRowValues, parts: readonly ToldPart[]): string {
  const { by, body, said, received, ...plain } = row
  const told = parts.length === 0 ? by : JSON.stringify(asTold([asEntry(row)], parts)[0]!.by)
  const times = { ...(said !== null && { said }), ...(received !== null && { received }) }
  return `${JSON.stringify({ ...plain, ...times }).slice(0, -1)},"by":${told as string},"body":${body as string}}`
}

/** What of a job a person a year later may ask about. */
const HAPPENINGS = {
  signed: ({ body }: EntryOf<'signed'>) => ({ action: 'sealed', detail: body.sealedHead }),
  shared: ({ body }: EntryOf<'shared'>) => ({ action: 'shared', detail: `with ${body.person.name}` }),
  unshared: ({ body }: EntryOf<'unshared'>) => ({ action: 'unshared', detail: `person ${body.personId}` }),
} satisfies { [K in EntryKind]?: (entry: EntryOf<K>) => Pick<Happening, 'action' | 'detail'> }

const entryOf = (row: EntryRow): Entry => asEntry(row satisfies EntryRowValues)
