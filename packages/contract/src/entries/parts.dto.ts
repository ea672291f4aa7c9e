import { Type } from 'class-transformer'
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsIn,
  IsInt,
  IsNumber,
  IsObject,
  IsOptional,
  IsString,
  IsUUID,
  Length,
  Matches,
  Max,
  Min,
  ValidateNested,
} from 'class-validator'
import { DIMENSIONS, INSTRUMENT_KINDS, MOUNTED, PLACED, ROLES } from '@plumb-mark/core'

/** A coordinate or a size on a wall, mm. */
export const LARGEST_MM = 1e6

export class PhotoRefDto {
  @IsUUID() id!: string
  @Matches(/^[0-9a-f]{64}$/) sha256!: string
  @IsOptional() @IsString() @Length(0, 500) caption?: string
}

export class AccuracyDto {
  @IsIn(DIMENSIONS) dimension!: string
  @IsNumber() @Min(0) @Max(100) percent!: number
  @IsNumber() @Min(0) plus!: number
}

/** The instrument as it was when it was used. */
export class InstrumentDto {
  @IsString() @Length(1, 80) id!: string
  @IsString() @Length(1, 200) name!: string
  @IsIn(INSTRUMENT_KINDS) kind!: string
  @IsString() @Length(1, 80) serial!: string
  @Matches(/^\d{4}-\d{2}-\d{2}$/) calibratedUntil!: string
  @IsArray()
  @ArrayMaxSize(30)
  @ValidateNested({ each: true })
  @Type(() => AccuracyDto)
  accuracy!: AccuracyDto[]
}

export class ConditionsDto {
  @IsOptional() @IsNumber() @Min(-90) @Max(120) cellTemperature?: number
  @IsOptional() @IsNumber() @Min(0.1) @Max(2000) irradiance?: number
  @IsOptional() @IsNumber() @Min(1) @Max(10000) testVoltage?: number
}

export class PersonDto {
  @IsString() @Length(1, 80) id!: string
  @IsString() @Length(1, 200) name!: string
  @IsIn(ROLES) role!: string
}

export class WallPlaceDto {
  @IsString() @Length(1, 80) wallId!: string
  @IsNumber() @Min(-LARGEST_MM) @Max(LARGEST_MM) x!: number
  @IsNumber() @Min(-LARGEST_MM) @Max(LARGEST_MM) y!: number
  @IsNumber() @Min(1) @Max(LARGEST_MM) w!: number
  @IsNumber() @Min(1) @Max(LARGEST_MM) h!: number
  @IsOptional() @IsObject() typed?: Record<string, string>
}

export class ObstructionDto {
  @IsString() @Length(1, 80) id!: string
  @IsString() @Length(1, 120) label!: string
  @IsString() @Length(1, 60) class!: string
  @IsNumber() @Min(-LARGEST_MM) @Max(LARGEST_MM) x!: number
  @IsNumber() @Min(-LARGEST_MM) @Max(LARGEST_MM) y!: number
  @IsNumber() @Min(1) @Max(LARGEST_MM) w!: number
  @IsNumber() @Min(1) @Max(LARGEST_MM) h!: number
}

export class StringModuleDto {
  @IsString() @Length(1, 120) name!: string
  @IsNumber() @Min(0.1) @Max(1000) voc!: number
  @IsNumber() @Min(-0.999) @Max(0) vocTempCoeff!: number
  @IsInt() @Min(1) @Max(1000) cellsInSeries!: number
  @IsInt() @Min(1) @Max(100) bypassDiodes!: number
}

export class PinnedSheetDto {
  @IsString() @Length(1, 120) id!: string
  @IsString() @Length(1, 120) maker!: string
  @IsString() @Length(1, 120) model!: string
  @IsString() @Length(1, 40) revision!: string
  @Matches(/^[0-9a-f]{64}$/) fingerprint!: string
}

export class SituationDto {
  @IsOptional() @IsIn(PLACED) placed?: string
  @IsOptional() @IsIn(MOUNTED) mounted?: string
}

export class GapDto {
  @IsString() @Length(1, 80) id!: string
  @IsString() @Length(1, 80) from!: string
  @IsString() @Length(1, 80) to!: string
  @IsIn(['across', 'up']) axis!: string
  @IsNumber() @Min(-LARGEST_MM) @Max(LARGEST_MM) value!: number
  @IsString() @Length(1, 80) typed!: string
}

/** A place of the array map: plane, row and column. */
export const PLACE = /^[\w-]{1,80}\.r[1-9]\d{0,2}c[1-9]\d{0,2}$/

export class DeviceDto {
  @IsString() @Length(1, 80) id!: string
  @IsString() @Length(1, 80) unitId!: string
  @Matches(PLACE) at!: string
  @IsOptional() @IsString() @Length(1, 80) serial?: string
  @IsArray() @ArrayMaxSize(8) @Matches(PLACE, { each: true }) feeds!: string[]
  @IsInt() @Min(0) @Max(8) idlePorts!: number
  @IsInt() @Min(0) @Max(8) cappedPorts!: number
}

export class SegmentDto {
  @IsNumber() @Min(0) @Max(10000) length!: number
  @IsNumber() @Min(0.1) @Max(1000) size!: number
}

export class DevicesFittedDto {
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(2500)
  @ValidateNested({ each: true })
  @Type(() => DeviceDto)
  devices!: DeviceDto[]
}
