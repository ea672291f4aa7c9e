import { Module } from '@nestjs/common'
import { AssignmentsModule } from '../assignments/assignments.module.js'
import { SheetsModule } from '../sheets/sheets.module.js'
import { OfficeController } from './office.controller.js'
import { ReportLookService } from './report-look.service.js'

@Module({
  imports: [AssignmentsModule, SheetsModule],
  controllers: [OfficeController],
  providers: [ReportLookService],
  exports: [ReportLookService],
})
export class OfficeModule {}
