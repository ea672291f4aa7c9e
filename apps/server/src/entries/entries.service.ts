import { setImmediate as turn } from 'node:timers/promises'
import { Injectable } from '@nestjs/common'
import { LRUCache } from 'lru-cache'
import { filter, from, map, merge, Subject, takeWhile, type Observable } from 'rxjs'
import type { EntityManager } from 'typeorm'
import { sha256, writeEntries } from '@plumb-mark/archive'
import {
  canonicalJson,
  clockAhead,
  correctedTimes,
  inspect,
  linked,
  type Entry,
  type JobId,
  type NewEntry,
  type Person,
} from '@plumb-mark/core'
import type { Appended, SentBeside } from '@plumb-mark/contract'
import { sqlOf } from '../database/sql-of.js'
import { Writer } from '../database/writer.js'
import { Refused } from '../http/refused.js'
import { whileStill } from '../http/while-still.js'
import { PerKeyQueue } from '../http/per-key-queue.js'
import { Batch, type OpenJob } from './batch.js'
import { JobRow } from './job.entities.js'
import { JobAccess } from './job-access.service.js'
import { JobReader, type JobRecord } from './job-reader.service.js'
import { Attestor, EntryGuard, EntryProjections, SheetLibrary, type AppendedToJob } from './ports.js'

export type { OpenJob } from './batch.js'

/** A job of some hundred checks takes about two megabytes while it is open. */
const MOST_OPEN = 60
/** Checks and entries of all open jobs together: some five kilobytes each. A job of many thousand is open nearly alone. */
const MOST_HELD = 32_000
/** A batch of more than this keeps everybody waiting: such batches go one after the other, and others are answered between them. */
const LARGE_BATCH = 20

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
    private readonly reader: JobReader,
    private readonly access: JobAccess,
    private readonly writer: Writer,
    private readonly sheets: SheetLibrary,
    private readonly guard: EntryGuard,
    private readonly key: Attestor,
    private readonly projections: EntryProjections,
  ) {}

  /** A job that this person may see, judged; an installer sees only what is shared with them. */
  async jobFor(person: Person, jobId: JobId): Promise<OpenJob> {
    await this.access.requireVisible(person, jobId)
    return this.load(jobId)
  }

  /** The record of a job that this person may see. */
  async recordFor(person: Person, jobId: JobId): Promise<JobRecord> {
    await this.access.requireVisible(person, jobId)
    const open = this.open.get(jobId)
    if (!open) return this.reader.recordOf(jobId)
    const { state, sheets } = open.inspection
    return { entries: open.entries, told: await this.reader.toldOf(jobId, open.entries), state, sheets }
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
    if (entries[0]?.kind !== 'job-opened') await this.access.requireVisible(person, jobId)
    await this.access.requireContinued(jobId)
    const before = await this.load(jobId)
    const batch = new Batch(before, (state) => this.sheets.pinnedBy(state.header))
    const answer: Entry[] = []
    const fresh: Entry[] = []
    const here = await this.reader.withIds(entries.map(({ id }) => id))
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
    return merge(from(this.reader.lastOf(jobId)), after).pipe(
      takeWhile((entries) => person.role !== 'installer' || !entries.some(endsFor)),
      whileStill(() => this.access.isVisible(person, jobId)),
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
    const { entries, state, sheets } = await this.reader.recordFrom(jobId, await this.reader.entriesOf(jobId))
    return { entries, inspection: inspect(state, sheets) }
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
