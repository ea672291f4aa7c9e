import { join } from 'node:path'
import { Injectable, type OnApplicationShutdown } from '@nestjs/common'
import type { ReportQueryDto } from '@plumb-mark/contract'
import { photosShown, type JobId, type JobState, type Person } from '@plumb-mark/core'
import { EntriesService } from '../../entries/entries.service.js'
import { ReportLookService } from '../../office/report-look.service.js'
import { PhotosService } from '../../evidence/photos.service.js'
import { IntegrityService } from '../../sign-off/integrity.service.js'
import { WorkerPool, builtFile, type Step } from '../../work/worker-pool.js'
import type { ReportAsked } from './report.worker.js'

const MOST_MS = 300_000

/** Reports, set beside the thread that answers everybody, one after the other. */
@Injectable()
export class ReportsService implements OnApplicationShutdown {
  private readonly pool = new WorkerPool<ReportAsked, Uint8Array>({
    file: builtFile(join(import.meta.dirname, 'report.worker.js')),
    threads: 1,
    mostMs: MOST_MS,
    what: 'the report',
  })

  constructor(
    private readonly entries: EntriesService,
    private readonly photos: PhotosService,
    private readonly integrity: IntegrityService,
    private readonly look: ReportLookService,
  ) {}

  async make(
    person: Person,
    jobId: JobId,
    wish: Pick<ReportQueryDto, 'for' | 'paper'>,
    how: { signal: AbortSignal; onStep: (step: Step) => void; reworkAddress: string },
  ): Promise<{ pdf: Uint8Array; state: JobState }> {
    const record = await this.entries.recordFor(person, jobId)
    const { told: entries, sheets, state } = record
    const photos = new Map<string, string>()
    for (const { id } of entries.flatMap(photosShown))
      if (!photos.has(id)) {
        // One that is gone is told where it would have been shown.
        const found = await this.photos.fileFor(person, jobId, id, true).catch(() => undefined)
        if (found) photos.set(id, found.file)
      }
    const broken = await this.integrity.brokenIn(jobId, record)
    const signer = await this.integrity.signerOf(jobId, record)
    const { paper, letterhead, parts } = await this.look.read()
    const asked = {
      wish: { paper: wish.paper ?? paper, letterhead, parts: parts[wish.for ?? 'record'] },
      reworkAddress: how.reworkAddress,
      entries,
      sheets: [...sheets.values()],
      broken,
      keyFingerprint: signer.kind === 'nobody' ? 'none' : signer.key,
      photos,
    }
    return { pdf: await this.pool.run(asked, how), state }
  }

  async onApplicationShutdown(): Promise<void> {
    await this.pool.end()
  }
}
