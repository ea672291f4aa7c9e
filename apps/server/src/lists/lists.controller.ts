import { Body, Controller, Delete, Get, HttpCode, Param, ParseUUIDPipe, Put, Query } from '@nestjs/common'
import {
  DefectsQueryDto,
  JobsQueryDto,
  PatternsQueryDto,
  RecurringQueryDto,
  SavedFilterDto,
  type DefectPage,
  type JobPage,
  type PatternRow,
  type Recurring,
  type SavedFilter,
} from '@plumb-mark/contract'
import type { ClauseHistory, Person } from '@plumb-mark/core'
import { By, MayCall } from '../http/access.js'
import { DtoPipe } from '../http/dto.pipe.js'
import { ListsService } from './lists.service.js'
import { SavedFiltersService } from './saved-filters.service.js'

@Controller('api')
export class ListsController {
  constructor(
    private readonly lists: ListsService,
    private readonly saved: SavedFiltersService,
  ) {}

  @MayCall('inspector', 'installer', 'reviewer', 'office')
  @Get('jobs')
  jobs(@By() person: Person, @Query(new DtoPipe(JobsQueryDto)) wish: JobsQueryDto): Promise<JobPage> {
    return this.lists.jobs(person, wish)
  }

  @MayCall('inspector', 'installer', 'reviewer', 'office')
  @Get('defects')
  defects(
    @By() person: Person,
    @Query(new DtoPipe(DefectsQueryDto)) wish: DefectsQueryDto,
  ): Promise<DefectPage> {
    return this.lists.defects(person, wish)
  }

  @MayCall('inspector', 'reviewer', 'office')
  @Get('defects/recurring')
  recurring(
    @By() person: Person,
    @Query(new DtoPipe(RecurringQueryDto)) { by, ...wish }: RecurringQueryDto,
  ): Promise<Recurring[]> {
    return this.lists.recurring(person, by, wish)
  }

  @MayCall('inspector', 'reviewer', 'office')
  @Get('clauses')
  clauses(): Promise<ClauseHistory[]> {
    return this.lists.clauses()
  }

  @MayCall('inspector', 'installer', 'reviewer', 'office')
  @Get('patterns')
  patterns(
    @By() person: Person,
    @Query(new DtoPipe(PatternsQueryDto)) wish: PatternsQueryDto,
  ): Promise<PatternRow[]> {
    return this.lists.patterns(person, wish)
  }

  @MayCall('inspector', 'installer', 'reviewer', 'office')
  @Get('things')
  things(@By() person: Person): Promise<{ maker: string; model: string }[]> {
    return this.lists.things(person)
  }

  @MayCall('inspector', 'installer', 'reviewer', 'office')
  @Get('filters')
  filters(@By() person: Person): Promise<SavedFilter[]> {
    return this.saved.of(person)
  }

  @MayCall('inspector', 'installer', 'reviewer', 'office')
  @HttpCode(204)
  @Put('filters/:id')
  keep(
    @By() person: Person,
    @Param('id', ParseUUIDPipe) id: string,
    @Body(new DtoPipe(SavedFilterDto)) filter: SavedFilterDto,
  ): Promise<void> {
    return this.saved.keep(person, id, filter)
  }

  @MayCall('inspector', 'installer', 'reviewer', 'office')
  @HttpCode(204)
  @Delete('filters/:id')
  discard(@By() person: Person, @Param('id', ParseUUIDPipe) id: string): Promise<void> {
    return this.saved.discard(person, id)
  }
}
