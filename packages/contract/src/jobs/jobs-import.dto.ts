import { ArrayMaxSize, IsArray, IsIn, IsInt, IsOptional, IsTimeZone, IsUUID, Max, Min } from 'class-validator'
import { SCHOOLS, type JobHeader } from '@plumb-mark/core'
import { Filled, IsDay, Parts } from '../http/fields.js'

class UnitWishDto {
  @Filled(200) sheetId!: string
  @Filled(120) label!: string
  @IsInt() @Min(1) @Max(20) count!: number
}

class JobWishDto {
  @Filled(40) number!: string
  @Filled(200) title!: string
  @Filled(400) site!: string
  @Filled(200) customer!: string
  @IsIn(SCHOOLS) school!: JobHeader['school']
  @Parts(() => UnitWishDto, { max: 60 }) units!: UnitWishDto[]
  @IsArray() @ArrayMaxSize(20) @IsUUID(undefined, { each: true }) people!: string[]
  @IsOptional() @IsDay() due?: string
}

/** Jobs of a file: opened all or none. */
export class JobsImportDto {
  @Parts(() => JobWishDto, { min: 1, max: 500 }) jobs!: JobWishDto[]
  @IsOptional() @IsTimeZone() timeZone?: string
}
