import {
  Body,
  Controller,
  Get,
  Param,
  ParseUUIDPipe,
  Post,
  Put,
  Query,
  Res,
  Sse,
  type MessageEvent,
} from '@nestjs/common'
import type { Response } from 'express'
import { map, type Observable } from 'rxjs'
import { DeviceAtDto, NetworksDto, ScanDto, type DeviceFound } from '@plumb-mark/contract'
import type { Person } from '@plumb-mark/core'
import { By, MayCall } from '../http/access.js'
import { Audited } from '../audit/audited.js'
import { JobAccess } from '../entries/job-access.service.js'
import { whileStill } from '../http/while-still.js'
import { DtoPipe } from '../http/dto.pipe.js'
import { whenGone } from '../work/gone.js'
import { DevicesService } from './devices.service.js'
import { NetworksService } from './networks.service.js'

const asEvent = (data: object): MessageEvent => ({ data })

@Controller('api')
export class DevicesController {
  constructor(
    private readonly devices: DevicesService,
    private readonly networks: NetworksService,
    private readonly access: JobAccess,
  ) {}

  @MayCall('inspector', 'office')
  @Post('devices/ask')
  ask(
    @Body(new DtoPipe(DeviceAtDto)) at: DeviceAtDto,
    @Res({ passthrough: true }) response: Response,
  ): Promise<DeviceFound> {
    return this.devices.ask(at, whenGone(response))
  }

  @MayCall('inspector', 'office')
  @Sse('devices/scan')
  async scan(@Query(new DtoPipe(ScanDto)) range: ScanDto): Promise<Observable<MessageEvent>> {
    return (await this.devices.scan(range)).pipe(map(asEvent))
  }

  @MayCall('inspector', 'reviewer', 'office')
  @Sse('jobs/:jobId/devices/live')
  async live(
    @By() person: Person,
    @Param('jobId', ParseUUIDPipe) jobId: string,
  ): Promise<Observable<MessageEvent>> {
    await this.access.requireVisible(person, jobId)
    return this.devices.live(person, jobId).pipe(
      whileStill(() => this.access.isVisible(person, jobId)),
      map(asEvent),
    )
  }

  @MayCall('inspector', 'office')
  @Get('office/networks')
  async allowed(): Promise<{ networks: string[] }> {
    return { networks: await this.networks.allowed() }
  }

  @MayCall('office')
  @Audited('networks changed')
  @Put('office/networks')
  async allow(@Body(new DtoPipe(NetworksDto)) { networks }: NetworksDto): Promise<{ networks: string[] }> {
    return { networks: await this.networks.allow(networks) }
  }
}
