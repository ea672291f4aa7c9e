import { Controller, Get, Param, ParseUUIDPipe, Put, Req, Res } from '@nestjs/common'
import type { Request, Response } from 'express'
import type { TraceKept } from '@plumb-mark/contract'
import type { Person } from '@plumb-mark/core'
import { By, MayCall } from '../http/access.js'
import { JobAccess } from '../entries/job-access.service.js'
import { uploadOf } from '../http/upload.js'
import { LARGEST_TRACE_BYTES, TracesService } from './traces.service.js'

@Controller('api/jobs/:jobId/traces')
export class TracesController {
  constructor(
    private readonly traces: TracesService,
    private readonly access: JobAccess,
  ) {}

  @MayCall('inspector')
  @Put(':id')
  async keep(
    @By() person: Person,
    @Param('jobId', ParseUUIDPipe) jobId: string,
    @Param('id', ParseUUIDPipe) id: string,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<TraceKept> {
    await this.access.requireOpen(person, jobId)
    const wish = { field: 'trace', what: 'the file', mostBytes: LARGEST_TRACE_BYTES }
    const { buffer } = await uploadOf(request, response, wish)
    return this.traces.keep(person.id, jobId, id, buffer)
  }

  @MayCall('inspector', 'installer', 'reviewer', 'office')
  @Get(':id')
  async show(
    @By() person: Person,
    @Param('jobId', ParseUUIDPipe) jobId: string,
    @Param('id', ParseUUIDPipe) id: string,
    @Res() response: Response,
  ): Promise<void> {
    await this.access.requireVisible(person, jobId)
    const content = await this.traces.open(jobId, id)
    response.attachment(`trace-${id}.csv`).type('text/csv; charset=utf-8')
    content.on('error', (problem) => response.destroy(problem)).pipe(response)
  }
}
