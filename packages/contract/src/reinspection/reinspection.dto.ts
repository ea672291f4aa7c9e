import { IsIn, IsInt, IsOptional, Matches, Max, Min } from 'class-validator'
import { SCHOOLS, type Interval } from '@plumb-mark/core'
import { Parts } from '../http/fields.js'

export class IntervalDto {
  @IsOptional() @IsIn(SCHOOLS) school?: Interval['school']
  @IsOptional() @Matches(/^[A-Za-z]{2}$/, { message: 'must be two letters, as in ISO 3166' }) country?: string
  @IsInt() @Min(1) @Max(600) months!: number
}

/** After how long installations are inspected again, as the office says. */
export class IntervalsDto {
  @Parts(() => IntervalDto, { max: 100 }) intervals!: IntervalDto[]
}

/** An installation that is to be inspected again, by what was signed last of it. */
export interface DueAgain {
  jobId: string
  number: string
  title: string
  site: string
  customer: string
  /** YYYY-MM-DD */
  signedOn: string
  on: string
  months: number
}
