import { existsSync } from 'node:fs'
import { randomUUID } from 'node:crypto'
import { mkdir, rename, rm, writeFile } from 'node:fs/promises'
import { dirname, join } from 'node:path'
import { Inject, Injectable, type OnApplicationShutdown } from '@nestjs/common'
import { DataSource } from 'typeorm'
import { digestOfFile, durable, photoPath } from '@plumb-mark/archive'
import type { PhotoKept, PhotoRoom } from '@plumb-mark/contract'
import type { JobId, Person, PhotoId } from '@plumb-mark/core'
import { Writer } from '../database/writer.js'
import { JobAccess } from '../entries/job-access.service.js'
import { JobReader } from '../entries/job-reader.service.js'
import { PerKeyQueue } from '../http/per-key-queue.js'
import { Refused, notFound } from '../http/refused.js'
import { RecordsService } from '../records/records.service.js'
import { SETTINGS, type Settings } from '../settings.js'
import { WorkerPool, builtFile } from '../work/worker-pool.js'
import { comingBytes } from './coming.js'
import { photoBroken, photoRefused, smallOf, smallPath, type NoPhoto } from './picture.js'
import type { PictureAsked, PictureSeen } from './picture.worker.js'
import { PhotoRow } from './photo.entity.js'

export const LARGEST_PHOTO_BYTES = 20 * 1024 * 1024
/** Some hundred photos of a phone. */
const QUOTA_BYTES = 600e6

/** Pictures that are unpacked at one moment: each takes a core and some hundred megabytes. */
const PICTURES_AT_ONCE = 2
const MOST_WAITING = 200
const MOST_MS = 30_000

/** Photos: judged by their content and not by their name, kept under their digest beside the database, with a small copy. */
@Injectable()
export class PhotosService implements OnApplicationShutdown {
  private readonly queue = new PerKeyQueue()
  private readonly pictures = new WorkerPool<PictureAsked, PictureSeen | NoPhoto>({
    file: builtFile(join(import.meta.dirname, 'picture.worker.js')),
    threads: PICTURES_AT_ONCE,
    mostMs: MOST_MS,
    mostWaiting: MOST_WAITING,
    what: 'looking at the photo',
  })

  constructor(
    private readonly db: DataSource,
    private readonly writer: Writer,
    private readonly access: JobAccess,
    private readonly reader: JobReader,
    private readonly records: RecordsService,
    @Inject(SETTINGS) private readonly settings: Settings,
  ) {}

  /** A photo that is at hand whole. */
  async keep(person: Person, jobId: JobId, id: PhotoId, content: Buffer): Promise<PhotoKept> {
    const file = join(this.folder, randomUUID())
    await mkdir(this.folder, { recursive: true })
    await writeFile(file, content)
    return this.keepFile(person, jobId, id, file)
  }

  /**
   * A photo that has arrived in a file, which is gone afterwards. Sent twice at once it is kept once; two at once never take more room than
   * the job has.
   */
  async keepFile(person: Person, jobId: JobId, id: PhotoId, file: string): Promise<PhotoKept> {
    try {
      const seen = await this.look(person, jobId, file)
      return await this.queue.run(jobId, () => this.keepOne(person, jobId, id, file, seen))
    } finally {
      await rm(file, { force: true })
    }
  }

  /** Where photos arrive. */
  get folder(): string {
    return join(this.settings.dataDir, 'photos', 'arriving')
  }

  /** A photo that is kept, as its sender is told; undefined where it is not. */
  async keptAs(jobId: JobId, id: PhotoId): Promise<{ bytes: number; photo: PhotoKept } | undefined> {
    const row = await this.db.getRepository(PhotoRow).findOneBy({ id, jobId })
    return row ? { bytes: row.bytes, photo: answer(row) } : undefined
  }

  /** What the photos of a job take of what they may take. */
  async room(person: Person, jobId: JobId): Promise<PhotoRoom> {
    await this.access.requireVisible(person, jobId)
    const rows = this.db.getRepository(PhotoRow)
    // What is on its way takes room already.
    const coming = await comingBytes(this.settings.dataDir, jobId)
    const bytes = ((await rows.sum('bytes', { jobId })) ?? 0) + coming
    return { count: await rows.countBy({ jobId }), bytes, quota: QUOTA_BYTES }
  }

