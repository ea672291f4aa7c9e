import { appendFile, mkdir, truncate } from 'node:fs/promises'
import { Inject, Injectable, type OnApplicationShutdown, type OnModuleInit } from '@nestjs/common'
import type { PhotoPart } from '@plumb-mark/contract'
import type { JobId, Person, PhotoId } from '@plumb-mark/core'
import { PerKeyQueue } from '../http/per-key-queue.js'
import { Refused } from '../http/refused.js'
import { SETTINGS, type Settings } from '../settings.js'
import { bytesOf, clearStale, comingFile, comingFolder } from './coming.js'
import { LARGEST_PHOTO_BYTES, PhotosService } from './photos.service.js'

const DAY_MS = 86_400_000
const STALE_MS = 14 * DAY_MS

/** Photos that come in parts over a thin line: what arrived stays, and the next part begins where the last one ended. */
@Injectable()
export class PhotoPartsService implements OnModuleInit, OnApplicationShutdown {
  private readonly queue = new PerKeyQueue()
  private timer: NodeJS.Timeout | undefined

  constructor(
    private readonly photos: PhotosService,
    @Inject(SETTINGS) private readonly settings: Settings,
  ) {}

  async onModuleInit(): Promise<void> {
    const clear = async () => {
      await clearStale(comingFolder(this.settings.dataDir), STALE_MS)
      await clearStale(this.photos.folder, DAY_MS)
    }
    await clear()
    this.timer = setInterval(() => void clear().catch(() => undefined), DAY_MS).unref()
  }

  onApplicationShutdown(): void {
    clearInterval(this.timer)
  }

  async have(person: Person, jobId: JobId, id: PhotoId): Promise<PhotoPart> {
    await this.photos.requireRoom(person, jobId, 0)
    const kept = await this.photos.keptAs(jobId, id)
    if (kept) return { have: kept.bytes, kept: kept.photo }
    return { have: await bytesOf(comingFile(this.settings.dataDir, person.id, jobId, id)) }
  }

  /** Adds a part where the last one ended; with the last part the photo is kept. */
  add(
    person: Person,
    jobId: JobId,
    id: PhotoId,
    { from, of, part }: { from: number; of: number; part: Buffer },
  ): Promise<PhotoPart> {
    // One after the other in a job: what is on its way counts towards its room.
    return this.queue.run(jobId, async () => {
      const kept = await this.photos.keptAs(jobId, id)
      // Its last answer was lost: the photo is here, and the part is of nothing any more.
      if (kept) return { have: kept.bytes, kept: kept.photo }
      if (part.length === 0) throw new Refused(400, 'missing', 'a part holds at least one byte', 'part')
      if (of > LARGEST_PHOTO_BYTES || from + part.length > of)
        throw new Refused(413, 'too-large', `a photo may have ${LARGEST_PHOTO_BYTES} bytes`, 'of')
      const file = comingFile(this.settings.dataDir, person.id, jobId, id)
      const before = await bytesOf(file)
      await this.photos.requireRoom(person, jobId, of - before)
      if (from > before) throw new Refused(409, 'part-missing', `the next part begins at ${before}`, 'from')
      await mkdir(comingFolder(this.settings.dataDir), { recursive: true })
      // A part that is sent again, because its answer was lost, takes the place of the first.
      if (from < before) await truncate(file, from)
      await appendFile(file, part, { mode: 0o600 })
      const have = from + part.length
      if (have < of) return { have }
      return { have, kept: await this.photos.keepFile(person, jobId, id, file) }
    })
  }
}
