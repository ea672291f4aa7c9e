import { Module } from '@nestjs/common'
import { InstallationsModule } from '../installations/installations.module.js'
import { ArchiveWork } from './archive-work.js'
import { RecordsController } from './records.controller.js'
import { RecordsService } from './records.service.js'

@Module({
  imports: [InstallationsModule],
  controllers: [RecordsController],
  providers: [ArchiveWork, RecordsService],
  exports: [ArchiveWork, InstallationsModule, RecordsService],
})
export class RecordsModule {}
