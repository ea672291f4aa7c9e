import { Injectable } from '@nestjs/common'
import { DataSource } from 'typeorm'
import {
  admit,
  mayHoldWhereDone,
  photosShown,
  type Inspection,
  type JobHeader,
  type JobId,
  type NewEntry,
  type Person,
  type PhotoRef,
} from '@plumb-mark/core'
import { PersonRow } from '../accounts/account.entities.js'
import { AssignmentsService } from '../assignments/assignments.service.js'
import { CalculationService } from '../calculation/calculation.service.js'
import { PhotoRow } from '../evidence/photo.entity.js'
import { requireSignature } from '../evidence/signature.js'
import { TracesService } from '../traces/traces.service.js'
import { Refused } from '../http/refused.js'
import { InstrumentsService } from '../instruments/instruments.service.js'
import { JobRow } from '../entries/job.entities.js'
import type { EntryGuard, JobPeople } from '../entries/ports.js'
import { SheetsService } from '../sheets/sheets.service.js'

/** What an entry must be before it is kept: admitted by core, and speaking only of people, photos, sheets and instruments that are here. */
@Injectable()
export class JobEntryGuard implements EntryGuard {
  constructor(
    private readonly db: DataSource,
    private readonly sheets: SheetsService,
    private readonly instruments: InstrumentsService,
    private readonly calculations: CalculationService,
    private readonly traces: TracesService,
    private readonly assignments: AssignmentsService,
  ) {}

  async requireMayEnter(person: Person, people: () => Promise<JobPeople>): Promise<void> {
    const outside = await this.assignments.refusal(person, people)
    if (outside !== undefined) throw new Refused(403, 'not-assigned', outside)
  }

  async requireAdmitted(
    entry: NewEntry,
    person: Person,
    jobId: JobId,
    inspection: Inspection,
    whereDone: () => Promise<Inspection | undefined>,
  ): Promise<void> {
    const knows = { by: person.id, ...(await this.knownOf(entry)) }
    const now = admit(entry, person.role, inspection, knows)
    const there = now.ok || !mayHoldWhereDone(entry.kind, now.code) ? undefined : await whereDone()
    const answer = there ? admit(entry, person.role, there, knows) : now
    if (!answer.ok && !now.ok) throw new Refused(409, now.code, now.message)
    await this.requirePhotos(photosShown(entry), jobId)
    if (entry.kind === 'record' && 'trace' in entry.body.answer)
      await this.traces.requireTrue(jobId, entry.body.answer)
    if ('instrument' in entry.body && entry.body.instrument && !isOffPhoto(entry))
      await this.instruments.requireSame(entry.body.instrument)
    if (entry.kind === 'job-opened') await this.requireOpenable(entry.body)
    if (entry.kind === 'sheet-adopted') await this.sheets.requirePinnable([entry.body.sheet])
    if (entry.kind === 'shared') await this.requirePerson(entry.body.person)
    if (entry.kind === 'second-reader-asked' && entry.body.person) await this.requirePerson(entry.body.person)
    if (entry.kind === 'signed') await this.requireLicence(person, entry.body.licence)
    if (entry.kind === 'signed') await this.sheets.requireReleased(inspection)
    if (entry.kind === 'signed' || entry.kind === 'handed-over') await requireSignature(entry.body.drawing)
  }

  /** A calculation is worked out beside the thread that answers everybody; core is told what came of it. */
  private async knownOf(entry: NewEntry) {
    if (entry.kind !== 'calculation-kept') return {}
    const done = await this.calculations.attempt(entry.body.calculator, entry.body.input)
    return { computes: () => done }
  }

  private async requireOpenable({ number, sheets }: JobHeader): Promise<void> {
    if (await this.db.getRepository(JobRow).existsBy({ number }))
      throw new Refused(409, 'number-taken', `another job has the number ${number} already`, 'number')
    await this.sheets.requirePinnable(sheets)
  }

  private async requirePhotos(photos: readonly PhotoRef[], jobId: JobId): Promise<void> {
    for (const { id, sha256: digest } of photos) {
      const kept = await this.db.getRepository(PhotoRow).existsBy({ id, jobId, sha256: digest })
      if (!kept) throw new Refused(409, 'unknown-photo', 'send the photo before the entry that shows it')
    }
  }

  /** Whoever has a licence here signs with that one. */
  private async requireLicence({ id }: Person, licence: string): Promise<void> {
    const row = await this.db.getRepository(PersonRow).findOneBy({ id })
    if (row?.licence?.trim() && row.licence.trim() !== licence.trim())
      throw new Refused(
        409,
        'licence-differs',
        'this is not the licence that the office keeps for you',
        'licence',
      )
  }

  /** A job is shared with somebody who is here, by the name and in the role that they have. */
  private async requirePerson({ id, name, role }: Person): Promise<void> {
    const known = await this.db.getRepository(PersonRow).existsBy({ id, name, role })
    if (!known)
      throw new Refused(
        409,
        'unknown-person',
        `nobody here is called “${name}” with this id and role`,
        'person',
      )
  }
}

/** Its instrument is the photo, whose figures follow from its clicks: core has worked them out again. */
const isOffPhoto = (entry: NewEntry): boolean =>
  entry.kind === 'reading' && entry.body.offPhoto !== undefined && entry.body.instrument?.kind === 'photo'
