import { Controller, Get, Param, ParseUUIDPipe, Query, Req, Res } from '@nestjs/common'
import type { Request, Response } from 'express'
import { ReportQueryDto } from '@plumb-mark/contract'
import type { JobState, Person } from '@plumb-mark/core'
import { By, MayCall } from '../accounts/access.js'
import { Audited } from '../audit/audited.js'
import { EntriesService } from '../entries/entries.service.js'
import { DtoPipe } from '../http/dto.pipe.js'
import { IntegrityService } from '../sign-off/integrity.service.js'
import { whenGone } from '../work/gone.js'
import { WorkService } from '../work/work.service.js'
import { fileName } from './file-name.js'
import { inspectionFile } from './inspection-export.js'
import { ReportsService } from './report/reports.service.js'

@Controller('api/jobs/:id')
export class ExchangeController {
  constructor(
    private readonly entries: EntriesService,
    private readonly integrity: IntegrityService,
    private readonly reports: ReportsService,
    private readonly work: WorkService,
  ) {}

  @MayCall('inspector', 'reviewer', 'office')
  @Audited('exported')
  @Get('inspection.json')
  async inspection(
    @By() person: Person,
    @Param('id', ParseUUIDPipe) id: string,
    @Res() response: Response,
  ): Promise<void> {
    const record = await this.entries.recordFor(person, id)
    const { entries, state, sheets } = record
    const attested = await this.integrity.attestationOf(id, record)
    response
      .attachment(`${fileName(nameOf(state))}.json`)
      .json(inspectionFile(id, entries, sheets.values(), attested))
  }

  @MayCall('inspector', 'reviewer', 'office')
  @Audited('exported')
  @Get('report.pdf')
  async report(
    @By() person: Person,
    @Param('id', ParseUUIDPipe) id: string,
    @Query(new DtoPipe(ReportQueryDto)) { work, ...wish }: ReportQueryDto,
    @Req() { protocol, headers }: Request,
    @Res() response: Response,
  ): Promise<void> {
    const signal = whenGone(response)
    const { pdf, state } = await this.work.following(person, work, (onStep) =>
      this.reports.make(person, id, wish, {
        signal,
        onStep,
        reworkAddress: `${protocol}://${headers.host}/jobs/${id}/rework`,
      }),
    )
    response
      .attachment(`${fileName(nameOf(state))}.pdf`)
      .type('application/pdf')
      .send(Buffer.from(pdf))
  }
}

const nameOf = ({ header }: JobState) => `plumb-mark ${header?.number ?? ''} ${header?.title ?? ''}`
