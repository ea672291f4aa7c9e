import { randomUUID } from 'node:crypto'
import { existsSync } from 'node:fs'
import { mkdir, readdir, rename, rm, stat } from 'node:fs/promises'
import { join } from 'node:path'
import { Inject, Injectable, type OnApplicationShutdown, type OnModuleInit } from '@nestjs/common'
import { DataSource } from 'typeorm'
import {
  meetingWith,
  obstacleTo,
  placeFiles,
  writeRows,
  zipFaultWords,
  type ArchivedRecord,
} from '@plumb-mark/archive'
import type { Imported, ImportPreview } from '@plumb-mark/contract'
import { BadInput, fold, signerWords, type JobId, type ChainComparison, type Person } from '@plumb-mark/core'
import { audited, type Happening } from '../audit/audit.service.js'
import { AuditService } from '../audit/audit.service.js'
import { sqlOf } from '../database/sql-of.js'
import { Writer } from '../database/writer.js'
import { EntriesService } from '../entries/entries.service.js'
import { JobAccess } from '../entries/job-access.service.js'
import { Refused, notFound } from '../http/refused.js'
import { InstallationsService } from '../installations/installations.service.js'
import { RebuildService } from '../lists/rebuild.service.js'
import { ArchiveWork } from '../records/archive-work.js'
import { RecordsService } from '../records/records.service.js'
import { SETTINGS, type Settings } from '../settings.js'
import type { Asking } from '../work/worker-pool.js'
import { nameOf } from './file-name.js'

const DAY_MS = 86_400_000

/**
 * Everything of a job out in one ZIP, and in again: looked at first; worked on here only where an installation that the office has accepted
 * gave its word for it, kept beside our jobs to be read otherwise; never merged in silence.
 */
@Injectable()
export class ArchiveService implements OnModuleInit, OnApplicationShutdown {
  private timer: NodeJS.Timeout | undefined

  constructor(
    private readonly db: DataSource,
    private readonly writer: Writer,
    private readonly entries: EntriesService,
    private readonly access: JobAccess,
    private readonly lists: RebuildService,
    private readonly work: ArchiveWork,
    private readonly records: RecordsService,
    private readonly installations: InstallationsService,
    private readonly audit: AuditService,
    @Inject(SETTINGS) private readonly settings: Settings,
  ) {}

  async onModuleInit(): Promise<void> {
    await mkdir(this.folder, { recursive: true })
    await this.clearStale()
    this.timer = setInterval(() => void this.clearStale().catch(() => undefined), DAY_MS / 24).unref()
  }

  onApplicationShutdown(): void {
    clearInterval(this.timer)
  }

  /** Packs a job into a file of its own, which whoever asked removes when it has been sent; a record from elsewhere leaves as it came. */
  async export(
    person: Person,
    jobId: JobId,
    how: Asking,
  ): Promise<{ name: string; file: string; passing: boolean }> {
    const { foreign, ...named } = await this.access.named(person, jobId)
    const name = nameOf(named)
    if (foreign) return { name, file: this.records.zipOf(foreign), passing: false }
    const file = join(this.folder, `${randomUUID()}.out`)
    const packed = await this.work.pack(jobId, file, how).catch(async (problem: unknown) => {
      await rm(file, { force: true })
      throw problem
    })
    if (!packed) throw notFound('job')
    return { name, file, passing: true }
  }

  /** The open file of a job, with the word of its seal or of this installation. */
  async inspection(person: Person, jobId: JobId, how: Asking): Promise<{ name: string; text: Buffer }> {
    const { foreign, ...named } = await this.access.named(person, jobId)
    if (foreign)
      throw new Refused(
        409,
        'read-only',
        'this record came from elsewhere: it leaves as the ZIP that it came in',
      )
    return { name: nameOf(named), text: await this.work.inspection(jobId, how) }
  }

  /** Keeps a ZIP that arrived for as long as somebody decides about it, and says what it would change. */
  async preview(arrived: string, how: Asking): Promise<ImportPreview> {
    const id = randomUUID()
    await rename(arrived, this.fileOf(id))
    try {
      return await this.withRecord(id, how, (record) => this.previewOf(id, record))
    } catch (problem) {
      await rm(this.fileOf(id), { force: true })
      throw problem
    }
  }

  /** Takes what was looked at. What is refused leaves nothing behind, and stands in the audit list. */
  async import(by: Person, id: string, as: 'job' | 'record', how: Asking): Promise<Imported> {
    const told: Happening = { action: 'imported', by, subject: id }
    try {
      const imported =
        as === 'record' ? await this.importToRead(by, id, how) : await this.importToWork(by, id, how)
      await rm(this.fileOf(id), { force: true })
      return imported
    } catch (problem) {
      if (problem instanceof Refused || problem instanceof BadInput)
        await this.audit.write({ ...told, action: 'refused', detail: `imported: ${problem.message}` })
      throw problem
    }
  }

  /** The office accepts the installation whose word stands in what arrived. */
  async acceptInstallation(by: Person, id: string, name: string): Promise<ImportPreview> {
    return this.withRecord(id, {}, async (record) => {
      const { attested } = record.file
      if (!attested || record.faults.length > 0)
        throw new Refused(
          409,
          'not-signed',
          'no installation gave its word for this record, or it is not intact',
        )
      await this.installations.accept(by, attested.publicKey, name)
      return this.previewOf(id, record)
    })
  }

