import { Module } from '@nestjs/common'
import { EntriesModule } from '../entries/entries.module.js'
import { SheetsModule } from './sheets.module.js'
import { SignedRecordsController } from './signed-records.controller.js'
import { SignedRecordsService } from './signed-records.service.js'

@Module({
  imports: [EntriesModule, SheetsModule],
  controllers: [SignedRecordsController],
  providers: [SignedRecordsService],
})
export class SignedRecordsModule {}
