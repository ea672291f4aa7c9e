import {
  Body,
  Controller,
  Get,
  Param,
  ParseUUIDPipe,
  Post,
  Put,
  Query,
  Sse,
  type MessageEvent,
} from '@nestjs/common'
import { from, map, switchMap, type Observable } from 'rxjs'
import { DeviceAtDto, NetworksDto, ScanDto, type DeviceFound } from '@plumb-mark/contract'
import type { Person } from '@plumb-mark/core'
import { By, MayCall } from '../accounts/access.js'
import { Audited } from '../audit/audited.js'
import { EntriesService } from '../entries/entries.service.js'
import { DtoPipe } from '../http/dto.pipe.js'
import { DevicesService } from './devices.service.js'
import { NetworksService } from './networks.service.js'

const asEvent = (data: object): MessageEvent => ({ data })

@Controller('api')
export class DevicesController {
  constructor(
    private readonly devices: DevicesService,
    private readonly networks: NetworksService,
    private readonly entries: EntriesService,
  ) {}

  @MayCall('inspector', 'office')
  @Post('devices/ask')
  ask(@Body(new DtoPipe(DeviceAtDto)) at: DeviceAtDto): Promise<DeviceFound> {
    return this.devices.ask(at)
  }

  @MayCall('inspector', 'office')
  @Sse('devices/scan')
  scan(@Query(new DtoPipe(ScanDto)) range: ScanDto): Observable<MessageEvent> {
    return this.devices.scan(range).pipe(map(asEvent))
  }

  @MayCall('inspector', 'reviewer', 'office')
  @Sse('jobs/:jobId/devices/live')
  live(@By() person: Person, @Param('jobId', ParseUUIDPipe) jobId: string): Observable<MessageEvent> {
    return from(this.entries.requireVisible(person, jobId)).pipe(
      switchMap(() => this.devices.live(person, jobId)),
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
