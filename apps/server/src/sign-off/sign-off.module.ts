import { Module } from '@nestjs/common'
import { RecordsModule } from '../records/records.module.js'
import { IntegrityService } from './integrity.service.js'
import { SealKeyModule } from '../seals/seal-key.module.js'

@Module({
  imports: [RecordsModule, SealKeyModule],
  providers: [IntegrityService],
  exports: [IntegrityService, SealKeyModule],
})
export class SignOffModule {}
