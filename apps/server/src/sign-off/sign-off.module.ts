import { Module } from '@nestjs/common'
import { EvidenceModule } from '../evidence/evidence.module.js'
import { TracesModule } from '../traces/traces.module.js'
import { IntegrityService } from './integrity.service.js'
import { SealKeyModule } from './seal-key.module.js'

@Module({
  imports: [EvidenceModule, SealKeyModule, TracesModule],
  providers: [IntegrityService],
  exports: [IntegrityService, SealKeyModule],
})
export class SignOffModule {}
