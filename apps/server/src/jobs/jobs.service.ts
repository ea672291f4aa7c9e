import { Inject, Injectable } from '@nestjs/common'
import { DataSource, In } from 'typeorm'
import type { JobBundle, JobSummary } from '@plumb-mark/contract'
import type { JobId, Person } from '@plumb-mark/core'
import { EntriesService } from '../entries/entries.service.js'
import { InstrumentsService } from '../instruments/instruments.service.js'
import { SETTINGS, type Settings } from '../settings.js'
import { IntegrityService } from '../sign-off/integrity.service.js'
import { SealKey } from '../sign-off/seal-key.js'
import { JobPersonRow, JobRow, JobSummaryRow } from './job.entities.js'
import { SUMMARY_VERSION, summaryOf, unjudged, type SummaryFacts } from './job-summary.js'

@Injectable()
export class JobsService {
  constructor(
    private readonly db: DataSource,
    private readonly entries: EntriesService,
    private readonly instruments: InstrumentsService,
    private readonly integrity: IntegrityService,
    private readonly key: SealKey,
    @Inject(SETTINGS) private readonly settings: Settings,
  ) {}

  /**
   * The jobs this person may see, latest change first, with what each is waiting for: read from rows that were written with the entries,
   * so that no job is opened for it. One that has none yet is opened once; one that cannot be judged is listed with its reason and hides
   * none of the others.
   */
  async list(person: Person): Promise<JobSummary[]> {
    const rows = await this.visible(person)
    const kept = await this.db.getRepository(JobSummaryRow).findBy({ version: SUMMARY_VERSION })
    const facts = new Map(kept.map((row) => [row.jobId, JSON.parse(row.facts) as SummaryFacts]))
    const listed: JobSummary[] = []
    for (const row of rows) {
      const { id, number, changedAt } = row
      listed.push({ id, number, changedAt, ...(facts.get(id) ?? (await this.summarised(person, row))) })
    }
    return listed
  }

  /** The row of a job of before, made and kept. */
  private async summarised(person: Person, { id, sealedAt }: JobRow): Promise<SummaryFacts> {
    try {
      const facts = summaryOf((await this.entries.jobFor(person, id)).inspection)
      const row = { jobId: id, version: SUMMARY_VERSION, facts: JSON.stringify(facts) }
      await this.db.getRepository(JobSummaryRow).upsert(row, ['jobId'])
      return facts
    } catch (problem) {
      this.settings.log.error({ err: problem, job: id }, 'fault: a job cannot be judged')
      const { state } = await this.entries.recordFor(person, id).catch(() => ({ state: undefined }))
      return unjudged(state?.header, sealedAt !== null)
    }
  }

  /** What the workspace loads; it needs no judgement, so a job that cannot be judged can be opened and put right. */
  async bundle(person: Person, jobId: JobId): Promise<JobBundle> {
    const record = await this.entries.recordFor(person, jobId)
    const { entries, sheets } = record
    return {
      id: jobId,
      entries: [...entries],
      sheets: [...sheets.values()],
      instruments: await this.instruments.list(),
      broken: await this.integrity.brokenIn(jobId, record),
      keyFingerprint: this.key.fingerprint,
    }
  }

  private async visible(person: Person): Promise<JobRow[]> {
    const order = { changedAt: 'DESC' } as const
    if (person.role !== 'installer') return this.db.getRepository(JobRow).find({ order })
    const shared = await this.db.getRepository(JobPersonRow).findBy({ personId: person.id })
    return this.db.getRepository(JobRow).find({ where: { id: In(shared.map(({ jobId }) => jobId)) }, order })
  }
}
