import { Module } from '@nestjs/common'
import { BackupModule } from '../backup/backup.module.js'
import { HealthController } from './health.controller.js'

@Module({ imports: [BackupModule], controllers: [HealthController] })
export class HealthModule {}
