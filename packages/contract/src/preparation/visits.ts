import { Type } from 'class-transformer'
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsISO8601,
  IsString,
  IsUUID,
  Length,
  ValidateNested,
} from 'class-validator'
import type { Visit } from '@plumb-mark/core'

export class VisitorDto {
  @IsString() @Length(1, 80) id!: string
  @IsString() @Length(1, 200) name!: string
}

export class VisitDto {
  @IsUUID() jobId!: string
  @IsISO8601({ strict: true }) start!: string
  @IsISO8601({ strict: true }) end!: string
  @IsArray()
  @ArrayMinSize(1, { message: 'say who goes' })
  @ArrayMaxSize(20)
  @ValidateNested({ each: true })
  @Type(() => VisitorDto)
  people!: VisitorDto[]
  @IsString() @Length(1, 400) purpose!: string
}

/** A visit on the calendar, with the job that it goes to. */
export interface PlannedVisit extends Visit {
  job: { number: string; title: string; site: string }
}
