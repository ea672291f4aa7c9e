import { Body, Controller, Get, HttpCode, Post } from '@nestjs/common'
import { SamplesDto, type SampleSheet } from '@plumb-mark/contract'
import { Audited } from '../audit/audited.js'
import { MayCall } from '../http/access.js'
import { DtoPipe } from '../http/dto.pipe.js'
import { SamplesService } from './samples.service.js'

@Controller('api/samples')
export class SamplesController {
  constructor(private readonly samples: SamplesService) {}

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
}
