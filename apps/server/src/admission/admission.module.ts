import { Global, Module } from '@nestjs/common'
import { AssignmentsModule } from '../assignments/assignments.module.js'
import { CalculationModule } from '../calculation/calculation.module.js'
import { Attestor, EntryGuard, EntryProjections, ForeignRecords, SheetLibrary } from '../entries/ports.js'
import { InstrumentsModule } from '../instruments/instruments.module.js'
import { RecordsModule } from '../records/records.module.js'
import { RecordsService } from '../records/records.service.js'
import { SealKey } from '../seals/seal-key.js'
import { SealKeyModule } from '../seals/seal-key.module.js'
import { SheetsModule } from '../sheets/sheets.module.js'
import { SheetsService } from '../sheets/sheets.service.js'
import { TracesModule } from '../traces/traces.module.js'
import { JobEntryGuard } from './job-entry-guard.js'
import { Projections } from './projections.js'

/** Gives the keeping of entries what it needs from the features, which it does not know. */
@Global()
@Module({
  imports: [
    AssignmentsModule,
    SheetsModule,
    InstrumentsModule,
    CalculationModule,
    SealKeyModule,
    TracesModule,
    RecordsModule,
  ],
  providers: [
    { provide: EntryGuard, useClass: JobEntryGuard },
    { provide: EntryProjections, useClass: Projections },
    { provide: SheetLibrary, useExisting: SheetsService },
    { provide: ForeignRecords, useExisting: RecordsService },
    { provide: Attestor, useExisting: SealKey },
  ],
  exports: [EntryGuard, EntryProjections, SheetLibrary, ForeignRecords, Attestor],
})
export class AdmissionModule {}
