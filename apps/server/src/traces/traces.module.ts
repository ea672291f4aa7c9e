import { Module } from '@nestjs/common'
import { RecordsModule } from '../records/records.module.js'
import { TracesService } from './traces.service.js'

/** The keeping of traces; entries ask it whether what they say of one is true. */
@Module({ imports: [RecordsModule], providers: [TracesService], exports: [TracesService] })
export class TracesModule {}
