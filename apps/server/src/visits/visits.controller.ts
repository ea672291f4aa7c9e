import {
  Body,
  Controller,
  Delete,
  Get,
  HttpCode,
  Param,
  ParseUUIDPipe,
  Put,
  Query,
  Res,
} from '@nestjs/common'
import type { Response } from 'express'
import { VisitDto, VisitsFromDto, type PlannedVisit } from '@plumb-mark/contract'
import type { Person, Visit } from '@plumb-mark/core'
import { By, MayCall } from '../http/access.js'
import { ListsService } from '../lists/lists.service.js'
import { ReinspectionService } from '../reinspection/reinspection.service.js'
import { Audited } from '../audit/audited.js'
import { DtoPipe } from '../http/dto.pipe.js'
import { calendarOf } from './calendar.js'
import { VisitsService } from './visits.service.js'

@Controller('api')
export class VisitsController {
  constructor(
    private readonly visits: VisitsService,
    private readonly again: ReinspectionService,
    private readonly lists: ListsService,
  ) {}

  @MayCall('inspector', 'reviewer', 'office')
  @Get('visits')
  list(@Query(new DtoPipe(VisitsFromDto)) { from }: VisitsFromDto): Promise<PlannedVisit[]> {
    return this.visits.list(from ? { from } : {})
  }

  @MayCall('inspector', 'reviewer', 'office')
  @Get('visits.ics')
  async calendar(@Res() response: Response): Promise<void> {
    response
      .attachment('plumb-mark-visits.ics')
      .type('text/calendar; charset=utf-8')
      .send(
        calendarOf(
          'Plumb Mark visits',
          await this.visits.list(),
          await this.again.due(),
          await this.lists.dues(),
        ),
      )
  }

  @MayCall('inspector', 'reviewer', 'office')
  @Get('jobs/:id/visits.ics')
  async ofJob(@Param('id', ParseUUIDPipe) jobId: string, @Res() response: Response): Promise<void> {
    response
      .attachment('plumb-mark-visits.ics')
      .type('text/calendar; charset=utf-8')
      .send(calendarOf('Plumb Mark visits', await this.visits.list({ jobId })))
  }

  @MayCall('inspector', 'office')
  @Audited('visit booked')
  @Put('visits/:id')
  keep(
    @By() person: Person,
    @Param('id', ParseUUIDPipe) id: string,
    @Body(new DtoPipe(VisitDto)) visit: VisitDto,
  ): Promise<Visit> {
    return this.visits.keep(person, id, visit)
  }

  @MayCall('inspector', 'office')
  @Audited('visit cancelled')
  @HttpCode(204)
  @Delete('visits/:id')
  cancel(@Param('id', ParseUUIDPipe) id: string): Promise<void> {
    return this.visits.cancel(id)
  }
}
