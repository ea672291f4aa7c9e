import { Body, Controller, Delete, Get, HttpCode, Post, Res } from '@nestjs/common'
import type { Response } from 'express'
import { SamplesDto, type SampleRecords, type SampleSheet } from '@plumb-mark/contract'
import type { Person } from '@plumb-mark/core'
import { Audited } from '../audit/audited.js'
import { By, MayCall } from '../http/access.js'
import { DtoPipe } from '../http/dto.pipe.js'
import { whenGone } from '../work/gone.js'
import { SampleRecordsService } from './sample-records.service.js'
import { SamplesService } from './samples.service.js'

@Controller('api/samples')
export class SamplesController {
  constructor(
    private readonly samples: SamplesService,
    private readonly records: SampleRecordsService,
  ) {}

  @MayCall('inspector', 'reviewer', 'office')
  @Get('sheets')
  list(): Promise<SampleSheet[]> {
    return this.samples.list()
  }

  @MayCall('office')
  @Audited('sheet kept')
  @HttpCode(204)
  @Post('sheets')
  async take(@Body(new DtoPipe(SamplesDto)) { ids }: SamplesDto): Promise<void> {
    await this.samples.take(ids)
  }

  @MayCall('inspector', 'reviewer', 'office')
  @Get('records')
  listRecords(): Promise<SampleRecords> {
    return this.records.list()
  }

  @MayCall('office')
  @HttpCode(200)
  @Post('records')
  addRecords(@By() by: Person, @Res({ passthrough: true }) response: Response): Promise<SampleRecords> {
    return this.records.add(by, { signal: whenGone(response) })
  }

  @MayCall('office')
  @Audited('record removed')
  @HttpCode(204)
  @Delete('records')
  removeRecords(): Promise<void> {
    return this.records.remove()
  }
}
