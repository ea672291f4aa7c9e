import { Module } from '@nestjs/common'
import { TracesService } from './traces.service.js'

/** The keeping of traces; entries ask it whether what they say of one is true. */
@Module({ providers: [TracesService], exports: [TracesService] })
export class TracesModule {}
