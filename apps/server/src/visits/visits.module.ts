import { Module } from '@nestjs/common'
import { ReinspectionModule } from '../reinspection/reinspection.module.js'
import { EntriesModule } from '../entries/entries.module.js'
import { ListsModule } from '../lists/lists.module.js'
import { VisitsController } from './visits.controller.js'
import { VisitsService } from './visits.service.js'

@Module({
  imports: [ReinspectionModule, EntriesModule, ListsModule],
  controllers: [VisitsController],
  providers: [VisitsService],
  exports: [VisitsService],
})
export class VisitsModule {}
