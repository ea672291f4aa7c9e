import { IsBoolean, IsIn, IsOptional, IsString, Length, Matches } from 'class-validator'
import { PATTERNS_BY, SEVERITIES, STAGES, type PatternsBy, type Severity, type Stage } from '@plumb-mark/core'
import { Filled } from '../http/fields.js'
import {
  DEFECT_STATES,
  JOB_SORTS,
  JOB_STATES,
  RECURRING_BY,
  WAITED_FOR,
  type JobSort,
  type RecurringBy,
} from './closed-lists.js'
import { PageDto } from './page.dto.js'

const DAY = { message: 'must be a day, as in 2026-06-01' }

export class JobsQueryDto extends PageDto {
  @IsOptional() @IsIn(JOB_STATES) state?: (typeof JOB_STATES)[number]
  @IsOptional() @IsIn(JOB_SORTS) sort?: JobSort
  @IsOptional() @IsIn(['asc', 'desc']) order?: 'asc' | 'desc'
  @IsOptional() @IsIn(WAITED_FOR) waits?: (typeof WAITED_FOR)[number]
  @IsOptional() @IsIn(STAGES) stage?: Stage
  @IsOptional() @IsIn(SEVERITIES) severity?: Severity
  @IsOptional() @Filled(200) site?: string
  @IsOptional() @Filled(200) maker?: string
  @IsOptional() @Filled(200) model?: string
  @IsOptional() @Filled(200) serial?: string
  @IsOptional() @Matches(/^\d{4}-\d{2}-\d{2}$/, DAY) from?: string
  @IsOptional() @Matches(/^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, DAY) to?: string
}

export class DefectsQueryDto extends PageDto {
  @IsOptional() @IsIn(DEFECT_STATES) state?: (typeof DEFECT_STATES)[number]
  @IsOptional() @IsIn(SEVERITIES) severity?: Severity
  @IsOptional() @Filled(200) maker?: string
  @IsOptional() @Filled(200) model?: string
  @IsOptional() @Filled(200) revision?: string
  @IsOptional() @Filled(200) clause?: string
  @IsOptional() @Filled(400) installer?: string
  @IsOptional() @Matches(/^\d{4}-\d{2}$/, { message: 'must be a month, as in 2026-06' }) month?: string
}

export class RecurringQueryDto extends DefectsQueryDto {
  @IsIn(RECURRING_BY) by!: RecurringBy
}

export { PATTERNS_BY, type PatternsBy }

/** What patterns are sought in: all that was judged, or what one maker, model or installer has to do with. */
export class PatternsQueryDto {
  @IsIn(PATTERNS_BY) by!: PatternsBy
  @IsOptional() @Filled(200) maker?: string
  @IsOptional() @Filled(200) model?: string
  @IsOptional() @Filled(400) installer?: string
}

export class SavedFilterDto {
  @IsIn(['jobs', 'defects']) view!: 'jobs' | 'defects'
  @Filled(60) name!: string
  @IsString() @Length(0, 1000) query!: string
}

export class ArchivedDto {
  @IsBoolean() archived!: boolean
}
