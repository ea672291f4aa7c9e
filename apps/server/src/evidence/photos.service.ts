import { existsSync } from 'node:fs'
import { mkdir } from 'node:fs/promises'
import { join } from 'node:path'
import { Inject, Injectable } from '@nestjs/common'
import sharp from 'sharp'
import { DataSource } from 'typeorm'
import type { PhotoKept } from '@plumb-mark/contract'
import type { JobId, Person, PhotoId } from '@plumb-mark/core'
import { sha256 } from '../database/digest.js'
import { durable } from '../database/durable.js'
import { EntriesService } from '../entries/entries.service.js'
import { PerKeyQueue } from '../http/per-key-queue.js'
import { Refused, notFound } from '../http/refused.js'
import { SETTINGS, type Settings } from '../settings.js'
import { PhotoRow } from './photo.entity.js'

export const LARGEST_PHOTO_BYTES = 20 * 1024 * 1024
const MOST_PIXELS = 60_000_000
const TYPES: Record<string, string> = { jpeg: 'image/jpeg', png: 'image/png', webp: 'image/webp' }
const THUMBNAIL_EDGE = 480

/** Photos: judged by their content and not by their name, kept under their digest beside the database, with a small copy. */
@Injectable()
export class PhotosService {
  private readonly queue = new PerKeyQueue()

  constructor(
    private readonly db: DataSource,
    private readonly entries: EntriesService,
    @Inject(SETTINGS) private readonly settings: Settings,
  ) {}

  /** A photo that is sent twice at once is kept once. */
  keep(person: Person, jobId: JobId, id: PhotoId, content: Buffer): Promise<PhotoKept> {
    return this.queue.run(id, () => this.keepOne(person, jobId, id, content))
  }

  private async keepOne(person: Person, jobId: JobId, id: PhotoId, content: Buffer): Promise<PhotoKept> {
    const digest = sha256(content)
    await this.entries.requireVisible(person, jobId)
    const before = await this.db.getRepository(PhotoRow).findOneBy({ id })
    if (before) {
      if (before.jobId === jobId && before.sha256 === digest) return answer(before)
      throw new Refused(409, 'id-reused', 'another photo has this id already')
    }
    await this.entries.requireOpen(person, jobId)
    const { type, width, height, small } = await picture(content)
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
    await this.db.getRepository(PhotoRow).insert(row)
    return answer(row)
  }

  /** The file of a photo, or of its small copy, for those who may see the job. */
  async fileFor(
    person: Person,
    jobId: string,
    id: string,
    small: boolean,
  ): Promise<{ file: string; type: string }> {
    await this.entries.requireVisible(person, jobId)
    const row = await this.db.getRepository(PhotoRow).findOneBy({ id, jobId })
    if (!row) throw notFound('photo')
    return { file: this.path(row.sha256, small), type: small ? 'image/webp' : row.type }
  }

  /** The file of a photo as it was kept; whoever calls has seen to it that it may be seen. */
  async originalOf(jobId: string, id: string): Promise<string> {
    const row = await this.db.getRepository(PhotoRow).findOneBy({ id, jobId })
    if (!row) throw notFound('photo')
    return this.path(row.sha256, false)
  }

  private path(digest: string, small: boolean): string {
    return join(this.settings.dataDir, 'photos', digest.slice(0, 2), small ? `${digest}.small.webp` : digest)
  }

  private async write(digest: string, content: Buffer, small: Buffer): Promise<void> {
    const file = this.path(digest, false)
    if (existsSync(file) && existsSync(this.path(digest, true))) return
    await mkdir(join(file, '..'), { recursive: true })
    await durable(this.path(digest, true), small)
    await durable(file, content)
  }
}

/** What a picture is, by its content, with a small copy. What does not decode to its end, such as a file that was cut off, is none. */
async function picture(
  content: Buffer,
): Promise<{ type: string; width: number; height: number; small: Buffer }> {
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
