import { IsBoolean, IsNumber, IsOptional, IsString, IsUUID, Length, Max, Min } from 'class-validator'
import { Filled, Part } from '../http/fields.js'
import {
  GapDto,
  InstrumentDto,
  ObstructionDto,
  PhotoRefDto,
  SituationDto,
  WallPlaceDto,
} from './parts.dto.js'
import { LARGEST_MM, PhotoSetUpDto } from './photo.dto.js'

export class UnitFittedDto {
  @Filled(80) id!: string
  @Filled(120) label!: string
  @Filled(120) sheetId!: string
  @IsOptional() @Filled(80) serial?: string
  @IsOptional() @Part(() => WallPlaceDto) place?: WallPlaceDto
  @IsOptional() @Part(() => SituationDto) situation?: SituationDto
}

export class UnitRemovedDto {
  @Filled(80) unitId!: string
}

export class ReplacedDto {
  @Filled(80) unitId!: string
  @IsOptional() @Filled(80) deviceId?: string
  @IsString() @Length(0, 80) serialOut!: string
  @Filled(80) serialIn!: string
  @Filled(500, { message: 'say in a few words why it was replaced' }) reason!: string
  @Filled(500, { message: 'say where the old one went' }) whereabouts!: string
}

export class WallMeasuredDto {
  @Filled(80) id!: string
  @Filled(120) title!: string
  @IsOptional() @IsNumber() @Min(1) @Max(LARGEST_MM) width?: number
  @IsOptional() @IsNumber() @Min(1) @Max(LARGEST_MM) height?: number
  @IsBoolean() leftCorner!: boolean
  @IsBoolean() rightCorner!: boolean
  @IsNumber() @Min(0) @Max(1000) uncertainty!: number
  @IsOptional() @IsString() @Length(0, 200) tape?: string
  @IsOptional() @Part(() => InstrumentDto) instrument?: InstrumentDto
}

export class WallRemovedDto {
  @Filled(80) wallId!: string
}

export class ObstructionMeasuredDto {
  @Filled(80) wallId!: string
  @Part(() => ObstructionDto) obstruction!: ObstructionDto
}

export class ObstructionRemovedDto {
  @Filled(80) wallId!: string
  @Filled(80) obstructionId!: string
}

export class GapMeasuredDto {
  @Filled(80) wallId!: string
  @Part(() => GapDto) gap!: GapDto
}

export class GapRemovedDto {
  @Filled(80) wallId!: string
  @Filled(80) gapId!: string
}

export class WallPhotoDto {
  @Part(() => PhotoRefDto) photo!: PhotoRefDto
  @Part(() => PhotoSetUpDto) setUp!: PhotoSetUpDto
}

export class WallPhotographedDto {
  @Filled(80) wallId!: string
  @Part(() => WallPhotoDto) taken!: WallPhotoDto
}

export class WallPhotoRemovedDto {
  @Filled(80) wallId!: string
  @IsUUID() photoId!: string
}
