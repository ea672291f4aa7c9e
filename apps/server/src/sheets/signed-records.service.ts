import { setImmediate } from 'node:timers/promises'
import { Injectable } from '@nestjs/common'
import type { SignedRecords } from '@plumb-mark/contract'
import { inspect, judgedOtherwise, otherRevisions, withSheet, type Person } from '@plumb-mark/core'
import { EntriesService } from '../entries/entries.service.js'
import { SheetsService } from './sheets.service.js'

/** Records looked through for one revision; the latest first. More of them are told of, and left. */
const MOST = 50

/** Which signed records would be judged otherwise today, by a revision that came after they were signed. */
@Injectable()
export class SignedRecordsService {
  constructor(
    private readonly sheets: SheetsService,
    private readonly entries: EntriesService,
  ) {}

  async under(person: Person, id: string): Promise<SignedRecords> {
    const { sheet } = await this.sheets.one(id)
    const earlier = otherRevisions(id, await this.sheets.list()).filter(({ date }) => date < sheet.date)
    const signed: { jobId: string; number: string; title: string; from: string; revision: string }[] = []
    for (const { id: from, revision } of earlier)
      for (const job of (await this.sheets.one(from)).usedBy)
        if (job.sealed) signed.push({ jobId: job.id, number: job.number, title: job.title, from, revision })
    const records: SignedRecords['records'] = []
    for (const { from, ...job } of signed.slice(0, MOST)) {
      const { state, sheets } = await this.entries.recordFor(person, job.jobId)
      const changes = judgedOtherwise(inspect(state, sheets), withSheet(state, sheets, from, sheet))
      if (changes.length > 0)
        records.push({
          ...job,
          checks: changes.map(({ title, place, clause, verdictBefore, verdictAfter }) => ({
            title,
            place,
            clause,
            before: verdictBefore ?? 'not-applicable',
            after: verdictAfter ?? 'not-applicable',
          })),
        })
      // Others are answered between two records.
      await setImmediate()
    }
    return { records, looked: Math.min(signed.length, MOST), left: Math.max(0, signed.length - MOST) }
  }
}
