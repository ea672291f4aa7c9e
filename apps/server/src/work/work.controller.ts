import { Controller, Param, ParseUUIDPipe, Sse, type MessageEvent } from '@nestjs/common'
import { map, type Observable } from 'rxjs'
import type { Person } from '@plumb-mark/core'
import { By, MayCall } from '../http/access.js'
import { WorkService } from './work.service.js'

@Controller('api/work')
export class WorkController {
  constructor(private readonly work: WorkService) {}

  @MayCall('inspector', 'installer', 'reviewer', 'office')
  @Sse(':id/live')
  live(@By() person: Person, @Param('id', ParseUUIDPipe) id: string): Observable<MessageEvent> {
    return this.work.progressOf(person, id).pipe(map((data) => ({ data })))
  }
}
