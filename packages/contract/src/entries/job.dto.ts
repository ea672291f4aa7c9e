import {
  ArrayUnique,
  IsBoolean,
  IsIn,
  IsNumber,
  IsOptional,
  IsTimeZone,
  IsUUID,
  Matches,
  Max,
  Min,
} from 'class-validator'
import { DECISION_RULES, EARTH_METHODS, ENTERED, SCHOOLS, SYSTEMS } from '@plumb-mark/core'
import type { DecisionRule, Entered, JobHeader } from '@plumb-mark/core'
import { Filled, IsDay, Part, Parts } from '../http/fields.js'
import { PersonDto, PinnedSheetDto } from './parts.dto.js'

export class ScopeDto {
  @IsIn(ENTERED, { each: true }) @ArrayUnique() outside!: Entered[]
  @Filled(400) reason!: string
}

/** The inspection of the same installation before. */
export class AgainDto {
  @IsUUID() jobId!: string
  @Filled(40) number!: string
}

export class JobOpenedDto {
  @Filled(40) number!: string
  @Filled(200) title!: string
  @Filled(400) site!: string
  @Filled(200) customer!: string
  @IsIn(SCHOOLS) school!: JobHeader['school']
  @IsIn(SYSTEMS) units!: JobHeader['units']
  @IsIn(DECISION_RULES) rule!: DecisionRule
  @Parts(() => PinnedSheetDto, { max: 60 }) sheets!: PinnedSheetDto[]
  @IsOptional() @IsIn(EARTH_METHODS) earthMethod?: JobHeader['earthMethod']
  @IsOptional() @IsBoolean() copperBonds?: boolean
  @IsOptional() @IsBoolean() photosTellPlace?: boolean
  @IsOptional() @IsNumber() @Min(-90) @Max(40) coldest?: number
  @IsOptional() @Part(() => ScopeDto) scope?: ScopeDto
  @IsOptional() @IsDay() due?: string
  @IsOptional() @IsTimeZone() timeZone?: string
  @IsOptional() @Matches(/^[A-Za-z]{2}$/) country?: string
  @IsOptional() @Part(() => AgainDto) again?: AgainDto
}

export class JobAmendedDto {
  @IsOptional() @Filled(200) title?: string
  @IsOptional() @Filled(400) site?: string
  @IsOptional() @Filled(200) customer?: string
  @IsOptional() @IsIn(SCHOOLS) school?: JobHeader['school']
  @IsOptional() @IsIn(SYSTEMS) units?: JobHeader['units']
  @IsOptional() @IsIn(DECISION_RULES) rule?: DecisionRule
  @IsOptional() @IsIn(EARTH_METHODS) earthMethod?: JobHeader['earthMethod']
  @IsOptional() @IsBoolean() copperBonds?: boolean
  @IsOptional() @IsBoolean() photosTellPlace?: boolean
  @IsOptional() @IsNumber() @Min(-90) @Max(40) coldest?: number
  @IsOptional() @Part(() => ScopeDto) scope?: ScopeDto
  @IsOptional() @IsDay() due?: string
  @IsOptional() @IsTimeZone() timeZone?: string
  @IsOptional() @Matches(/^[A-Za-z]{2}$/) country?: string
}

export class SheetAdoptedDto {
  @Part(() => PinnedSheetDto) sheet!: PinnedSheetDto
  @IsOptional() @Filled(120) replaces?: string
}

export class SharedDto {
  @Part(() => PersonDto) person!: PersonDto
}

export class UnsharedDto {
  @Filled(120) personId!: string
}
