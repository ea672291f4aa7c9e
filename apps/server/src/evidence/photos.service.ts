import { existsSync } from 'node:fs'
import { mkdir, readFile } from 'node:fs/promises'
import { dirname } from 'node:path'
import { Inject, Injectable } from '@nestjs/common'
import sharp from 'sharp'
import { DataSource } from 'typeorm'
import { digestOfFile, durable, photoPath, sha256 } from '@plumb-mark/archive'
import type { PhotoKept, PhotoRoom } from '@plumb-mark/contract'
import { tellsNoMore, type JobId, type Person, type PhotoId } from '@plumb-mark/core'
import { Writer } from '../database/writer.js'
import { EntriesService } from '../entries/entries.service.js'
import { PerKeyQueue } from '../http/per-key-queue.js'
import { Refused, notFound } from '../http/refused.js'
import { RecordsService } from '../records/records.service.js'
import { SETTINGS, type Settings } from '../settings.js'
import { Line } from '../work/line.js'
import { comingBytes } from './coming.js'
import { PhotoRow } from './photo.entity.js'

export const LARGEST_PHOTO_BYTES = 20 * 1024 * 1024
const MOST_PIXELS = 60_000_000
/** Some hundred photos of a phone. */
const QUOTA_BYTES = 600e6
const TYPES: Record<string, string> = { jpeg: 'image/jpeg', png: 'image/png', webp: 'image/webp' }
const THUMBNAIL_EDGE = 480

/** Pictures that are unpacked at one moment: each takes a core and some hundred megabytes. */
const PICTURES_AT_ONCE = 2
const MOST_WAITING = 200

/** Photos: judged by their content and not by their name, kept under their digest beside the database, with a small copy. */
@Injectable()
export class PhotosService {
  private readonly queue = new PerKeyQueue()
  private readonly pictures = new Line(PICTURES_AT_ONCE, MOST_WAITING)

  constructor(
    private readonly db: DataSource,
    private readonly writer: Writer,
    private readonly entries: EntriesService,
    private readonly records: RecordsService,
    @Inject(SETTINGS) private readonly settings: Settings,
  ) {}

  /** A photo that is sent twice at once is kept once; two at once never take more room than the job has. */
  async keep(person: Person, jobId: JobId, id: PhotoId, content: Buffer): Promise<PhotoKept> {
    await this.requireNoMore(person, jobId, content)
    const leave = await this.pictures.enter()
    const seen = await picture(content).finally(leave)
    return this.queue.run(jobId, () => this.keepOne(person, jobId, id, content, seen))
  }

  /** A photo that is kept, as its sender is told; undefined where it is not. */
  async keptAs(jobId: JobId, id: PhotoId): Promise<{ bytes: number; photo: PhotoKept } | undefined> {
    const row = await this.db.getRepository(PhotoRow).findOneBy({ id, jobId })
    return row ? { bytes: row.bytes, photo: answer(row) } : undefined
  }

  /** What the photos of a job take of what they may take. */
  async room(person: Person, jobId: JobId): Promise<PhotoRoom> {
    await this.entries.requireVisible(person, jobId)
    const rows = this.db.getRepository(PhotoRow)
    // What is on its way takes room already.
    const coming = await comingBytes(this.settings.dataDir, jobId)
    const bytes = ((await rows.sum('bytes', { jobId })) ?? 0) + coming
    return { count: await rows.countBy({ jobId }), bytes, quota: QUOTA_BYTES }
  }

  /** Taken at all: by somebody who may see the job, while it takes anything, and while there is room. */
  async requireRoom(person: Person, jobId: JobId, more: number): Promise<void> {
    await this.entries.requireOpen(person, jobId)
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
  private async requireNoMore(person: Person, jobId: JobId, content: Buffer): Promise<void> {
    const { state } = await this.entries.recordFor(person, jobId)
    if (tellsNoMore(content, { tellsPlace: state.header?.photosTellPlace })) return
    await picture(content)
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
    content: Buffer,
    { type, width, height, small }: Picture,
  ): Promise<PhotoKept> {
    const digest = sha256(content)
    const before = await this.db.getRepository(PhotoRow).findOneBy({ id })
    if (before) {
      if (before.jobId === jobId && before.sha256 === digest) return answer(before)
      throw new Refused(409, 'id-reused', 'another photo has this id already')
    }
    await this.requireRoom(person, jobId, content.length)
    await this.write(digest, content, small)
    const row: PhotoRow = {
      id,
      jobId,
      sha256: digest,
      type,
      width,
      height,
      bytes: content.length,
      personId: person.id,
      keptAt: new Date().toISOString(),
    }
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
    await this.entries.requireVisible(person, jobId)
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
  private async write(digest: string, content: Buffer, small: Buffer): Promise<void> {
    const file = photoPath(this.settings.dataDir, digest)
    await mkdir(dirname(file), { recursive: true })
    if (!existsSync(smallPath(file))) await durable(smallPath(file), small)
    if ((await digestOfFile(file).catch(() => undefined)) !== digest) await durable(file, content)
  }
}

const smallPath = (whole: string) => `${whole}.small.webp`

/** The small copy; what was imported or restored without it gets it when it is first looked at. */
async function smallOf(whole: string, digest: string): Promise<string> {
  const file = smallPath(whole)
  if (!existsSync(file)) {
    const content = await readFile(whole).catch(() => Buffer.alloc(0))
    if (sha256(content) !== digest) throw photoBroken()
    await durable(file, (await picture(content)).small)
  }
  return file
}

const photoBroken = () =>
  new Refused(410, 'photo-broken', 'the file of this photo is not what was kept: restore it from a backup')

const megabytes = (bytes: number) => `${Math.round(bytes / 1e6)} MB`

interface Picture {
  type: string
  width: number
  height: number
  small: Buffer
}

/** What a picture is, by its content, with a small copy. What does not decode to its end, such as a file that was cut off, is none. */
async function picture(content: Buffer): Promise<Picture> {
  const refusal = new Refused(400, 'not-a-photo', 'only whole JPEG, PNG and WebP pictures are taken', 'photo')
  const limits = { limitInputPixels: MOST_PIXELS, failOn: 'truncated' } as const
  if (content.length === 0) throw refusal
  const { format, width, height } = await sharp(content, limits)
    .metadata()
    .catch(() => {
      throw refusal
    })
  const type = TYPES[format ?? '']
  if (!type || !width || !height) throw refusal
  if (width * height > MOST_PIXELS)
    throw new Refused(413, 'too-large', `a photo may have ${MOST_PIXELS / 1e6} million pixels`, 'photo')
  const small = await sharp(content, limits)
    .rotate()
    .resize(THUMBNAIL_EDGE, THUMBNAIL_EDGE, { fit: 'inside', withoutEnlargement: true })
    .webp({ quality: 78 })
    .toBuffer()
    .catch(() => {
      throw refusal
    })
  return { type, width, height, small }
}

const answer = ({ id, sha256, width, height }: PhotoRow): PhotoKept => ({ id, sha256, width, height })
