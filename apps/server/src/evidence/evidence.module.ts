import { Module } from '@nestjs/common'
import { EntriesModule } from '../entries/entries.module.js'
import { PhotosController } from './photos.controller.js'
import { PhotosService } from './photos.service.js'

@Module({
  imports: [EntriesModule],
  controllers: [PhotosController],
  providers: [PhotosService],
  exports: [PhotosService],
})
export class EvidenceModule {}
