import { Injectable } from '@nestjs/common'
import type { JobBundle } from '@plumb-mark/contract'
import type { JobId, Person } from '@plumb-mark/core'
import { Writer } from '../database/writer.js'
import { EntriesService } from '../entries/entries.service.js'
import { InstrumentsService } from '../instruments/instruments.service.js'
import { IntegrityService } from '../sign-off/integrity.service.js'

@Injectable()
export class JobsService {
  constructor(
    private readonly writer: Writer,
    private readonly entries: EntriesService,
    private readonly instruments: InstrumentsService,
    private readonly integrity: IntegrityService,
  ) {}

  /** What the workspace loads; it needs no judgement, so a job that cannot be judged can be opened and put right. */
  async bundle(person: Person, jobId: JobId): Promise<JobBundle> {
    const record = await this.entries.recordFor(person, jobId)
    const { told, sheets } = record
    const signer = await this.integrity.signerOf(jobId, record)
    const readOnly = await this.entries.readOnly(jobId)
    return {
      id: jobId,
      entries: [...told],
      sheets: [...sheets.values()],
      // An installer measures nothing, and learns of no instruments.
      instruments: person.role === 'installer' ? [] : await this.instruments.list(),
      broken: [...(await this.integrity.brokenIn(jobId, record))],
      keyFingerprint: signer.kind === 'nobody' ? '' : signer.key,
      ...(signer.kind !== 'own' && { signer }),
      ...(readOnly !== undefined && { readOnly }),
    }
  }

  /** Puts a job away from the lists, or back; its record stays as it is and can be opened. */
  async archive(person: Person, jobId: JobId, archived: boolean): Promise<void> {
    await this.entries.requireVisible(person, jobId)
    await this.writer.inTransaction((transaction) =>
      transaction.query('UPDATE job_summaries SET archived = ? WHERE jobId = ?', [Number(archived), jobId]),
    )
  }
}
