import { Module } from '@nestjs/common'
import { EntriesModule } from '../entries/entries.module.js'
import { VisitsController } from './visits.controller.js'
import { VisitsService } from './visits.service.js'

@Module({
  imports: [EntriesModule],
  controllers: [VisitsController],
  providers: [VisitsService],
  exports: [VisitsService],
})
export class VisitsModule {}
