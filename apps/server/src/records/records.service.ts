import { cp, mkdir, rename, rm } from 'node:fs/promises'
import { existsSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { Inject, Injectable } from '@nestjs/common'
import { LRUCache } from 'lru-cache'
import { DataSource, In } from 'typeorm'
import { v7 as uuid } from 'uuid'
import {
  RECORD_ZIP,
  recordFolder,
  recordRowOf,
  zipFaultWords,
  type RecordRowValues,
} from '@plumb-mark/archive'
import type { RecordKept, RecordNamed } from '@plumb-mark/contract'
import {
  BadInput,
  asTold,
  fold,
  sheetsById,
  signerWords,
  type ArchivedPhoto,
  type ArchivedTrace,
  type Person,
} from '@plumb-mark/core'
import { audited } from '../audit/audit.service.js'
import { Writer } from '../database/writer.js'
import { notFound } from '../http/refused.js'
import { InstallationsService } from '../installations/installations.service.js'
import { JobRow } from '../entries/job.entities.js'
import type { ForeignRecords, OpenRecord } from '../entries/ports.js'
import { SETTINGS, type Settings } from '../settings.js'
import type { Asking } from '../work/worker-pool.js'
import { ArchiveWork } from './archive-work.js'
import { RecordRow } from './record.entity.js'

const MOST_OPEN = 4

type ArchivedFile<K extends 'photos' | 'traces'> = K extends 'photos' ? ArchivedPhoto : ArchivedTrace

/** Records from elsewhere that are kept to be read: each in a folder of its own, never among our jobs. */
@Injectable()
export class RecordsService implements ForeignRecords {
  private readonly open = new LRUCache<string, OpenRecord>({ max: MOST_OPEN })

  constructor(
    private readonly db: DataSource,
    private readonly writer: Writer,
    private readonly work: ArchiveWork,
    private readonly installations: InstallationsService,
    @Inject(SETTINGS) private readonly settings: Settings,
  ) {}

  async list(): Promise<RecordKept[]> {
    const rows = await this.db.getRepository(RecordRow).find({ order: { openedAt: 'DESC' } })
    return Promise.all(rows.map((row) => this.asKept(row)))
  }

  /** Those that came as exactly these files. */
  async withDigests(digests: readonly string[]): Promise<RecordNamed[]> {
    const rows = await this.db.getRepository(RecordRow).find({
      where: { sha256: In([...digests]) },
      order: { number: 'DESC' },
    })
    return rows.map(({ id, number, title }) => ({ id, number, title }))
  }

  /** By its own id, or the latest of a job that is not here. */
  async find(id: string): Promise<RecordRow | undefined> {
    const rows = this.db.getRepository(RecordRow)
    const own = await rows.findOneBy({ id })
    if (own) return own
    if (await this.db.getRepository(JobRow).existsBy({ id })) return undefined
    return (await rows.findOne({ where: { jobId: id }, order: { openedAt: 'DESC' } })) ?? undefined
  }

  /** Keeps a ZIP that arrived, to be read; the same ZIP is kept once. */
  async keep(by: Person, zip: string, how: Asking): Promise<RecordRow> {
    const id = uuid()
    const folder = recordFolder(this.settings.dataDir, id)
    await mkdir(dirname(folder), { recursive: true })
    try {
      const read = await this.work.read(zip, { ...how, unpackTo: `${folder}.part` })
      const [fault] = read.record.faults
      if (fault) throw new BadInput('not-importable', '', `the record is not intact: ${zipFaultWords(fault)}`)
      const known = await this.db.getRepository(RecordRow).findOneBy({ sha256: read.digest })
      if (known) return known
      await cp(zip, join(`${folder}.part`, RECORD_ZIP))
      await rename(`${folder}.part`, folder)
      const row = recordRowOf(read.record, {
        id,
        sha256: read.digest,
        openedAt: new Date().toISOString(),
        openedBy: by.name,
      })
      await this.writer.inTransaction(async (db) => {
        await db.insert(RecordRow, row)
        const from = signerWords(await this.installations.signerOf(row.publicKey, db))
        const detail = `${row.number}, to be read, signed by ${from}`
        await audited(db, { action: 'imported', by, subject: row.jobId, detail })
      })
      return row
    } catch (problem) {
      await rm(folder, { recursive: true, force: true })
      throw problem
    } finally {
      await rm(`${folder}.part`, { recursive: true, force: true })
    }
  }

  async remove(id: string): Promise<void> {
    const { affected } = await this.writer.inTransaction((db) => db.delete(RecordRow, { id }))
    if (!affected) throw notFound('record')
    this.open.delete(id)
    await rm(recordFolder(this.settings.dataDir, id), { recursive: true, force: true })
  }

  /** What a kept record says, read and verified anew when it was not looked at lately. */
  async read(row: RecordRowValues): Promise<OpenRecord> {
    const before = this.open.get(row.id)
    if (before) return before
    const { record, digest } = await this.work.read(this.zipOf(row))
    const { file, manifest, faults } = record
    const signer = await this.installations.signerOf(row.publicKey)
    const told =
      signer.kind === 'own'
        ? file.entries
        : asTold(file.entries, [
            {
              fromSeq: 1,
              toSeq: file.entries.length,
              installation: signer.kind === 'known' ? signer.name : 'an installation that nobody here knows',
              key: signer.kind === 'nobody' ? 'no key' : signer.key,
            },
          ])
    const opened: OpenRecord = {
      row,
      entries: told,
      state: fold(told),
      sheets: sheetsById(file.sheets),
      photos: new Map(manifest.photos.map((photo) => [photo.id, photo])),
      traces: new Map(manifest.traces.map((trace) => [trace.id, trace])),
      broken: [
        ...(digest === row.sha256 ? [] : ['the file of this record is not the one that was opened']),
        ...faults.map(zipFaultWords),
      ],
    }
    this.open.set(row.id, opened)
    return opened
  }

  /** The ZIP as it arrived, to the byte. */
  zipOf({ id }: RecordRowValues): string {
    const file = join(recordFolder(this.settings.dataDir, id), RECORD_ZIP)
    if (!existsSync(file)) throw notFound('record')
    return file
  }

  /** A photo or trace of a record, and the folder in which it lies as ours lie beside the database. */
  async fileOf<K extends 'photos' | 'traces'>(
    recordId: string,
    kind: K,
    id: string,
  ): Promise<({ folder: string } & ArchivedFile<K>) | undefined> {
    const row = await this.find(recordId)
    const file = row && (await this.read(row))[kind].get(id)
    return file && { folder: recordFolder(this.settings.dataDir, row.id), ...(file as ArchivedFile<K>) }
  }

  private async asKept({ publicKey, sha256: _digest, ...row }: RecordRow): Promise<RecordKept> {
    return { ...row, signer: await this.installations.signerOf(publicKey) }
  }
}
