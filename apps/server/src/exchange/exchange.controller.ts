import { Controller, Get, Param, ParseUUIDPipe, Query, Req, Res } from '@nestjs/common'
import type { Request, Response } from 'express'
import { ReportQueryDto } from '@plumb-mark/contract'
import type { Person } from '@plumb-mark/core'
import { By, MayCall } from '../http/access.js'
import { Audited } from '../audit/audited.js'
import { DtoPipe } from '../http/dto.pipe.js'
import { whenGone } from '../work/gone.js'
import { WorkService } from '../work/work.service.js'
import { ArchiveService } from './archive.service.js'
import { fileName } from './file-name.js'
import { ReportsService } from './report/reports.service.js'

@Controller('api/jobs/:id')
export class ExchangeController {
  constructor(
    private readonly archive: ArchiveService,
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
    const { name, text } = await this.archive.inspection(person, id, { signal: whenGone(response) })
    response
      .attachment(`${fileName(name)}.json`)
      .type('application/json; charset=utf-8')
      .send(text)
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
    const { pdf, name } = await this.work.following(person, work, (onStep) =>
      this.reports.make(person, id, wish, {
        signal,
        onStep,
        reworkAddress: `${protocol}://${headers.host}/jobs/${id}/rework`,
      }),
    )
    response
      .attachment(`${fileName(name)}.pdf`)
      .type('application/pdf')
      .send(Buffer.from(pdf))
  }
}
