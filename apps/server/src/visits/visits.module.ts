import { Module } from '@nestjs/common'
import { AgainModule } from '../again/again.module.js'
import { EntriesModule } from '../entries/entries.module.js'
import { VisitsController } from './visits.controller.js'
import { VisitsService } from './visits.service.js'

@Module({
  imports: [AgainModule, EntriesModule],
  controllers: [VisitsController],
  providers: [VisitsService],
  exports: [VisitsService],
})
export class VisitsModule {}
