import { Module } from '@nestjs/common'
import { EntriesService } from './entries.service.js'

/** Its ports are filled by `AdmissionModule`, which is global. */
@Module({ providers: [EntriesService], exports: [EntriesService] })
export class EntriesModule {}
