import { Body, Controller, Get, HttpCode, Param, Post, Put } from '@nestjs/common'
import { InstrumentDto, InstrumentsDto } from '@plumb-mark/contract'
import type { Instrument } from '@plumb-mark/core'
import { MayCall } from '../http/access.js'
import { Audited } from '../audit/audited.js'
import { DtoPipe } from '../http/dto.pipe.js'
import { Refused } from '../http/refused.js'
import { InstrumentsService } from './instruments.service.js'

@Controller('api/instruments')
export class InstrumentsController {
  constructor(private readonly instruments: InstrumentsService) {}

  @MayCall('inspector', 'reviewer', 'office')
  @Get()
  list(): Promise<Instrument[]> {
    return this.instruments.list()
  }

  /** A file of instruments: all of them or none. */
  @MayCall('office')
  @Audited('instrument kept')
  @HttpCode(204)
  @Post('import')
  import(@Body(new DtoPipe(InstrumentsDto)) { instruments }: InstrumentsDto): Promise<void> {
    return this.instruments.keepAll(JSON.parse(JSON.stringify(instruments)) as Instrument[])
  }

  /** New figures hold from now on: readings keep the instrument as it was when they were taken. */
  @MayCall('office')
  @Audited('instrument kept')
  @Put(':id')
  async keep(
    @Param('id') id: string,
    @Body(new DtoPipe(InstrumentDto)) instrument: InstrumentDto,
  ): Promise<Instrument> {
    if (instrument.id !== id) throw new Refused(400, 'invalid', 'must be the id in the address', 'id')
    return this.instruments.keep(JSON.parse(JSON.stringify(instrument)) as Instrument)
  }
}
