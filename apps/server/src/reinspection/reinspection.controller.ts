import { Body, Controller, Get, Put } from '@nestjs/common'
import { IntervalsDto, type DueAgain } from '@plumb-mark/contract'
import { MayCall } from '../http/access.js'
import { Audited } from '../audit/audited.js'
import { DtoPipe } from '../http/dto.pipe.js'
import { ReinspectionService } from './reinspection.service.js'

@Controller('api')
export class ReinspectionController {
  constructor(private readonly again: ReinspectionService) {}

  @MayCall('inspector', 'reviewer', 'office')
  @Get('due-again')
  due(): Promise<DueAgain[]> {
    return this.again.due()
  }

  @MayCall('inspector', 'reviewer', 'office')
  @Get('office/intervals')
  intervals(): Promise<IntervalsDto> {
    return this.again.intervals()
  }

  @MayCall('office')
  @Audited('intervals changed')
  @Put('office/intervals')
  keep(@Body(new DtoPipe(IntervalsDto)) intervals: IntervalsDto): Promise<IntervalsDto> {
    return this.again.keep(intervals)
  }
}
