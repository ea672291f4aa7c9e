import { Module, type DynamicModule } from '@nestjs/common'
import { AdmissionModule } from './admission/admission.module.js'
import { AccountsModule } from './accounts/accounts.module.js'
import { AuditModule } from './audit/audit.module.js'
import type { HeldFolder } from './database/data-folder.js'
import { DatabaseModule, type OpenDatabase } from './database/database.module.js'
import { BackupModule } from './backup/backup.module.js'
import { DemoAccountsModule } from './demo/demo-accounts.controller.js'
import { DevicesModule } from './devices/devices.module.js'
import { EvidenceModule } from './evidence/evidence.module.js'
import { ExchangeModule } from './exchange/exchange.module.js'
import { FiguresModule } from './figures/figures.module.js'
import { HealthModule } from './health/health.module.js'
import { JobsModule } from './jobs/jobs.module.js'
import { ReinspectionModule } from './reinspection/reinspection.module.js'
import { ListsModule } from './lists/lists.module.js'
import { RecordsModule } from './records/records.module.js'
import { SamplesModule } from './samples/samples.module.js'
import { OfficeModule } from './office/office.module.js'
import { SignedRecordsModule } from './sheets/signed-records.module.js'
import { VisitsModule } from './visits/visits.module.js'
import { SETTINGS, type Settings } from './settings.js'

@Module({})
export class AppModule {
  static with(settings: Settings, db: OpenDatabase, held: HeldFolder): DynamicModule {
    return {
      module: AppModule,
      global: true,
      imports: [
        DatabaseModule.with(db, held),
        FiguresModule,
        AuditModule,
        AccountsModule,
        ReinspectionModule,
        RecordsModule,
        AdmissionModule,
        ListsModule,
        JobsModule,
        EvidenceModule,
        ExchangeModule,
        VisitsModule,
        SignedRecordsModule,
        DevicesModule,
        BackupModule,
        HealthModule,
        OfficeModule,
        SamplesModule,
        DemoAccountsModule,
      ],
      providers: [{ provide: SETTINGS, useValue: settings }],
      exports: [SETTINGS],
    }
  }
}
