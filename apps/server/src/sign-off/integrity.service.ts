import { Injectable } from '@nestjs/common'
import { DataSource } from 'typeorm'
import type { JobId, Signer } from '@plumb-mark/core'
import { InstallationsService } from '../installations/installations.service.js'
import { JobRow } from '../entries/job.entities.js'
import { ArchiveWork } from '../records/archive-work.js'
import type { OpenRecord } from '../entries/ports.js'
import { SealKey } from '../seals/seal-key.js'
import { SealRow } from '../seals/seal.entity.js'

/** A sealed record as it stands now against what was sealed, and by whose key. */
@Injectable()
export class IntegrityService {
  constructor(
    private readonly db: DataSource,
    private readonly key: SealKey,
    private readonly work: ArchiveWork,
    private readonly installations: InstallationsService,
  ) {}

  /** What is broken in a sealed record, in words; nothing for one that is open or intact. */
  async brokenIn(jobId: JobId, foreign: OpenRecord | undefined): Promise<readonly string[]> {
    if (foreign) return foreign.broken
    const job = await this.db.getRepository(JobRow).findOneBy({ id: jobId })
    // A seal that was taken out of the entries leaves its row, and one whose row is gone its time.
    const sealed = (job?.sealedAt ?? null) !== null || (await this.sealOf(jobId)) !== null
    return sealed ? this.work.verify(jobId) : []
  }

  /** Whose key signed a record; of one that is open, whose would. */
  async signerOf(jobId: JobId, foreign: OpenRecord | undefined): Promise<Signer> {
    if (foreign) return this.installations.signerOf(foreign.row.publicKey)
    const seal = await this.sealOf(jobId)
    return seal ? this.installations.signerOf(seal.publicKey) : { kind: 'own', key: this.key.fingerprint }
  }

  private sealOf(jobId: JobId): Promise<SealRow | null> {
    return this.db.getRepository(SealRow).findOneBy({ jobId })
  }
}
