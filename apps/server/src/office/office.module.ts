import { Module } from '@nestjs/common'
import { OfficeController } from './office.controller.js'
import { ReportLookService } from './report-look.service.js'

@Module({ controllers: [OfficeController], providers: [ReportLookService], exports: [ReportLookService] })
export class OfficeModule {}
