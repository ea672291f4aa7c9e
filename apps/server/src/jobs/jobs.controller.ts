import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import {
  Body,
  Controller,
  Get,
  HttpCode,
  Param,
  ParseUUIDPipe,
  Post,
  Put,
  Res,
  Sse,
  type MessageEvent,
} from '@nestjs/common'
import type { Response } from 'express'
import { map, type Observable } from 'rxjs'
import { ArchivedDto, JobsImportDto, validateEntries, type Appended } from '@plumb-mark/contract'
import type { Person } from '@plumb-mark/core'
import { By, MayCall } from '../http/access.js'
import { Audited } from '../audit/audited.js'
import { EntriesService } from '../entries/entries.service.js'
import { JobAccess } from '../entries/job-access.service.js'
import { DtoPipe } from '../http/dto.pipe.js'
import { Refused } from '../http/refused.js'
import { JobsService } from './jobs.service.js'

@Controller('api/jobs')
export class JobsController {
  constructor(
    private readonly jobs: JobsService,
    private readonly entries: EntriesService,
    private readonly access: JobAccess,
  ) {}

  @MayCall('inspector', 'installer', 'reviewer', 'office')
  @Get(':id')
  async bundle(
    @By() person: Person,
    @Param('id', ParseUUIDPipe) id: string,
    @Res() response: Response,
  ): Promise<void> {
    const text = Readable.from(await this.jobs.bundle(person, id))
    response.type('application/json; charset=utf-8')
    // Whoever goes away in the middle ends it; a fault in the middle is a line that breaks, never half a job that passes for one.
    await pipeline(text, response).catch(() => response.destroy())
  }

  @MayCall('office')
  @HttpCode(204)
  @Audited('imported')
  @Post('import')
  import(@By() person: Person, @Body(new DtoPipe(JobsImportDto)) wish: JobsImportDto): Promise<void> {
    return this.jobs.openAll(person, wish)
  }

  @MayCall('office')
  @HttpCode(204)
  @Audited('archived')
  @Put(':id/archived')
  archive(
    @By() person: Person,
    @Param('id', ParseUUIDPipe) id: string,
    @Body(new DtoPipe(ArchivedDto)) { archived }: ArchivedDto,
  ): Promise<void> {
    return this.jobs.archive(person, id, archived)
  }

  /** What others enter while this person looks; what came before stands in the job as it was loaded. */
  @MayCall('inspector', 'installer', 'reviewer', 'office')
  @Sse(':id/entries/live')
  async live(
    @By() person: Person,
    @Param('id', ParseUUIDPipe) id: string,
  ): Promise<Observable<MessageEvent>> {
    await this.access.requireVisible(person, id)
    return this.entries.following(person, id).pipe(map((entries) => ({ data: { entries } })))
  }

  /** Who may write what is core's to say; every role may knock. */
  @MayCall('inspector', 'installer', 'reviewer', 'office')
  @HttpCode(200)
  @Post(':id/entries')
  async append(
    @By() person: Person,
    @Param('id', ParseUUIDPipe) id: string,
    @Body() body: unknown,
  ): Promise<Appended> {
    const sent = (body as { entries?: unknown } | undefined)?.entries
    const count = Array.isArray(sent) ? sent.length : 0
    const checked = await this.entries.inTurn(count, () => validateEntries(body))
    if (!checked.ok) throw new Refused(400, checked.error.code, checked.error.message, checked.error.path)
    return this.entries.append(person, id, checked.value, checked.beside)
  }
}
