import { appendFile, mkdir, readFile, readdir, rm, stat, truncate } from 'node:fs/promises'
import { join } from 'node:path'
import { Inject, Injectable, type OnModuleInit } from '@nestjs/common'
import type { PhotoPart } from '@plumb-mark/contract'
import type { JobId, Person, PhotoId } from '@plumb-mark/core'
import { PerKeyQueue } from '../http/per-key-queue.js'
import { Refused } from '../http/refused.js'
import { SETTINGS, type Settings } from '../settings.js'
import { LARGEST_PHOTO_BYTES, PhotosService } from './photos.service.js'

const STALE_MS = 14 * 86_400_000

/** Photos that come in parts over a thin line: what arrived stays, and the next part begins where the last one ended. */
@Injectable()
export class PhotoPartsService implements OnModuleInit {
  private readonly queue = new PerKeyQueue()

  constructor(
    private readonly photos: PhotosService,
    @Inject(SETTINGS) private readonly settings: Settings,
  ) {}

  /** What nobody came back for in two weeks is let go. */
  async onModuleInit(): Promise<void> {
    for (const name of await readdir(this.folder).catch(() => [])) {
      const { mtimeMs } = await stat(join(this.folder, name))
      if (mtimeMs < Date.now() - STALE_MS) await rm(join(this.folder, name))
    }
  }

  async have(person: Person, jobId: JobId, id: PhotoId): Promise<PhotoPart> {
    await this.photos.requireRoom(person, jobId, 0)
    return { have: await this.length(person, jobId, id) }
  }

  /** Adds a part where the last one ended; with the last part the photo is kept. */
  add(
    person: Person,
    jobId: JobId,
    id: PhotoId,
    { from, of, part }: { from: number; of: number; part: Buffer },
  ): Promise<PhotoPart> {
    return this.queue.run(id, async () => {
      await this.photos.requireRoom(person, jobId, of)
      if (of > LARGEST_PHOTO_BYTES || from + part.length > of)
        throw new Refused(413, 'too-large', `a photo may have ${LARGEST_PHOTO_BYTES} bytes`, 'of')
      const file = this.file(person, jobId, id)
      const before = await this.length(person, jobId, id)
      if (from > before) throw new Refused(409, 'part-missing', `the next part begins at ${before}`, 'from')
      await mkdir(this.folder, { recursive: true })
      // A part that is sent again, because its answer was lost, takes the place of the first.
      if (from < before) await truncate(file, from)
      await appendFile(file, part)
      const have = from + part.length
      if (have < of) return { have }
      try {
        return { have, kept: await this.photos.keep(person, jobId, id, await readFile(file)) }
      } finally {
        await rm(file, { force: true })
      }
    })
  }

  private get folder(): string {
    return join(this.settings.dataDir, 'photos', 'coming')
  }

  /** One for each sender: nobody adds to what another began. */
  private file(person: Person, jobId: JobId, id: PhotoId): string {
    return join(this.folder, `${person.id}.${jobId}.${id}`)
  }

  private async length(person: Person, jobId: JobId, id: PhotoId): Promise<number> {
    return (await stat(this.file(person, jobId, id)).catch(() => ({ size: 0 }))).size
  }
}
