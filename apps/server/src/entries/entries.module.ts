import { Module } from '@nestjs/common'
import { InstrumentsModule } from '../instruments/instruments.module.js'
import { SheetsModule } from '../sheets/sheets.module.js'
import { EntriesService } from './entries.service.js'

@Module({
  imports: [SheetsModule, InstrumentsModule],
  providers: [EntriesService],
  exports: [EntriesService],
})
export class EntriesModule {}
