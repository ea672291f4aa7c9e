import { Controller, Get, Query } from '@nestjs/common'
import { AuditQueryDto, type AuditPage } from '@plumb-mark/contract'
import { MayCall } from '../http/access.js'
import { DtoPipe } from '../http/dto.pipe.js'
import { AuditService } from './audit.service.js'

@Controller('api/office/audit')
export class AuditController {
  constructor(private readonly audit: AuditService) {}

  @MayCall('office')
  @Get()
  list(@Query(new DtoPipe(AuditQueryDto)) wish: AuditQueryDto): Promise<AuditPage> {
    return this.audit.list(wish)
  }
}
