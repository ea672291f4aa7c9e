import { Module } from '@nestjs/common'
import { BackupModule } from '../backup/backup.module.js'
import { SealKeyModule } from '../seals/seal-key.module.js'
import { HealthController } from './health.controller.js'

@Module({ imports: [BackupModule, SealKeyModule], controllers: [HealthController] })
export class HealthModule {}
