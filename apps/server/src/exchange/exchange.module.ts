import { Module } from '@nestjs/common'
import { EntriesModule } from '../entries/entries.module.js'
import { EvidenceModule } from '../evidence/evidence.module.js'
import { SignOffModule } from '../sign-off/sign-off.module.js'
import { ExchangeController } from './exchange.controller.js'

@Module({ imports: [EntriesModule, EvidenceModule, SignOffModule], controllers: [ExchangeController] })
export class ExchangeModule {}
