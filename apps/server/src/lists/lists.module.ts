import { Module } from '@nestjs/common'
import { EntriesModule } from '../entries/entries.module.js'
import { ListsController } from './lists.controller.js'
import { ListsService } from './lists.service.js'
import { RebuildService } from './rebuild.service.js'
import { SavedFiltersService } from './saved-filters.service.js'

@Module({
  imports: [EntriesModule],
  controllers: [ListsController],
  providers: [ListsService, RebuildService, SavedFiltersService],
  exports: [ListsService, RebuildService],
})
export class ListsModule {}
