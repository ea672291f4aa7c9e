import { rm } from 'node:fs/promises'
import { pipeline } from 'node:stream/promises'
import { Body, Controller, Get, HttpCode, Param, Post, Req, Res } from '@nestjs/common'
import type { Request, Response } from 'express'
import { SheetFileDto, type SheetInLibrary, type SheetSummary } from '@plumb-mark/contract'
import type { Person, PinnedSheet } from '@plumb-mark/core'
import { By, MayCall } from '../http/access.js'
import { Audited } from '../audit/audited.js'
import { DtoPipe } from '../http/dto.pipe.js'
import { uploadOf } from '../http/upload.js'
import { ManualsService } from './manuals.service.js'
import { SheetZipService } from './sheet-zip.service.js'
import { SheetsService } from './sheets.service.js'

/** A manual at its largest, with its sheet and cut-outs. */
const LARGEST_SHEET_ZIP = 130 * 1024 * 1024

@Controller('api/sheets')
export class SheetsController {
  constructor(
    private readonly sheets: SheetsService,
    private readonly zips: SheetZipService,
    private readonly manuals: ManualsService,
  ) {}

  @MayCall('inspector', 'reviewer', 'office')
  @Get()
  list(): Promise<SheetSummary[]> {
    return this.sheets.list()
  }

  @MayCall('inspector', 'reviewer', 'office')
  @Get(':id')
  one(@Param('id') id: string): Promise<SheetInLibrary> {
    return this.sheets.one(id)
  }

  @MayCall('inspector', 'reviewer', 'office')
  @Get(':id/file')
  async file(@Param('id') id: string, @Res() response: Response): Promise<void> {
    response
      .attachment(`${id}.yaml`)
      .type('application/yaml; charset=utf-8')
      .send((await this.sheets.one(id)).source)
  }

  @MayCall('inspector', 'reviewer', 'office')
  @Get(':id/sheet.zip')
  async zip(@Param('id') id: string, @Res() response: Response): Promise<void> {
    const content = await this.zips.export(id)
    response.attachment(`${id}.zip`).type('application/zip')
    await pipeline(content, response).catch(() => response.destroy())
  }

  @MayCall('office', 'inspector')
  @Audited('sheet kept')
  @HttpCode(200)
  @Post('zip')
  async importZip(
    @By() by: Person,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<PinnedSheet> {
    const folder = await this.manuals.coming()
    const wish = { field: 'zip', what: 'the ZIP', mostBytes: LARGEST_SHEET_ZIP, folder }
    const { path } = await uploadOf(request, response, wish)
    try {
      return await this.zips.import(by, path)
    } finally {
      await rm(path, { force: true })
    }
  }

  @MayCall('office', 'inspector')
  @Audited('sheet kept')
  @HttpCode(200)
  @Post()
  add(
    @By() by: Person,
    @Body(new DtoPipe(SheetFileDto)) { source, replace }: SheetFileDto,
  ): Promise<PinnedSheet> {
    return this.sheets.add(source, { replace: replace === true, by })
  }

  @MayCall('inspector', 'reviewer', 'office')
  @Audited('sheet released')
  @HttpCode(200)
  @Post(':id/release')
  release(@By() by: Person, @Param('id') id: string): Promise<SheetInLibrary> {
    return this.sheets.release(by, id)
  }
}
