import { Body, Controller, Get, HttpCode, Param, Post, Res } from '@nestjs/common'
import type { Response } from 'express'
import { SheetFileDto, type SheetInLibrary, type SheetSummary } from '@plumb-mark/contract'
import type { Person, PinnedSheet } from '@plumb-mark/core'
import { By, MayCall } from '../http/access.js'
import { Audited } from '../audit/audited.js'
import { DtoPipe } from '../http/dto.pipe.js'
import { SheetsService } from './sheets.service.js'

@Controller('api/sheets')
export class SheetsController {
  constructor(private readonly sheets: SheetsService) {}

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
