import { Controller, Delete, Get, HttpCode, Param, ParseUUIDPipe, Post } from '@nestjs/common'
import type { Installations } from '@plumb-mark/contract'
import { MayCall } from '../http/access.js'
import { Audited } from '../audit/audited.js'
import { SealKey } from '../seals/seal-key.js'
import { InstallationsService } from './installations.service.js'

@Controller('api/office/installations')
export class InstallationsController {
  constructor(
    private readonly installations: InstallationsService,
    private readonly key: SealKey,
  ) {}

  @MayCall('office')
  @Get()
  list(): Promise<Installations> {
    return this.installations.list()
  }

  /** The key of today, where another stood before, is the one that the office wants. */
  @MayCall('office')
  @Audited('key accepted')
  @HttpCode(204)
  @Post('own-key')
  acceptKey(): void {
    this.key.expect()
  }

  @MayCall('office')
  @Audited('installation removed')
  @HttpCode(204)
  @Delete(':id')
  remove(@Param('id', ParseUUIDPipe) id: string): Promise<void> {
    return this.installations.remove(id)
  }
}
