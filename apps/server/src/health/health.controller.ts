import { Controller, Get } from '@nestjs/common'
import { DataSource } from 'typeorm'
import { Anyone } from '../accounts/access.js'
import { BackupService } from '../backup/backup.service.js'
import { VERSION } from './version.js'

/** For whoever watches the machine: alive, able to answer, and which version, and when it was last backed up; nothing about jobs or people. */
@Controller('health')
export class HealthController {
  constructor(
    private readonly db: DataSource,
    private readonly backups: BackupService,
  ) {}

  @Anyone()
  @Get()
  async health(): Promise<{ live: true; ready: boolean; version: string; lastBackup: string | null }> {
    const ready = await this.db.query('SELECT 1').then(
      () => true,
      () => false,
    )
    const last = ready ? await this.backups.lastGood() : undefined
    return { live: true, ready, version: VERSION, lastBackup: last?.at ?? null }
  }
}
