import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsNumber,
  IsOptional,
  Matches,
  Max,
  Min,
} from 'class-validator'
import { COLD_METHODS, PROPOSALS } from '@plumb-mark/core'
import type { BranchBuilt, PlaneBuilt, Proposal, StringBuilt } from '@plumb-mark/core'
import { Filled, Part, Parts } from '../http/fields.js'
import { SegmentDto, StringModuleDto } from './parts.dto.js'

/** A place of the array map: plane, row and column. */
export const PLACE = /^[\w-]{1,80}\.r[1-9]\d{0,2}c[1-9]\d{0,2}$/

export class StringBuiltDto {
  @Filled(80) id!: string
  @Filled(120) label!: string
  @Filled(80) unitId!: string
  @Filled(40) input!: string
  @Part(() => StringModuleDto) module!: StringModuleDto
  @IsInt() @Min(1) @Max(200) count!: number
  @IsOptional()
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(200)
  @Matches(PLACE, { each: true })
  path?: string[]
  @IsOptional() @IsIn(COLD_METHODS) coldMethod?: StringBuilt['coldMethod']
  @IsOptional() @IsIn(PROPOSALS) proposed?: Proposal
}

export class StringRemovedDto {
  @Filled(80) stringId!: string
}

export class PlaneBuiltDto {
  @Matches(/^[\w-]{1,80}$/) id!: string
  @Filled(120) label!: string
  @Filled(80) unitId!: string
  @IsInt() @Min(1) @Max(100) rows!: number
  @IsInt() @Min(1) @Max(200) columns!: number
  @IsIn(['portrait', 'landscape']) orientation!: PlaneBuilt['orientation']
  @IsNumber() @Min(0) @Max(2000) gap!: number
  @IsOptional() @IsNumber() @Min(0) @Max(90) tilt?: number
  @IsOptional() @IsNumber() @Min(0) @Max(360) azimuth?: number
  @IsArray() @ArrayMaxSize(5000) @Matches(PLACE, { each: true }) empty!: string[]
  @IsOptional() @IsIn(PROPOSALS) proposed?: Proposal
}

export class PlaneRemovedDto {
  @Filled(80) planeId!: string
}

export class DeviceDto {
  @Filled(80) id!: string
  @Filled(80) unitId!: string
  @Matches(PLACE) at!: string
  @IsOptional() @Filled(80) serial?: string
  @IsArray() @ArrayMaxSize(8) @Matches(PLACE, { each: true }) feeds!: string[]
  @IsOptional() @IsInt() @Min(0) @Max(8) idlePorts?: number
  @IsOptional() @IsInt() @Min(0) @Max(8) cappedPorts?: number
  @IsOptional() @IsIn(PROPOSALS) proposed?: Proposal
}

export class DevicesFittedDto {
  @Parts(() => DeviceDto, { min: 1, max: 2500 }) devices!: DeviceDto[]
}

export class DevicesRemovedDto {
  @IsArray() @ArrayMinSize(1) @ArrayMaxSize(2500) @Filled(80, { each: true }) deviceIds!: string[]
}

export class BranchBuiltDto {
  @Filled(80) id!: string
  @Filled(120) label!: string
  @Filled(80) unitId!: string
  @IsIn([1, 3]) phases!: BranchBuilt['phases']
  @IsNumber() @Min(1) @Max(1000) voltage!: number
  @IsNumber() @Min(0) @Max(1000) breaker!: number
  @IsArray() @ArrayMaxSize(200) @Filled(80, { each: true }) devices!: string[]
  @IsOptional() @Parts(() => SegmentDto, { max: 200 }) segments?: SegmentDto[]
  @IsOptional() @IsBoolean() endCapped?: boolean
  @IsOptional() @IsIn(PROPOSALS) proposed?: Proposal
}

export class BranchRemovedDto {
  @Filled(80) branchId!: string
}

export class SerialsReportedDto {
  @Filled(80) unitId!: string
  @IsArray() @ArrayMaxSize(5000) @Filled(80, { each: true }) serials!: string[]
}
