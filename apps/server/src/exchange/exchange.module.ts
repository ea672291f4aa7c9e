import { Module } from '@nestjs/common'
import { EntriesModule } from '../entries/entries.module.js'
import { EvidenceModule } from '../evidence/evidence.module.js'
import { SignOffModule } from '../sign-off/sign-off.module.js'
import { ListsModule } from '../lists/lists.module.js'
import { RecordsModule } from '../records/records.module.js'
import { ArchiveController } from './archive.controller.js'
import { ArchiveService } from './archive.service.js'
import { OfficeModule } from '../office/office.module.js'
import { WorkModule } from '../work/work.module.js'
import { ReportsService } from './report/reports.service.js'
import { ExchangeController } from './exchange.controller.js'

@Module({
  imports: [
    EntriesModule,
    EvidenceModule,
    ListsModule,
    RecordsModule,
    SignOffModule,
    WorkModule,
    OfficeModule,
  ],
  controllers: [ExchangeController, ArchiveController],
  providers: [ArchiveService, ReportsService],
})
export class ExchangeModule {}
