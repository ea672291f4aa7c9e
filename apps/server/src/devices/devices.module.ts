import { Module } from '@nestjs/common'
import { EntriesModule } from '../entries/entries.module.js'
import { DevicesController } from './devices.controller.js'
import { DevicesService } from './devices.service.js'
import { NetworksService } from './networks.service.js'

@Module({
  imports: [EntriesModule],
  controllers: [DevicesController],
  providers: [DevicesService, NetworksService],
})
export class DevicesModule {}
