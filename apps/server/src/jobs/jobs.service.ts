import { Inject, Injectable } from '@nestjs/common'
import { DataSource, In } from 'typeorm'
import type { JobBundle, JobSummary } from '@plumb-mark/contract'
import {
  isOpen,
  waitingFor,
  type Inspection,
  type JobHeader,
  type JobId,
  type Person,
  type Severity,
} from '@plumb-mark/core'
import { EntriesService } from '../entries/entries.service.js'
import { InstrumentsService } from '../instruments/instruments.service.js'
import { SETTINGS, type Settings } from '../settings.js'
import { IntegrityService } from '../sign-off/integrity.service.js'
import { SealKey } from '../sign-off/seal-key.js'
import { JobPersonRow, JobRow } from './job.entities.js'

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
   * The jobs this person may see, latest change first, with what each is waiting for. One that cannot be
   * judged is listed with its reason and hides none of the others.
   */
  async list(person: Person): Promise<JobSummary[]> {
    const rows = await this.visible(person)
    return Promise.all(rows.map((row) => this.summaryOf(person, row)))
  }

  private async summaryOf(person: Person, row: JobRow): Promise<JobSummary> {
    try {
      return summary(row, (await this.entries.jobFor(person, row.id)).inspection)
    } catch (problem) {
      this.settings.log.error({ err: problem, job: row.id }, 'fault: a job cannot be judged')
      const { state } = await this.entries.recordFor(person, row.id).catch(() => ({ state: undefined }))
      return unjudged(row, state?.header)
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

const NAMELESS = { title: '', site: '', customer: '' }

function summary({ id, number, changedAt }: JobRow, inspection: Inspection): JobSummary {
  const { state, defects, checks } = inspection
  const { title, site, customer } = state.header ?? NAMELESS
  const { owed, words } = waitingFor(inspection)
  const count = (severity: Severity) =>
    defects.filter((defect) => defect.severity === severity && isOpen(defect)).length
  const left: Record<string, number> = {}
  for (const { check, outcome } of checks)
    if (outcome.verdict === 'not-inspected') left[check.stage] = (left[check.stage] ?? 0) + 1
  return {
    id,
    number,
    title,
    site,
    customer,
    changedAt,
    left,
    waitingFor: words,
    owed,
    sealed: state.seal !== undefined,
    open: { stop: count('stop'), major: count('major'), minor: count('minor'), note: count('note') },
  }
}

/** A job that nothing more can be said of than what stands in its row and its header. */
function unjudged({ id, number, changedAt, sealedAt }: JobRow, header: JobHeader | undefined): JobSummary {
  const { title, site, customer } = header ?? NAMELESS
  return {
    id,
    number,
    title,
    site,
    customer,
    changedAt,
    left: {},
    owed: [],
    waitingFor: 'somebody to put right what cannot be judged',
    problem: 'this job cannot be judged: open it to see and correct what was entered; the fault is logged',
    sealed: sealedAt !== null,
    open: { stop: 0, major: 0, minor: 0, note: 0 },
  }
}
