import { ArrayMinSize, ArrayUnique, IsOptional, IsUUID } from 'class-validator'
import type { Visit } from '@plumb-mark/core'
import { Filled, IsInstant, Parts } from '../http/fields.js'

export class VisitorDto {
  @Filled(80) id!: string
  @Filled(200) name!: string
}

export class VisitDto {
  @IsUUID() jobId!: string
  @IsInstant() start!: string
  @IsInstant() end!: string
  @Parts(() => VisitorDto, { max: 20 })
  @ArrayMinSize(1, { message: 'say who goes' })
  @ArrayUnique((visitor: VisitorDto) => visitor.id, { message: 'names somebody twice' })
  people!: VisitorDto[]
  @Filled(400) purpose!: string
}

/** From when on visits are asked for. */
export class VisitsFromDto {
  @IsOptional() @IsInstant() from?: string
}

/** A visit on the calendar, with the job that it goes to. */
export interface PlannedVisit extends Visit {
  job: { number: string; title: string; site: string }
}
