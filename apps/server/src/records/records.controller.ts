import { Controller, Delete, Get, HttpCode, Param, ParseUUIDPipe } from '@nestjs/common'
import type { RecordKept } from '@plumb-mark/contract'
import { MayCall } from '../http/access.js'
import { Audited } from '../audit/audited.js'
import { RecordsService } from './records.service.js'

@Controller('api/records')
export class RecordsController {
  constructor(private readonly records: RecordsService) {}

  @MayCall('inspector', 'reviewer', 'office')
  @Get()
  list(): Promise<RecordKept[]> {
    return this.records.list()
  }

  @MayCall('office')
  @Audited('record removed')
  @HttpCode(204)
  @Delete(':id')
  remove(@Param('id', ParseUUIDPipe) id: string): Promise<void> {
    return this.records.remove(id)
  }
}
