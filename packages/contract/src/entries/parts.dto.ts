import {
  ArrayMaxSize,
  IsIn,
  IsInt,
  IsNumber,
  IsOptional,
  IsString,
  IsUUID,
  Length,
  Matches,
  Max,
  Min,
} from 'class-validator'
import { DIMENSIONS, DRAWN_FIGURES, INSTRUMENT_KINDS, MOUNTED, PLACED, ROLES } from '@plumb-mark/core'
import type { Dimension, DrawnFigure, GapMeasured, InstrumentKind, Role, Situation } from '@plumb-mark/core'
import { Filled, Part, Parts } from '../http/fields.js'
import { LARGEST_MM } from './photo.dto.js'

export class PhotoRefDto {
  @IsUUID() id!: string
  @Matches(/^[0-9a-f]{64}$/) sha256!: string
  @IsOptional() @IsString() @Length(0, 500) caption?: string
}

export class AccuracyDto {
  @IsIn(DIMENSIONS) dimension!: Dimension
  @IsNumber() @Min(0) @Max(100) percent!: number
  @IsNumber() @Min(0) @Max(1e9) plus!: number
  @IsOptional() @IsNumber() @Min(0) @Max(1e12) upTo?: number
}

/** The instrument as it was when it was used. */
export class InstrumentDto {
  @Filled(80) id!: string
  @Filled(200) name!: string
  @IsIn(INSTRUMENT_KINDS) kind!: InstrumentKind
  @Filled(80) serial!: string
  @Matches(/^\d{4}-\d{2}-\d{2}$/) calibratedUntil!: string
  @Parts(() => AccuracyDto, { max: 30 }) accuracy!: AccuracyDto[]
}

/** Of a file. */
export class InstrumentsDto {
  @Parts(() => InstrumentDto, { min: 1, max: 500 }) instruments!: InstrumentDto[]
}

export class ConditionsDto {
  @IsOptional() @IsNumber() @Min(-90) @Max(120) cellTemperature?: number
  @IsOptional() @IsNumber() @Min(0.1) @Max(2000) irradiance?: number
  @IsOptional() @IsNumber() @Min(1) @Max(10000) testVoltage?: number
}

export class PersonDto {
  @Filled(80) id!: string
  @Filled(200) name!: string
  @IsIn(ROLES) role!: Role
}

/** What was typed for the figures of a place. */
export class TypedPlaceDto {
  @IsOptional() @IsString() @Length(0, 80) x?: string
  @IsOptional() @IsString() @Length(0, 80) y?: string
  @IsOptional() @IsString() @Length(0, 80) w?: string
  @IsOptional() @IsString() @Length(0, 80) h?: string
}

/** Of what was placed by its corners on a photo. */
export class SeenDto {
  @IsUUID() photoId!: string
  @IsOptional() @IsNumber() @Min(0) @Max(LARGEST_MM) x?: number
  @IsOptional() @IsNumber() @Min(0) @Max(LARGEST_MM) y?: number
  @IsOptional() @IsNumber() @Min(0) @Max(LARGEST_MM) w?: number
  @IsOptional() @IsNumber() @Min(0) @Max(LARGEST_MM) h?: number
}

export class WallPlaceDto {
  @Filled(80) wallId!: string
  @IsNumber() @Min(-LARGEST_MM) @Max(LARGEST_MM) x!: number
  @IsNumber() @Min(-LARGEST_MM) @Max(LARGEST_MM) y!: number
  @IsNumber() @Min(1) @Max(LARGEST_MM) w!: number
  @IsNumber() @Min(1) @Max(LARGEST_MM) h!: number
  @IsOptional() @Part(() => SeenDto) seen?: SeenDto
  @IsOptional() @IsIn(DRAWN_FIGURES, { each: true }) @ArrayMaxSize(4) drawn?: DrawnFigure[]
  @IsOptional() @Part(() => TypedPlaceDto) typed?: TypedPlaceDto
}

export class ObstructionDto {
  @Filled(80) id!: string
  @Filled(120) label!: string
  @Filled(60) class!: string
  @IsNumber() @Min(-LARGEST_MM) @Max(LARGEST_MM) x!: number
  @IsNumber() @Min(-LARGEST_MM) @Max(LARGEST_MM) y!: number
  @IsNumber() @Min(1) @Max(LARGEST_MM) w!: number
  @IsNumber() @Min(1) @Max(LARGEST_MM) h!: number
  @IsOptional() @Part(() => SeenDto) seen?: SeenDto
  @IsOptional() @IsIn(DRAWN_FIGURES, { each: true }) @ArrayMaxSize(4) drawn?: DrawnFigure[]
}

export class StringModuleDto {
  @Filled(120) name!: string
  @IsNumber() @Min(0.1) @Max(1000) voc!: number
  @IsNumber() @Min(-0.999) @Max(0) vocTempCoeff!: number
  @IsInt() @Min(1) @Max(1000) cellsInSeries!: number
  @IsInt() @Min(1) @Max(100) bypassDiodes!: number
}

export class PinnedSheetDto {
  @Filled(120) id!: string
  @Filled(120) maker!: string
  @Filled(120) model!: string
  @Filled(40) revision!: string
  @Matches(/^[0-9a-f]{64}$/) fingerprint!: string
}

export class SituationDto {
  @IsOptional() @IsIn(PLACED) placed?: Situation['placed']
  @IsOptional() @IsIn(MOUNTED) mounted?: Situation['mounted']
}

export class GapDto {
  @Filled(80) id!: string
  @Filled(80) from!: string
  @Filled(80) to!: string
  @IsIn(['across', 'up']) axis!: GapMeasured['axis']
  @IsNumber() @Min(-LARGEST_MM) @Max(LARGEST_MM) value!: number
  @Filled(80) typed!: string
}

export class SegmentDto {
  @IsNumber() @Min(0) @Max(10000) length!: number
  @IsNumber() @Min(0.1) @Max(1000) size!: number
}
