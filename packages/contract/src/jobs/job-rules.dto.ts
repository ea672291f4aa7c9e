import { IsIn, IsOptional, IsTimeZone, Matches } from 'class-validator'
import { SCHOOLS, type JobHeader } from '@plumb-mark/core'

/** What a new job begins with, until somebody chooses otherwise for it. */
export class JobRulesDto {
  @IsIn(SCHOOLS) school!: JobHeader['school']
  @IsOptional() @IsTimeZone() timeZone?: string
  @IsOptional() @Matches(/^[A-Za-z]{2}$/) country?: string
}
