import { join } from 'node:path'
import { Injectable, Inject, type OnApplicationShutdown } from '@nestjs/common'
import { recordFolder } from '@plumb-mark/archive'
import type { ReportQueryDto } from '@plumb-mark/contract'
import type { JobId, Person } from '@plumb-mark/core'
import { JobAccess } from '../../entries/job-access.service.js'
import { ReportLookService } from '../../office/report-look.service.js'
import { RecordsService } from '../../records/records.service.js'
import { SETTINGS, type Settings } from '../../settings.js'
import { IntegrityService } from '../../sign-off/integrity.service.js'
import { WorkerPool, builtFile, type Asking } from '../../work/worker-pool.js'
import { nameOf } from '../file-name.js'
import type { ReportAsked } from './report.worker.js'

const MOST_MS = 300_000
const MOST_WAITING = 20

/** Reports, set beside the thread that answers everybody, one after the other. */
@Injectable()
export class ReportsService implements OnApplicationShutdown {
  private readonly pool = new WorkerPool<ReportAsked, Uint8Array>({
    file: builtFile(join(import.meta.dirname, 'report.worker.js')),
    threads: 1,
    mostMs: MOST_MS,
    mostWaiting: MOST_WAITING,
    what: 'the report',
  })

  constructor(
    private readonly access: JobAccess,
    private readonly records: RecordsService,
    private readonly integrity: IntegrityService,
    private readonly look: ReportLookService,
    @Inject(SETTINGS) private readonly settings: Settings,
  ) {}

  async make(
    person: Person,
    jobId: JobId,
    wish: Pick<ReportQueryDto, 'for' | 'paper'>,
    { reworkAddress, ...how }: Asking & { reworkAddress: string },
  ): Promise<{ pdf: Uint8Array; name: string }> {
    const { foreign: row, ...named } = await this.access.named(person, jobId)
    const foreign = row && (await this.records.read(row))
    const signer = await this.integrity.signerOf(jobId, foreign)
    const { paper, letterhead, parts } = await this.look.read()
    const { dataDir } = this.settings
    const asked: ReportAsked = {
      wish: { paper: wish.paper ?? paper, letterhead, parts: parts[wish.for ?? 'record'] },
      reworkAddress,
      broken: await this.integrity.brokenIn(jobId, foreign),
      keyFingerprint: signer.kind === 'nobody' ? 'none' : signer.key,
      of: foreign
        ? {
            kind: 'record',
            folder: recordFolder(dataDir, foreign.row.id),
            entries: foreign.entries,
            sheets: [...foreign.sheets.values()],
            photos: new Map([...foreign.photos].map(([id, { sha256 }]) => [id, sha256])),
          }
        : { kind: 'job', folder: dataDir, jobId },
    }
    return { pdf: await this.pool.run(asked, how), name: nameOf(named) }
  }

  async onApplicationShutdown(): Promise<void> {
    await this.pool.end()
  }
}
