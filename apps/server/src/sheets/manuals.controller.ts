import { Controller, Get, HttpCode, Param, Put, Req, Res } from '@nestjs/common'
import type { Request, Response } from 'express'
import { Audited } from '../audit/audited.js'
import { MayCall } from '../http/access.js'
import { uploadOf } from '../http/upload.js'
import { ManualsService } from './manuals.service.js'

export const LARGEST_MANUAL_BYTES = 100 * 1024 * 1024

@Controller('api/manuals')
export class ManualsController {
  constructor(private readonly manuals: ManualsService) {}

  @MayCall('office', 'inspector')
  @Audited('manual kept')
  @HttpCode(204)
  @Put(':digest')
  async keep(
    @Param('digest') digest: string,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<void> {
    const folder = await this.manuals.coming()
    const wish = { field: 'manual', what: 'the file', mostBytes: LARGEST_MANUAL_BYTES, folder }
    const { path } = await uploadOf(request, response, wish)
    await this.manuals.keep(digest, path)
  }

  @MayCall('inspector', 'reviewer', 'office')
  @Get(':digest')
  show(@Param('digest') digest: string, @Res() response: Response): void {
    const content = this.manuals.open(digest)
    response.attachment(`manual-${digest.slice(0, 12)}.pdf`).type('application/pdf')
    // Under its digest it never changes.
    response.setHeader('cache-control', 'private, max-age=31536000, immutable')
    content.on('error', (problem) => response.destroy(problem)).pipe(response)
  }
}
