import { randomUUID } from 'node:crypto'
import { existsSync } from 'node:fs'
import { mkdir, readdir, rename, rm, stat } from 'node:fs/promises'
import { join } from 'node:path'
import { Inject, Injectable, type OnApplicationShutdown, type OnModuleInit } from '@nestjs/common'
import { DataSource, type EntityManager } from 'typeorm'
import {
  meetingWith,
  obstacleTo,
  openArchivedJob,
  sha256,
  writeFiles,
  writeRows,
  type ArchivedJob,
  type ImportedAs,
  type Sql,
} from '@plumb-mark/archive'
import type { ImportPreview } from '@plumb-mark/contract'
import { BadInput, fingerprint, fold, type JobId, type Person } from '@plumb-mark/core'
import { Writer } from '../database/writer.js'
import { EntriesService } from '../entries/entries.service.js'
import { Refused, notFound } from '../http/refused.js'
import { RebuildService } from '../lists/rebuild.service.js'
import { SETTINGS, type Settings } from '../settings.js'
import { WorkerPool, builtFile, type Step } from '../work/worker-pool.js'
import type { ArchiveAsked } from './archive.worker.js'
import { SealKey } from '../sign-off/seal-key.js'

const STALE_MS = 86_400_000
/** A record of some gigabytes on a slow disk. */
const MOST_MS = 600_000

/** Everything of a job out in one ZIP, and in again: looked at first, then opened or continued, never merged in silence. */
@Injectable()
export class ArchiveService implements OnModuleInit, OnApplicationShutdown {
  private readonly pool = new WorkerPool<ArchiveAsked, boolean>({
    file: builtFile(join(import.meta.dirname, 'archive.worker.js')),
    threads: 1,
    mostMs: MOST_MS,
    what: 'the export',
  })

  constructor(
    private readonly db: DataSource,
    private readonly writer: Writer,
    private readonly entries: EntriesService,
    private readonly key: SealKey,
    private readonly lists: RebuildService,
    @Inject(SETTINGS) private readonly settings: Settings,
  ) {}

  /** What was looked at and never decided about is let go after a day. */
  async onModuleInit(): Promise<void> {
    for (const name of await readdir(this.folder).catch(() => [])) {
      const { mtimeMs } = await stat(join(this.folder, name))
      if (mtimeMs < Date.now() - STALE_MS) await rm(join(this.folder, name))
    }
  }

  async onApplicationShutdown(): Promise<void> {
    await this.pool.end()
  }

  /** Packs a job into a file of its own, which whoever asked removes when it has been sent. */
  async export(
    person: Person,
    jobId: JobId,
    { signal, onStep }: { signal: AbortSignal; onStep: (step: Step) => void },
  ): Promise<{ name: string; file: string }> {
    const { state } = await this.entries.recordFor(person, jobId)
    await mkdir(this.folder, { recursive: true })
    const file = join(this.folder, `${randomUUID()}.out`)
    const packed = await this.pool
      .run({ dataDir: this.settings.dataDir, jobId, target: file }, { signal, onStep })
      .catch(async (problem: unknown) => {
        await rm(file, { force: true })
        throw problem
      })
    if (!packed) throw notFound('job')
    return { name: `plumb-mark ${state.header?.number ?? ''} ${state.header?.title ?? ''}`, file }
  }

  /** Keeps a ZIP that arrived for as long as somebody decides about it, and says what it would change. */
  async preview(arrived: string): Promise<ImportPreview> {
    await mkdir(this.folder, { recursive: true })
    const id = randomUUID()
    await rename(arrived, this.fileOf(id))
    try {
      return await this.withArchive(id, (archived) => this.previewOf(id, archived))
    } catch (problem) {
      await rm(this.fileOf(id), { force: true })
      throw problem
    }
  }

  async import(id: string, as: ImportedAs): Promise<ImportPreview> {
    const preview = await this.withArchive(id, async (archived) => {
      const { jobId } = archived.file
      const before = await this.previewOf(id, archived)
      // Photos lie there before any row names them; nothing is appended while the rows are written.
      const bytes = await writeFiles(this.settings.dataDir, archived)
      const now = new Date().toISOString()
      await this.entries.replacing(jobId, () =>
        this.writer.inTransaction((manager) => writeRows(sqlOf(manager), archived, { as, now, bytes })),
      )
      await this.lists.one(jobId)
      return before
    })
    await rm(this.fileOf(id), { force: true })
    return preview
  }

  async discard(id: string): Promise<void> {
    if (!existsSync(this.fileOf(id))) throw notFound('import')
    await rm(this.fileOf(id))
  }

  private async previewOf(id: string, archived: ArchivedJob): Promise<ImportPreview> {
    const { manifest, file, faults } = archived
    const sql = sqlOf(this.db.manager)
    const meeting = await meetingWith(sql, archived)
    const obstacle = await obstacleTo(sql, archived)
    const { header, seal } = fold(file.entries)
    const { attested } = file
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
      ...(attested && {
        key: { fingerprint: fingerprint(sha256(attested.publicKey)), ours: this.key.isOwn(attested) },
      }),
      meeting:
        meeting.kind === 'fork'
          ? {
              kind: 'fork',
              at: meeting.at,
              here: meeting.here.map(lineOf),
              there: meeting.there.map(lineOf),
            }
          : meeting.kind === 'extends'
            ? { kind: 'extends', added: meeting.added.map(lineOf) }
            : meeting,
      faults: faults.map((fault) => JSON.stringify(fault)),
      ...(obstacle !== undefined && { obstacle }),
    }
  }

  private async withArchive<T>(id: string, work: (archived: ArchivedJob) => Promise<T>): Promise<T> {
    if (!existsSync(this.fileOf(id))) throw notFound('import')
    try {
      const archived = await openArchivedJob(this.fileOf(id))
      try {
        return await work(archived)
      } finally {
        archived.zip.close()
      }
    } catch (problem) {
      if (problem instanceof BadInput)
        throw new Refused(problem.code === 'fork' ? 409 : 400, problem.code, problem.message, problem.path)
      throw problem
    }
  }

  private get folder(): string {
    return join(this.settings.dataDir, 'incoming')
  }

  private fileOf(id: string): string {
    return join(this.folder, `${id}.zip`)
  }
}

const sqlOf =
  (manager: EntityManager): Sql =>
  (text, values = []) =>
    manager.query(text, [...values])

const lineOf = ({ seq, at, by, kind }: { seq: number; at: string; by: Person; kind: string }) => ({
  seq,
  at,
  by: by.name,
  kind,
})
