import { Module } from '@nestjs/common'
import { RecordsModule } from '../records/records.module.js'
import { SheetsModule } from '../sheets/sheets.module.js'
import { SamplesController } from './samples.controller.js'
import { SampleRecordsService } from './sample-records.service.js'
import { SamplesService } from './samples.service.js'

@Module({
  imports: [RecordsModule, SheetsModule],
  controllers: [SamplesController],
  providers: [SampleRecordsService, SamplesService],
  exports: [SamplesService],
})
export class SamplesModule {}
