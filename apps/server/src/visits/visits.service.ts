import { Injectable } from '@nestjs/common'
import { DataSource, In, IsNull, LessThan, MoreThan, MoreThanOrEqual } from 'typeorm'
import { clashes, whenWords, type JobId, type Person, type Visit } from '@plumb-mark/core'
import type { PlannedVisit, VisitDto } from '@plumb-mark/contract'
import { PersonRow } from '../accounts/account.entities.js'
import { Writer } from '../database/writer.js'
import { JobAccess } from '../entries/job-access.service.js'
import { PerKeyQueue } from '../http/per-key-queue.js'
import { Refused, notFound } from '../http/refused.js'
import { VisitPersonRow, VisitRow } from './visit.entities.js'

/** The calendar: who goes where, and nobody to two places at once. */
@Injectable()
export class VisitsService {
  /** One calendar for all: two bookings are never weighed at the same time. */
  private readonly queue = new PerKeyQueue()

  constructor(
    private readonly db: DataSource,
    private readonly writer: Writer,
    private readonly access: JobAccess,
  ) {}

  /** Visits from a day on, earliest first; of one job when it is named. */
  async list({ from, jobId }: { from?: string; jobId?: string } = {}): Promise<PlannedVisit[]> {
    const rows = await this.db.getRepository(VisitRow).find({
      where: { ...(from && { end: MoreThanOrEqual(from) }), ...(jobId && { jobId }) },
      order: { start: 'ASC' },
    })
    const visits = await this.withPeople(rows)
    const jobs = await this.jobsOf(visits)
    return visits.map((visit) => ({ ...visit, job: jobs.get(visit.jobId) ?? NAMELESS }))
  }

  /** What the jobs of visits are called, from the rows of the lists: none is read for it. */
  private async jobsOf(visits: readonly Visit[]): Promise<ReadonlyMap<JobId, PlannedVisit['job']>> {
    const ids = [...new Set(visits.map(({ jobId }) => jobId))]
    if (ids.length === 0) return new Map()
    const rows = await this.db.query<({ jobId: string } & PlannedVisit['job'])[]>(
      `SELECT jobId, number, title, site FROM job_summaries WHERE jobId IN (SELECT value FROM json_each(?))`,
      [JSON.stringify(ids)],
    )
    return new Map(rows.map(({ jobId, ...job }) => [jobId, job]))
  }

  /** Books a visit, or moves one. Refused when somebody would have to be in two places, or it ends before it begins. */
  async keep(person: Person, id: string, { jobId, start, end, people, purpose }: VisitDto): Promise<Visit> {
    return this.queue.run('calendar', async () => {
      await this.access.requireVisible(person, jobId)
      await this.requireKnown(people)
      const visit: Visit = {
        id,
        jobId,
        start: new Date(start).toISOString(),
        end: new Date(end).toISOString(),
        people: people.map((one) => ({ id: one.id, name: one.name })),
        purpose,
      }
      if (visit.end <= visit.start)
        throw new Refused(400, 'ends-before-start', 'must be after the start', 'end')
      const meanwhile = { end: MoreThan(visit.start), start: LessThan(visit.end) }
      const [clash] = clashes(
        visit,
        await this.withPeople(await this.db.getRepository(VisitRow).findBy(meanwhile)),
      )
      if (clash)
        throw new Refused(
          409,
          'double-booked',
          `${clash.people.map(({ name }) => name).join(' and ')} ${clash.people.length === 1 ? 'is' : 'are'} booked from ${minute(clash.visit.start)} to ${minute(clash.visit.end)} (${clash.visit.purpose})`,
          'people',
        )
      await this.writer.inTransaction(async (transaction) => {
        await transaction.upsert(VisitRow, { id, jobId, start: visit.start, end: visit.end, purpose }, ['id'])
        await transaction.delete(VisitPersonRow, { visitId: id })
        await transaction.insert(
          VisitPersonRow,
          visit.people.map((one) => ({ visitId: id, personId: one.id, name: one.name })),
        )
      })
      return visit
    })
  }

  /** A visit is of people who can be sent: known here by this id and name, and still with us. */
  private async requireKnown(people: VisitDto['people']): Promise<void> {
    for (const [i, { id, name }] of people.entries())
      if (!(await this.db.getRepository(PersonRow).existsBy({ id, name, disabledAt: IsNull() })))
        throw new Refused(
          409,
          'unknown-person',
          `nobody who could be sent is called “${name}” with this id`,
          `people[${i}]`,
        )
  }

  async cancel(id: string): Promise<void> {
    const { affected } = await this.writer.inTransaction((transaction) =>
      transaction.delete(VisitRow, { id }),
    )
    if (!affected) throw notFound('visit')
  }

  private async withPeople(rows: readonly VisitRow[]): Promise<Visit[]> {
    const people =
      rows.length === 0
        ? []
        : await this.db
            .getRepository(VisitPersonRow)
            .find({ where: { visitId: In(rows.map(({ id }) => id)) }, order: { name: 'ASC' } })
    return rows.map(({ id, jobId, start, end, purpose }) => ({
      id,
      jobId,
      start,
      end,
      purpose,
      people: people
        .filter(({ visitId }) => visitId === id)
        .map(({ personId, name }) => ({ id: personId, name })),
    }))
  }
}

const NAMELESS = { number: '', title: '', site: '' }
const minute = (iso: string) => `${whenWords(iso)} UTC`
