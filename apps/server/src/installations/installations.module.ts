import { Module } from '@nestjs/common'
import { SealKeyModule } from '../seals/seal-key.module.js'
import { InstallationsController } from './installations.controller.js'
import { InstallationsService } from './installations.service.js'

@Module({
  imports: [SealKeyModule],
  controllers: [InstallationsController],
  providers: [InstallationsService],
  exports: [InstallationsService],
})
export class InstallationsModule {}