  async discard(id: string): Promise<void> {
    if (!existsSync(this.fileOf(id))) throw notFound('import')
    await rm(this.fileOf(id))
  }

  /** Straight to the disk: a record with its photos does not pass through memory. */
  get folder(): string {
    return join(this.settings.dataDir, 'incoming')
  }

  private async importToRead(by: Person, id: string, how: Asking): Promise<Imported> {
    const preview = await this.withRecord(id, how, (record) => this.previewOf(id, record))
    const row = await refusing(() => this.records.keep(by, this.fileOf(id), how))
    return { ...preview, openAs: row.id }
  }

  private async importToWork(by: Person, id: string, how: Asking): Promise<Imported> {
    const unpackTo = join(this.folder, `${id}.files`)
    try {
      return await this.withRecord(id, { ...how, unpackTo }, async (record, sizes) => {
        const preview = await this.previewOf(id, record)
        if (preview.obstacle) throw new BadInput('not-importable', '', preview.obstacle)
        const takeBack = await placeFiles(this.settings.dataDir, unpackTo, record)
        const { jobId } = record.file
        // Nothing is appended while the rows are written.
        await this.entries.replacing(jobId, () =>
          this.writer
            .inTransaction(async (db) => {
              const signer = await this.installations.signerOf(record.file.attested?.publicKey, db)
              const now = new Date().toISOString()
              const meeting = await writeRows(sqlOf(db), record, { signer, now, sizes })
              const detail = `${preview.number}: ${meetingWords(meeting)}, signed by ${signerWords(signer)}`
              await audited(db, { action: 'imported', by, subject: jobId, detail })
            })
            .catch(async (problem: unknown) => {
              await takeBack()
              throw problem
            }),
        )
        await this.lists.one(jobId)
        return { ...preview, openAs: jobId }
      })
    } finally {
      await rm(unpackTo, { recursive: true, force: true })
    }
  }

  private async previewOf(id: string, record: ArchivedRecord): Promise<ImportPreview> {
    const { manifest, file, faults, unread } = record
    const sql = sqlOf(this.db.manager)
    const signer = await this.installations.signerOf(file.attested?.publicKey)
    const meeting = await meetingWith(sql, record)
    const obstacle = await obstacleTo(sql, record, signer)
    const { header, seal } = fold(file.entries)
    return {
      id,
      jobId: file.jobId,
      number: header?.number ?? manifest.number,
      title: header?.title ?? manifest.title,
      site: header?.site ?? '',
      entries: file.entries.length,
      photos: manifest.photos.length,
      traces: manifest.traces.length,
      sealed: seal !== undefined,
      people: [...new Set(file.entries.map(({ by }) => by.name))],
      signer,
      meeting: inLines(meeting),
      faults: faults.map(zipFaultWords),
      unread: [...unread],
      ...(obstacle !== undefined && { obstacle }),
    }
  }

  private async withRecord<T>(
    id: string,
    how: Asking & { unpackTo?: string },
    work: (record: ArchivedRecord, sizes: ReadonlyMap<string, number>) => Promise<T>,
  ): Promise<T> {
    if (!existsSync(this.fileOf(id))) throw notFound('import')
    return refusing(async () => {
      const { record, sizes } = await this.work.read(this.fileOf(id), how)
      return work(record, sizes)
    })
  }

  private fileOf(id: string): string {
    return join(this.folder, `${id}.zip`)
  }

  /** What was looked at and never decided about is let go after a day. */
  private async clearStale(): Promise<void> {
    for (const name of await readdir(this.folder)) {
      const { mtimeMs } = await stat(join(this.folder, name)).catch(() => ({ mtimeMs: Date.now() }))
      if (mtimeMs < Date.now() - DAY_MS) await rm(join(this.folder, name), { recursive: true, force: true })
    }
  }
}

/** What core refuses of a record is answered as a refusal, the fork as a conflict. */
async function refusing<T>(work: () => Promise<T>): Promise<T> {
  try {
    return await work()
  } catch (problem) {
    if (!(problem instanceof BadInput)) throw problem
    throw new Refused(problem.code === 'fork' ? 409 : 400, problem.code, problem.message, problem.path)
  }
}

function meetingWords(meeting: ChainComparison): string {
  if (meeting.kind === 'new') return 'a job that was not here'
  return meeting.kind === 'extends'
    ? `continued by ${meeting.added.length} entries`
    : 'nothing that was not here'
}

function inLines(meeting: ChainComparison): ImportPreview['meeting'] {
  if (meeting.kind === 'fork')
    return {
      kind: 'fork',
      at: meeting.at,
      here: meeting.here.slice(0, MOST_LINES).map(lineOf),
      there: meeting.there.slice(0, MOST_LINES).map(lineOf),
    }
  return meeting.kind === 'extends'
    ? { kind: 'extends', added: meeting.added.slice(0, MOST_LINES).map(lineOf) }
    : meeting
}
/** More than anybody compares by eye. */
const MOST_LINES = 500

const lineOf = ({ seq, at, by, kind }: { seq: number; at: string; by: Person; kind: string }) => ({
  seq,
  at,
  by: by.name,
  kind,
})
