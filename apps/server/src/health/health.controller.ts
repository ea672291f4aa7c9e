import { Controller, Get } from '@nestjs/common'
import { DataSource } from 'typeorm'
import { Anyone } from '../http/access.js'
import { BackupService } from '../backup/backup.service.js'
import { SealKey } from '../seals/seal-key.js'
import { VERSION } from '../version.js'

interface Health {
  live: true
  ready: boolean
  version: string
  lastBackup: string | null
  /** `another` where the key of the seals is missing or was changed outside, until the office has accepted it. */
  sealKey: 'as before' | 'another'
}

/** For whoever watches the machine: alive, able to answer, and which version, and when it was last backed up; nothing about jobs or people. */
@Controller('health')
export class HealthController {
  constructor(
    private readonly db: DataSource,
    private readonly backups: BackupService,
    private readonly key: SealKey,
  ) {}

  @Anyone()
  @Get()
  async health(): Promise<Health> {
    const ready = await this.db.query('SELECT 1').then(
      () => true,
      () => false,
    )
    const last = ready ? await this.backups.lastGood() : undefined
    const sealKey = this.key.isUnexpected ? 'another' : 'as before'
    return { live: true, ready, version: VERSION, lastBackup: last?.at ?? null, sealKey }
  }
}
