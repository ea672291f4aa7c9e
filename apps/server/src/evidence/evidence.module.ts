import { Module } from '@nestjs/common'
import { EntriesModule } from '../entries/entries.module.js'
import { RecordsModule } from '../records/records.module.js'
import { TracesController } from '../traces/traces.controller.js'
import { TracesModule } from '../traces/traces.module.js'
import { PhotoPartsService } from './photo-parts.service.js'
import { PhotosController } from './photos.controller.js'
import { PhotosService } from './photos.service.js'

@Module({
  imports: [EntriesModule, RecordsModule, TracesModule],
  controllers: [PhotosController, TracesController],
  providers: [PhotosService, PhotoPartsService],
  exports: [PhotosService],
})
export class EvidenceModule {}
