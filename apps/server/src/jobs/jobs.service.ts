import { Injectable } from '@nestjs/common'
import { DataSource, In } from 'typeorm'
import type { JobBundle, JobSummary } from '@plumb-mark/contract'
import { isOpen, waitingFor, type Inspection, type Person, type Severity } from '@plumb-mark/core'
import { EntriesService } from '../entries/entries.service.js'
import { InstrumentsService } from '../instruments/instruments.service.js'
import { JobPersonRow, JobRow } from './job.entities.js'

@Injectable()
export class JobsService {
  constructor(
    private readonly db: DataSource,
    private readonly entries: EntriesService,
    private readonly instruments: InstrumentsService,
  ) {}

  /** The jobs this person may see, latest change first, with what each is waiting for. */
  async list(person: Person): Promise<JobSummary[]> {
    const rows = await this.visible(person)
    return Promise.all(
      rows.map(async (row) => summary(row, (await this.entries.jobFor(person, row.id)).inspection)),
    )
  }

  async bundle(person: Person, jobId: string): Promise<JobBundle> {
    const { entries, inspection } = await this.entries.jobFor(person, jobId)
    return {
      id: jobId,
      entries: [...entries],
      sheets: [...inspection.sheets.values()],
      instruments: await this.instruments.list(),
    }
  }

  private async visible(person: Person): Promise<JobRow[]> {
    const order = { changedAt: 'DESC' } as const
    if (person.role !== 'installer') return this.db.getRepository(JobRow).find({ order })
    const shared = await this.db.getRepository(JobPersonRow).findBy({ personId: person.id })
    return this.db.getRepository(JobRow).find({ where: { id: In(shared.map(({ jobId }) => jobId)) }, order })
  }
}

function summary({ id, changedAt }: JobRow, inspection: Inspection): JobSummary {
  const { state, defects, checks } = inspection
  const { number, title, site, customer } = state.header!
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
    waitingFor: waitingFor(inspection),
    sealed: state.seal !== undefined,
    open: { stop: count('stop'), major: count('major'), minor: count('minor'), note: count('note') },
  }
}
