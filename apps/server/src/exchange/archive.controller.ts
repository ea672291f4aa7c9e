import { createReadStream } from 'node:fs'
import { rm } from 'node:fs/promises'
import { pipeline } from 'node:stream/promises'
import {
  Body,
  Controller,
  Delete,
  Get,
  HttpCode,
  Param,
  ParseUUIDPipe,
  Post,
  Query,
  Req,
  Res,
} from '@nestjs/common'
import type { Request, Response } from 'express'
import {
  AcceptInstallationDto,
  ImportDto,
  WorkQueryDto,
  type Imported,
  type ImportPreview,
} from '@plumb-mark/contract'
import type { Person } from '@plumb-mark/core'
import { By, MayCall } from '../http/access.js'
import { Audited } from '../audit/audited.js'
import { DtoPipe } from '../http/dto.pipe.js'
import { uploadOf } from '../http/upload.js'
import { whenGone } from '../work/gone.js'
import { WorkService } from '../work/work.service.js'
import { ArchiveService } from './archive.service.js'
import { fileName } from './file-name.js'

const LARGEST_ZIP = 2 * 1024 * 1024 * 1024

@Controller('api')
export class ArchiveController {
  constructor(
    private readonly archive: ArchiveService,
    private readonly work: WorkService,
  ) {}

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
    const { name, file, passing } = await this.work.following(person, work, (onStep) =>
      this.archive.export(person, id, { signal, onStep }),
    )
    response.attachment(`${fileName(name)}.zip`).type('application/zip')
    // Whoever goes away in the middle ends it; nothing else is wrong then.
    await pipeline(createReadStream(file), response).catch(() => response.destroy())
    if (passing) await rm(file, { force: true })
  }

  @MayCall('office')
  @Post('imports')
  async preview(
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<ImportPreview> {
    const signal = whenGone(response)
    const wish = { field: 'zip', what: 'the ZIP', mostBytes: LARGEST_ZIP, folder: this.archive.folder }
    const { path } = await uploadOf(request, response, wish)
    return this.archive.preview(path, { signal })
  }

  @MayCall('office')
  @HttpCode(200)
  @Post('imports/:id')
  import(
    @By() person: Person,
    @Param('id', ParseUUIDPipe) id: string,
    @Body(new DtoPipe(ImportDto)) { as }: ImportDto,
    @Res({ passthrough: true }) response: Response,
  ): Promise<Imported> {
    return this.archive.import(person, id, as, { signal: whenGone(response) })
  }

  @MayCall('office')
  @Audited('installation accepted')
  @HttpCode(200)
  @Post('imports/:id/installation')
  accept(
    @By() person: Person,
    @Param('id', ParseUUIDPipe) id: string,
    @Body(new DtoPipe(AcceptInstallationDto)) { name }: AcceptInstallationDto,
  ): Promise<ImportPreview> {
    return this.archive.acceptInstallation(person, id, name)
  }

  @MayCall('office')
  @HttpCode(204)
  @Delete('imports/:id')
  discard(@Param('id', ParseUUIDPipe) id: string): Promise<void> {
    return this.archive.discard(id)
  }
}
