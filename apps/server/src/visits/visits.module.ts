import { Module } from '@nestjs/common'
import { ReinspectionModule } from '../reinspection/reinspection.module.js'
import { EntriesModule } from '../entries/entries.module.js'
import { VisitsController } from './visits.controller.js'
import { VisitsService } from './visits.service.js'

@Module({
  imports: [ReinspectionModule, EntriesModule],
  controllers: [VisitsController],
  providers: [VisitsService],
  exports: [VisitsService],
})
export class VisitsModule {}
