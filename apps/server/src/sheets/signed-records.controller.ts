import { Controller, Get, Param } from '@nestjs/common'
import type { SignedRecords } from '@plumb-mark/contract'
import type { Person } from '@plumb-mark/core'
import { By, MayCall } from '../http/access.js'
import { SignedRecordsService } from './signed-records.service.js'

@Controller('api/sheets')
export class SignedRecordsController {
  constructor(private readonly signed: SignedRecordsService) {}

  @MayCall('inspector', 'reviewer', 'office')
  @Get(':id/signed')
  under(@By() person: Person, @Param('id') id: string): Promise<SignedRecords> {
    return this.signed.under(person, id)
  }
}
