import {
  Controller,
  Get,
  Param,
  ParseUUIDPipe,
  Put,
  Res,
  UploadedFile,
  UseInterceptors,
} from '@nestjs/common'
import { FileInterceptor } from '@nestjs/platform-express'
import type { Response } from 'express'
import type { TraceKept } from '@plumb-mark/contract'
import type { Person } from '@plumb-mark/core'
import { By, MayCall } from '../accounts/access.js'
import { EntriesService } from '../entries/entries.service.js'
import { Refused } from '../http/refused.js'
import { LARGEST_TRACE_BYTES, TracesService } from './traces.service.js'

@Controller('api/jobs/:jobId/traces')
export class TracesController {
  constructor(
    private readonly traces: TracesService,
    private readonly entries: EntriesService,
  ) {}

  @MayCall('inspector')
  @UseInterceptors(FileInterceptor('trace', { limits: { fileSize: LARGEST_TRACE_BYTES, files: 1 } }))
  @Put(':id')
  async keep(
    @By() person: Person,
    @Param('jobId', ParseUUIDPipe) jobId: string,
    @Param('id', ParseUUIDPipe) id: string,
    @UploadedFile() file?: { buffer: Buffer },
  ): Promise<TraceKept> {
    if (!file) throw new Refused(400, 'missing', 'send the file in the field “trace”', 'trace')
    await this.entries.requireOpen(person, jobId)
    return this.traces.keep(person.id, jobId, id, file.buffer)
  }

  @MayCall('inspector', 'installer', 'reviewer', 'office')
  @Get(':id')
  async show(
    @By() person: Person,
    @Param('jobId', ParseUUIDPipe) jobId: string,
    @Param('id', ParseUUIDPipe) id: string,
    @Res() response: Response,
  ): Promise<void> {
    await this.entries.requireVisible(person, jobId)
    const { row, content } = await this.traces.open(jobId, id)
    response.attachment(`trace-${row.id}.csv`).type('text/csv; charset=utf-8')
    content.on('error', (problem) => response.destroy(problem)).pipe(response)
  }
}
