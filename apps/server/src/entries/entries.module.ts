import { Module } from '@nestjs/common'
import { CalculationModule } from '../calculation/calculation.module.js'
import { InstrumentsModule } from '../instruments/instruments.module.js'
import { SealKeyModule } from '../sign-off/seal-key.module.js'
import { SheetsModule } from '../sheets/sheets.module.js'
import { RecordsModule } from '../records/records.module.js'
import { TracesModule } from '../traces/traces.module.js'
import { EntriesService } from './entries.service.js'
import { EntryGuard } from './entry.guard.js'

@Module({
  imports: [SheetsModule, InstrumentsModule, CalculationModule, SealKeyModule, TracesModule, RecordsModule],
  providers: [EntriesService, EntryGuard],
  exports: [EntriesService],
})
export class EntriesModule {}
