import { Injectable } from '@nestjs/common'
import { DataSource } from 'typeorm'
import type { DueAgain, IntervalsDto } from '@plumb-mark/contract'
import { nextInspection, type JobHeader } from '@plumb-mark/core'
import { FiguresService } from '../figures/figures.service.js'
import type { SummaryFacts } from '../lists/list-rows.js'

const NAME = 'intervals'
/** More than anybody books at a sitting; the earliest come first. */
const MOST_DUE = 500

interface SignedRow {
  jobId: string
  number: string
  title: string
  site: string
  customer: string
  facts: string
}

/** Which installations come round again, and when. */
@Injectable()
export class ReinspectionService {
  constructor(
    private readonly db: DataSource,
    private readonly figures: FiguresService,
  ) {}

  async intervals(): Promise<IntervalsDto> {
    return (await this.figures.read<IntervalsDto>(NAME)) ?? { intervals: [] }
  }

  async keep({ intervals }: IntervalsDto): Promise<IntervalsDto> {
    const kept = { intervals }
    await this.figures.keep(NAME, kept)
    return kept
  }

  /** What was signed and is not begun anew, the earliest first. */
  async due(): Promise<DueAgain[]> {
    const { intervals } = await this.intervals()
    if (intervals.length === 0) return []
    const rows = await this.db.query<SignedRow[]>(
      `SELECT jobId, number, title, site, customer, facts FROM job_summaries
       WHERE sealed = 1 AND archived = 0 AND jobId NOT IN
         (SELECT json_extract(facts, '$.again') FROM job_summaries WHERE json_extract(facts, '$.again') IS NOT NULL)`,
    )
    return rows
      .flatMap(({ facts, ...job }): DueAgain[] => {
        const { signedAt, school, country } = JSON.parse(facts) as Partial<SummaryFacts>
        if (!signedAt || !school) return []
        const signedOn = signedAt.slice(0, 10)
        const next = nextInspection(
          signedOn,
          { school, country } satisfies Pick<JobHeader, 'school' | 'country'>,
          intervals,
        )
        return next ? [{ ...job, signedOn, ...next }] : []
      })
      .sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0))
      .slice(0, MOST_DUE)
  }
}
