import { Injectable } from '@nestjs/common'
import { DataSource, IsNull, Not } from 'typeorm'
import type { RecordRowValues } from '@plumb-mark/archive'
import type { JobId, Person } from '@plumb-mark/core'
import { Refused, notFound } from '../http/refused.js'
import { JobPersonRow, JobRow } from './job.entities.js'
import { JobReader } from './job-reader.service.js'
import { EntryGuard, ForeignRecords } from './ports.js'

/** What a job is called; its row where it is a record from elsewhere. */
export interface NamedJob {
  number: string
  title: string
  foreign?: RecordRowValues
}

/** Who may see a job, and whether it still takes anything. Whoever may not see it is told that there is none. */
@Injectable()
export class JobAccess {
  constructor(
    private readonly db: DataSource,
    private readonly reader: JobReader,
    private readonly guard: EntryGuard,
    private readonly records: ForeignRecords,
  ) {}

  /** An installer sees what is shared with them; records from elsewhere are seen by everybody else. */
  async isVisible(person: Person, jobId: JobId): Promise<boolean> {
    if (person.role === 'installer')
      return this.db.getRepository(JobPersonRow).existsBy({ jobId, personId: person.id })
    if (await this.db.getRepository(JobRow).existsBy({ id: jobId })) return true
    return (await this.records.find(jobId)) !== undefined
  }

  async requireVisible(person: Person, jobId: JobId): Promise<void> {
    if (!(await this.isVisible(person, jobId))) throw notFound('job')
  }

  /** A job that this person may see and that still takes something from them. */
  async requireOpen(person: Person, jobId: JobId): Promise<void> {
    await this.requireVisible(person, jobId)
    if (await this.db.getRepository(JobRow).existsBy({ id: jobId, sealedAt: Not(IsNull()) }))
      throw new Refused(409, 'sealed', 'this job is signed and sealed: nothing in it can be changed')
    await this.requireContinued(jobId)
    await this.guard.requireMayEnter(person, () => this.reader.peopleOf(jobId))
  }

  /** Refused where a record was imported to be read. */
  async requireContinued(jobId: JobId): Promise<void> {
    const reason = await this.readOnly(jobId)
    if (reason !== undefined) throw new Refused(409, 'read-only', reason)
  }

  /** Why a record takes nothing: it was imported to be read. Undefined for a job that is worked on here. */
  async readOnly(jobId: JobId): Promise<string | undefined> {
    const job = await this.db.getRepository(JobRow).findOneBy({ id: jobId })
    const kept = job ? job.readOnly : (await this.records.find(jobId)) !== undefined
    return kept ? 'this record was imported to be read: nothing is added to it here' : undefined
  }

  /** What a job that this person may see is called, without reading it. */
  async named(person: Person, jobId: JobId): Promise<NamedJob> {
    await this.requireVisible(person, jobId)
    const [named] = await this.db.query<NamedJob[]>(
      'SELECT number, title FROM job_summaries WHERE jobId = ?',
      [jobId],
    )
    if (named) return named
    const foreign = await this.records.find(jobId)
    return foreign ? { number: foreign.number, title: foreign.title, foreign } : { number: '', title: '' }
  }
}
