import { createReadStream, mkdirSync } from 'node:fs'
import { rm } from 'node:fs/promises'
import { join } from 'node:path'
import { pipeline } from 'node:stream/promises'
import {
  Body,
  Controller,
  Delete,
  Get,
  HttpCode,
  Inject,
  Param,
  ParseUUIDPipe,
  Post,
  Query,
  Req,
  Res,
} from '@nestjs/common'
import type { Request, Response } from 'express'
import multer from 'multer'
import { ImportDto, WorkQueryDto, type ImportPreview } from '@plumb-mark/contract'
import type { Person } from '@plumb-mark/core'
import { By, MayCall } from '../accounts/access.js'
import { Audited } from '../audit/audited.js'
import { DtoPipe } from '../http/dto.pipe.js'
import { Refused } from '../http/refused.js'
import { SETTINGS, type Settings } from '../settings.js'
import { whenGone } from '../work/gone.js'
import { WorkService } from '../work/work.service.js'
import { ArchiveService } from './archive.service.js'
import { fileName } from './file-name.js'

const LARGEST_ZIP = 2 * 1024 * 1024 * 1024

@Controller('api')
export class ArchiveController {
  private readonly upload

  constructor(
    private readonly archive: ArchiveService,
    private readonly work: WorkService,
    @Inject(SETTINGS) { dataDir }: Settings,
  ) {
    const folder = join(dataDir, 'incoming')
    mkdirSync(folder, { recursive: true })
    // Straight to the disk: a record with its photos does not pass through memory.
    this.upload = multer({ dest: folder, limits: { fileSize: LARGEST_ZIP, files: 1 } }).single('zip')
  }

  @MayCall('inspector', 'reviewer', 'office')
  @Audited('exported')
  @Get('jobs/:id/record.zip')
  async export(
    @By() person: Person,
    @Param('id', ParseUUIDPipe) id: string,
    @Query(new DtoPipe(WorkQueryDto)) { work }: WorkQueryDto,
    @Res() response: Response,
  ): Promise<void> {
    const signal = whenGone(response)
    const { name, file } = await this.work.following(person, work, (onStep) =>
      this.archive.export(person, id, { signal, onStep }),
    )
    response.attachment(`${fileName(name)}.zip`).type('application/zip')
    // Whoever goes away in the middle ends it; nothing else is wrong then.
    await pipeline(createReadStream(file), response).catch(() => response.destroy())
    await rm(file, { force: true })
  }

  @MayCall('office')
  @Post('imports')
  async preview(
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<ImportPreview> {
    await new Promise<void>((resolve, reject) =>
      this.upload(request, response, (problem: unknown) =>
        problem ? reject(new Refused(413, 'too-large', (problem as Error).message, 'zip')) : resolve(),
      ),
    )
    if (!request.file) throw new Refused(400, 'missing', 'send the ZIP in the field “zip”', 'zip')
    return this.archive.preview(request.file.path)
  }

  @MayCall('office')
  @Audited('imported')
  @HttpCode(200)
  @Post('imports/:id')
  import(
    @Param('id', ParseUUIDPipe) id: string,
    @Body(new DtoPipe(ImportDto)) { as }: ImportDto,
  ): Promise<ImportPreview> {
    return this.archive.import(id, as)
  }

  @MayCall('office')
  @HttpCode(204)
  @Delete('imports/:id')
  discard(@Param('id', ParseUUIDPipe) id: string): Promise<void> {
    return this.archive.discard(id)
  }
}
