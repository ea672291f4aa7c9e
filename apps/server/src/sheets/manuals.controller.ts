import { Controller, Get, HttpCode, Param, Put, Req, Res } from '@nestjs/common'
import type { Request, Response } from 'express'
import { Audited } from '../audit/audited.js'
import { MayCall } from '../http/access.js'
import { uploadOf } from '../http/upload.js'
import { ManualsService, type ManualFile } from './manuals.service.js'

export const LARGEST_MANUAL_BYTES = 100 * 1024 * 1024

export const LARGEST_CLIPPINGS_BYTES = 24 * 1024 * 1024

@Controller('api')
export class ManualsController {
  constructor(private readonly manuals: ManualsService) {}

  @MayCall('office', 'inspector')
  @Audited('manual kept')
  @HttpCode(204)
  @Put('manuals/:digest')
  keep(
    @Param('digest') digest: string,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<void> {
    return this.take('manual', digest, LARGEST_MANUAL_BYTES, request, response)
  }

  @MayCall('inspector', 'reviewer', 'office')
  @Get('manuals/:digest')
  show(@Param('digest') digest: string, @Res() response: Response): void {
    response.attachment(`manual-${digest.slice(0, 12)}.pdf`).type('application/pdf')
    this.send('manual', digest, response)
  }

  @MayCall('office', 'inspector')
  @HttpCode(204)
  @Put('clippings/:digest')
  keepClippings(
    @Param('digest') digest: string,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<void> {
    return this.take('clippings', digest, LARGEST_CLIPPINGS_BYTES, request, response)
  }

  // An installer sees the clause by which something is to be put right, and no more of the manual.
  @MayCall('inspector', 'reviewer', 'office', 'installer')
  @Get('clippings/:digest')
  showClippings(@Param('digest') digest: string, @Res() response: Response): void {
    response.type('application/json')
    this.send('clippings', digest, response)
  }

  private async take(
    field: ManualFile,
    digest: string,
    mostBytes: number,
    request: Request,
    response: Response,
  ): Promise<void> {
    const wish = { field, what: 'the file', mostBytes, folder: await this.manuals.coming() }
    const { path } = await uploadOf(request, response, wish)
    await this.manuals.keep(field, digest, path)
  }

  private send(kind: ManualFile, digest: string, response: Response): void {
    const content = this.manuals.open(kind, digest)
    // Under its digest it never changes.
    response.setHeader('cache-control', 'private, max-age=31536000, immutable')
    content.on('error', (problem) => response.destroy(problem)).pipe(response)
  }
}
