import { Module } from '@nestjs/common'
import { AccountsModule } from '../accounts/accounts.module.js'
import { AssignmentsModule } from '../assignments/assignments.module.js'
import { EntriesModule } from '../entries/entries.module.js'
import { InstrumentsModule } from '../instruments/instruments.module.js'
import { SignOffModule } from '../sign-off/sign-off.module.js'
import { RecordsModule } from '../records/records.module.js'
import { SheetsModule } from '../sheets/sheets.module.js'
import { JobsController } from './jobs.controller.js'
import { JobsService } from './jobs.service.js'

@Module({
  imports: [
    AccountsModule,
    AssignmentsModule,
    EntriesModule,
    InstrumentsModule,
    SignOffModule,
    RecordsModule,
    SheetsModule,
  ],
  controllers: [JobsController],
  providers: [JobsService],
})
export class JobsModule {}
