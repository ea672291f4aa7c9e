import { Module } from '@nestjs/common'
import { ReinspectionController } from './reinspection.controller.js'
import { ReinspectionService } from './reinspection.service.js'

@Module({
  controllers: [ReinspectionController],
  providers: [ReinspectionService],
  exports: [ReinspectionService],
})
export class ReinspectionModule {}
