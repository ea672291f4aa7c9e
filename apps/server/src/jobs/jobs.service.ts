import { Injectable } from '@nestjs/common'
import { v7 as uuid } from 'uuid'
import type { JobBundle, JobsImportDto } from '@plumb-mark/contract'
import { newJob, type JobId, type NewEntry, type Person } from '@plumb-mark/core'
import { AccountsService } from '../accounts/accounts.service.js'
import { AssignmentsService } from '../assignments/assignments.service.js'
import { Writer } from '../database/writer.js'
import { EntriesService } from '../entries/entries.service.js'
import { JobAccess } from '../entries/job-access.service.js'
import { JobReader } from '../entries/job-reader.service.js'
import { Refused } from '../http/refused.js'
import { InstrumentsService } from '../instruments/instruments.service.js'
import { RecordsService } from '../records/records.service.js'
import { SheetsService } from '../sheets/sheets.service.js'
import { IntegrityService } from '../sign-off/integrity.service.js'

@Injectable()
export class JobsService {
  constructor(
    private readonly writer: Writer,
    private readonly entries: EntriesService,
    private readonly access: JobAccess,
    private readonly reader: JobReader,
    private readonly instruments: InstrumentsService,
    private readonly sheets: SheetsService,
    private readonly records: RecordsService,
    private readonly integrity: IntegrityService,
    private readonly assignments: AssignmentsService,
    private readonly accounts: AccountsService,
  ) {}

  /**
   * What the workspace loads, as the text of a `JobBundle`, some hundred entries at a time. It needs no judgement, so a job that cannot be
   * judged can be opened and put right; nor is a long record read for it, which would keep others waiting.
   */
  async bundle(person: Person, jobId: JobId): Promise<AsyncIterable<string>> {
    const { foreign: row } = await this.access.named(person, jobId)
    const foreign = row && (await this.records.read(row))
    const signer = await this.integrity.signerOf(jobId, foreign)
    const readOnly =
      (await this.access.readOnly(jobId)) ??
      (await this.assignments.refusal(person, () => this.reader.peopleOf(jobId)))
    const sheets = foreign ? [...foreign.sheets.values()] : await this.sheets.usedBy(jobId)
    const rest: Omit<JobBundle, 'entries'> = {
      id: jobId,
      sheets,
      // An installer measures nothing, and learns of no instruments.
      instruments: person.role === 'installer' ? [] : await this.instruments.list(),
      broken: [...(await this.integrity.brokenIn(jobId, foreign))],
      keyFingerprint: signer.kind === 'nobody' ? '' : signer.key,
      ...(signer.kind !== 'own' && { signer }),
      ...(readOnly !== undefined && { readOnly }),
    }
    const texts = foreign ? textsOf(foreign.entries) : this.reader.texts(jobId)
    return asJson(rest, texts)
  }

  /** Opens the jobs of a file, all or none, in the name of who sends it. */
  async openAll(person: Person, { jobs, timeZone }: JobsImportDto): Promise<void> {
    const [library, people] = [await this.sheets.list(), await this.accounts.people()]
    const wishes = jobs.map(({ number, title, site, customer, school, units, people: ids, due }, i) => {
      const named = ids.map((id) => people.find((one) => one.id === id))
      const missing = units.find(({ sheetId }) => !library.some(({ id }) => id === sheetId))
      if (named.includes(undefined))
        throw new Refused(409, 'unknown-person', 'nobody here has this id', `jobs[${i}].people`)
      if (missing)
        throw new Refused(
          409,
          'unknown-sheet',
          `no sheet here is called “${missing.sheetId}”`,
          `jobs[${i}].units`,
        )
      const header = {
        ...{ number, title, site, customer, school },
        units: school === 'nec' ? ('us' as const) : ('metric' as const),
        rule: 'guarded' as const,
        ...(due && { due }),
        ...(timeZone && { timeZone }),
      }
      return newJob({ header, units, people: named as Person[] }, library, uuid)
    })
    const at = new Date().toISOString()
    await this.entries.openAll(
      person,
      wishes.map((changes) => ({
        jobId: uuid(),
        entries: changes.map((change) => ({ id: uuid(), at, ...change }) as NewEntry),
      })),
    )
  }

  /** Puts a job away from the lists, or back; its record stays as it is and can be opened. */
  async archive(person: Person, jobId: JobId, archived: boolean): Promise<void> {
    await this.access.requireVisible(person, jobId)
    await this.writer.inTransaction((transaction) =>
      transaction.query('UPDATE job_summaries SET archived = ? WHERE jobId = ?', [Number(archived), jobId]),
    )
  }
}

async function* textsOf(entries: readonly object[]): AsyncGenerator<string[]> {
  yield entries.map((entry) => JSON.stringify(entry))
}

/** An object with a list of entries at its end, each of which is JSON already. */
async function* asJson(rest: object, entries: AsyncIterable<string[]>): AsyncGenerator<string> {
  yield `${JSON.stringify(rest).slice(0, -1)},"entries":[`
  let first = true
  for await (const texts of entries) {
    yield `${first ? '' : ','}${texts.join(',')}`
    first = false
  }
  yield ']}'
}
