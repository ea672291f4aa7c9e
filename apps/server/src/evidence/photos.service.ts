import { existsSync } from 'node:fs'
import { mkdir, open, rename } from 'node:fs/promises'
import { join } from 'node:path'
import { Inject, Injectable } from '@nestjs/common'
import sharp from 'sharp'
import { DataSource } from 'typeorm'
import type { PhotoKept } from '@plumb-mark/contract'
import type { Person } from '@plumb-mark/core'
import { sha256 } from '../database/digest.js'
import { EntriesService } from '../entries/entries.service.js'
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
  constructor(
    private readonly db: DataSource,
    private readonly entries: EntriesService,
    @Inject(SETTINGS) private readonly settings: Settings,
  ) {}

  async keep(person: Person, jobId: string, id: string, content: Buffer): Promise<PhotoKept> {
    const { inspection } = await this.entries.jobFor(person, jobId)
    const digest = sha256(content)
    const before = await this.db.getRepository(PhotoRow).findOneBy({ id })
    if (before) {
      if (before.jobId === jobId && before.sha256 === digest) return answer(before)
      throw new Refused(409, 'id-reused', 'another photo has this id already')
    }
    if (inspection.state.seal)
      throw new Refused(409, 'sealed', 'this job is signed and sealed: nothing in it can be changed')
    const { type, width, height } = await picture(content)
    await this.write(digest, content)
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

  private path(digest: string, small: boolean): string {
    return join(this.settings.dataDir, 'photos', digest.slice(0, 2), small ? `${digest}.small.webp` : digest)
  }

  private async write(digest: string, content: Buffer): Promise<void> {
    const file = this.path(digest, false)
    if (existsSync(file) && existsSync(this.path(digest, true))) return
    await mkdir(join(file, '..'), { recursive: true })
    const small = await sharp(content, { limitInputPixels: MOST_PIXELS })
      .rotate()
      .resize(THUMBNAIL_EDGE, THUMBNAIL_EDGE, { fit: 'inside', withoutEnlargement: true })
      .webp({ quality: 78 })
      .toBuffer()
    await durable(this.path(digest, true), small)
    await durable(file, content)
  }
}

/** On the disk under its name only when it is whole. */
async function durable(file: string, content: Buffer): Promise<void> {
  const handle = await open(`${file}.part`, 'w')
  try {
    await handle.writeFile(content)
    await handle.sync()
  } finally {
    await handle.close()
  }
  await rename(`${file}.part`, file)
}

async function picture(content: Buffer): Promise<{ type: string; width: number; height: number }> {
  const refusal = new Refused(400, 'not-a-photo', 'only JPEG, PNG and WebP pictures are taken', 'photo')
  const { format, width, height } = await sharp(content, { limitInputPixels: MOST_PIXELS })
    .metadata()
    .catch(() => {
      throw refusal
    })
  const type = TYPES[format ?? '']
  if (!type || !width || !height) throw refusal
  if (width * height > MOST_PIXELS)
    throw new Refused(413, 'too-large', `a photo may have ${MOST_PIXELS / 1e6} million pixels`, 'photo')
  return { type, width, height }
}

const answer = ({ id, sha256, width, height }: PhotoRow): PhotoKept => ({ id, sha256, width, height })