  /** Taken at all: by somebody who may see the job, while it takes anything, and while there is room. */
  async requireRoom(person: Person, jobId: JobId, more: number): Promise<void> {
    await this.access.requireOpen(person, jobId)
    const { bytes, quota } = await this.room(person, jobId)
    if (bytes + more > quota)
      throw new Refused(
        413,
        'photo-quota',
        `the photos of this job take ${megabytes(bytes)} of the ${megabytes(quota)} that they may take`,
        'photo',
      )
  }

  /** The device took out what a picture tells beside itself before it made the digest: what still tells more was not sent by it. */
  private async look(person: Person, jobId: JobId, file: string): Promise<PictureSeen> {
    await this.access.requireVisible(person, jobId)
    const header = await this.reader.headerOf(jobId)
    const seen = await this.pictures.run({ file, tellsPlace: header?.photosTellPlace === true })
    if (typeof seen === 'string') throw photoRefused(seen)
    if (seen.bare) return seen
    throw new Refused(
      400,
      'photo-tells-more',
      'this picture carries more than its pixels, turn and colour profile, such as the place where it was taken: send it through the application, renewed to its latest version',
      'photo',
    )
  }

  private async keepOne(
    person: Person,
    jobId: JobId,
    id: PhotoId,
    file: string,
    { type, width, height, small, digest, bytes }: PictureSeen,
  ): Promise<PhotoKept> {
    const before = await this.db.getRepository(PhotoRow).findOneBy({ id })
    if (before) {
      if (before.jobId === jobId && before.sha256 === digest) return answer(before)
      throw new Refused(409, 'id-reused', 'another photo has this id already')
    }
    await this.requireRoom(person, jobId, bytes)
    await this.place(digest, file, small)
    const keptAt = new Date().toISOString()
    const row = { id, jobId, sha256: digest, type, width, height, bytes, personId: person.id, keptAt }
    await this.writer.inTransaction((transaction) => transaction.insert(PhotoRow, row))
    return answer(row)
  }

  /** The file of a photo, or of its small copy, for those who may see the job; one that is not what was kept is never shown as if it were. */
  async fileFor(
    person: Person,
    jobId: string,
    id: string,
    small: boolean,
  ): Promise<{ file: string; type: string }> {
    await this.access.requireVisible(person, jobId)
    const { whole, type, digest } = await this.placeOf(jobId, id)
    if (small) return { file: await smallOf(whole, digest), type: 'image/webp' }
    if ((await digestOfFile(whole).catch(() => undefined)) !== digest) throw photoBroken()
    return { file: whole, type }
  }

  /** Where a photo of a job lies, or of a record from elsewhere. */
  private async placeOf(jobId: string, id: string): Promise<{ whole: string; type: string; digest: string }> {
    const row = await this.db.getRepository(PhotoRow).findOneBy({ id, jobId })
    const foreign = row ? undefined : await this.records.fileOf(jobId, 'photos', id)
    const found = row ? { ...row, folder: this.settings.dataDir } : foreign
    if (!found) throw notFound('photo')
    return { whole: photoPath(found.folder, found.sha256), type: found.type, digest: found.sha256 }
  }

  /** What lies under a digest and is something else is put right: the content is here. */
  private async place(digest: string, file: string, small: Uint8Array): Promise<void> {
    const target = photoPath(this.settings.dataDir, digest)
    await mkdir(dirname(target), { recursive: true })
    if (!existsSync(smallPath(target))) await durable(smallPath(target), small)
    await rename(file, target)
  }

  async onApplicationShutdown(): Promise<void> {
    await this.pictures.end()
  }
}

const megabytes = (bytes: number) => `${Math.round(bytes / 1e6)} MB`

const answer = ({ id, sha256, width, height }: PhotoRow): PhotoKept => ({ id, sha256, width, height })
