import { Injectable } from '@nestjs/common'
import type { JobBundle } from '@plumb-mark/contract'
import type { JobId, Person } from '@plumb-mark/core'
import { Writer } from '../database/writer.js'
import { EntriesService } from '../entries/entries.service.js'
import { InstrumentsService } from '../instruments/instruments.service.js'
import { RecordsService } from '../records/records.service.js'
import { SheetsService } from '../sheets/sheets.service.js'
import { IntegrityService } from '../sign-off/integrity.service.js'

@Injectable()
export class JobsService {
  constructor(
    private readonly writer: Writer,
    private readonly entries: EntriesService,
    private readonly instruments: InstrumentsService,
    private readonly sheets: SheetsService,
    private readonly records: RecordsService,
    private readonly integrity: IntegrityService,
  ) {}

  /**
   * What the workspace loads, as the text of a `JobBundle`, some hundred entries at a time. It needs no judgement, so a job that cannot be
   * judged can be opened and put right; nor is a long record read for it, which would keep others waiting.
   */
  async bundle(person: Person, jobId: JobId): Promise<AsyncIterable<string>> {
    const { foreign: row } = await this.entries.named(person, jobId)
    const foreign = row && (await this.records.read(row))
    const signer = await this.integrity.signerOf(jobId, foreign)
    const readOnly = await this.entries.readOnly(jobId)
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
    const texts = foreign ? textsOf(foreign.entries) : this.entries.texts(jobId)
    return asJson(rest, texts)
  }

  /** Puts a job away from the lists, or back; its record stays as it is and can be opened. */
  async archive(person: Person, jobId: JobId, archived: boolean): Promise<void> {
    await this.entries.requireVisible(person, jobId)
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
