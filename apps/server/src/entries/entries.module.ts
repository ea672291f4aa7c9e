import { Module } from '@nestjs/common'
import { EntriesService } from './entries.service.js'
import { JobAccess } from './job-access.service.js'
import { JobReader } from './job-reader.service.js'

const SERVICES = [JobReader, JobAccess, EntriesService]

/** Its ports are filled by `AdmissionModule`, which is global. */
@Module({ providers: SERVICES, exports: SERVICES })
export class EntriesModule {}
