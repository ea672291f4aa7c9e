import { Module } from '@nestjs/common'
import { SheetsModule } from '../sheets/sheets.module.js'
import { SamplesController } from './samples.controller.js'
import { SamplesService } from './samples.service.js'

@Module({
  imports: [SheetsModule],
  controllers: [SamplesController],
  providers: [SamplesService],
  exports: [SamplesService],
})
export class SamplesModule {}
