import { Body, Controller, Get, HttpCode, Post, Put } from '@nestjs/common'
import { BackupTimeDto, type BackupState } from '@plumb-mark/contract'
import type { Person } from '@plumb-mark/core'
import { By, MayCall } from '../http/access.js'
import { Audited } from '../audit/audited.js'
import { DtoPipe } from '../http/dto.pipe.js'
import { BackupService } from './backup.service.js'

@Controller('api/office/backups')
export class BackupController {
  constructor(private readonly backups: BackupService) {}

  @MayCall('office')
  @Get()
  state(): Promise<BackupState> {
    return this.backups.state()
  }

  @MayCall('office')
  @HttpCode(204)
  @Post()
  async take(@By() person: Person): Promise<void> {
    await this.backups.take(person)
  }

  @MayCall('office')
  @Audited('backup time changed')
  @HttpCode(204)
  @Put()
  change(@Body(new DtoPipe(BackupTimeDto)) { at }: BackupTimeDto): Promise<void> {
    return this.backups.changeTime(at)
  }
}
