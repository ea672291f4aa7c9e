import { Controller, Delete, Get, HttpCode, Param, ParseUUIDPipe } from '@nestjs/common'
import type { Installations } from '@plumb-mark/contract'
import { MayCall } from '../accounts/access.js'
import { Audited } from '../audit/audited.js'
import { InstallationsService } from './installations.service.js'

@Controller('api/office/installations')
export class InstallationsController {
  constructor(private readonly installations: InstallationsService) {}

  @MayCall('office')
  @Get()
  list(): Promise<Installations> {
    return this.installations.list()
  }

  @MayCall('office')
  @Audited('installation removed')
  @HttpCode(204)
  @Delete(':id')
  remove(@Param('id', ParseUUIDPipe) id: string): Promise<void> {
    return this.installations.remove(id)
  }
}
