import { Controller, Get, Param, ParseUUIDPipe, Res } from '@nestjs/common'
import type { Response } from 'express'
import type { JobState, Person } from '@plumb-mark/core'
import { By, MayCall } from '../accounts/access.js'
import { Audited } from '../audit/audited.js'
import { EntriesService } from '../entries/entries.service.js'
import { PhotosService } from '../evidence/photos.service.js'
import { IntegrityService } from '../sign-off/integrity.service.js'
import { SealKey } from '../sign-off/seal-key.js'
import { fileName } from './file-name.js'
import { inspectionFile } from './inspection-export.js'
import { report } from './report/report.js'

@Controller('api/jobs/:id')
export class ExchangeController {
  constructor(
    private readonly entries: EntriesService,
    private readonly photos: PhotosService,
    private readonly integrity: IntegrityService,
    private readonly key: SealKey,
  ) {}

  @MayCall('inspector', 'reviewer', 'office')
  @Audited('exported')
  @Get('inspection.json')
  async inspection(
    @By() person: Person,
    @Param('id', ParseUUIDPipe) id: string,
    @Res() response: Response,
  ): Promise<void> {
    const record = await this.entries.recordFor(person, id)
    const { entries, state, sheets } = record
    const attested = await this.integrity.attestationOf(id, record)
    response
      .attachment(`${fileName(nameOf(state))}.json`)
      .json(inspectionFile(id, entries, sheets.values(), attested))
  }

  @MayCall('inspector', 'reviewer', 'office')
  @Audited('exported')
  @Get('report.pdf')
  async report(
    @By() person: Person,
    @Param('id', ParseUUIDPipe) id: string,
    @Res() response: Response,
  ): Promise<void> {
    const { inspection } = await this.entries.jobFor(person, id)
    const broken = await this.integrity.brokenIn(id, await this.entries.recordFor(person, id))
    const pdf = await report(
      { inspection, broken, keyFingerprint: this.key.fingerprint },
      async (photo) => (await this.photos.fileFor(person, id, photo, true)).file,
    )
    response
      .attachment(`${fileName(nameOf(inspection.state))}.pdf`)
      .type('application/pdf')
      .send(pdf)
  }
}

const nameOf = ({ header }: JobState) => `plumb-mark ${header?.number ?? ''} ${header?.title ?? ''}`
