import { Type } from 'class-transformer'
import { ArrayMaxSize, IsArray, IsBoolean, IsIn, IsInt, IsNumber, IsObject, IsOptional, IsString, IsUUID, Length, Matches, Max, Min, ValidateNested } from 'class-validator'
import { DECISION_RULES, DEFECT_STEPS, RELATIONS, SEVERITIES, type EntryKind } from '@plumb-mark/core'
import { ConditionsDto, InstrumentDto, LARGEST_MM, ObstructionDto, PersonDto, PhotoRefDto, PinnedSheetDto, StringModuleDto, WallPlaceDto } from './parts.dto.js'

export class JobOpenedDto {
  @IsString() @Length(1, 40) number!: string
  @IsString() @Length(1, 200) title!: string
  @IsString() @Length(1, 400) site!: string
  @IsString() @Length(1, 200) customer!: string
  @IsIn(['iec', 'nec']) school!: string
  @IsIn(['metric', 'us']) units!: string
  @IsIn(DECISION_RULES) rule!: string
  @IsArray() @ArrayMaxSize(60) @ValidateNested({ each: true }) @Type(() => PinnedSheetDto) sheets!: PinnedSheetDto[]
}

export class SharedDto {
  @ValidateNested() @Type(() => PersonDto) person!: PersonDto
}

export class UnitFittedDto {
  @IsString() @Length(1, 80) id!: string
  @IsString() @Length(1, 120) label!: string
  @IsString() @Length(1, 120) sheetId!: string
  @IsOptional() @IsString() @Length(1, 80) serial?: string
  @IsOptional() @ValidateNested() @Type(() => WallPlaceDto) place?: WallPlaceDto
}

export class UnitRemovedDto {
  @IsString() @Length(1, 80) unitId!: string
}

export class WallMeasuredDto {
  @IsString() @Length(1, 80) id!: string
  @IsString() @Length(1, 120) title!: string
  @IsOptional() @IsNumber() @Min(1) @Max(LARGEST_MM) width?: number
  @IsOptional() @IsNumber() @Min(1) @Max(LARGEST_MM) height?: number
  @IsBoolean() leftCorner!: boolean
  @IsBoolean() rightCorner!: boolean
  @IsNumber() @Min(0) @Max(1000) uncertainty!: number
  @IsOptional() @IsString() @Length(0, 200) tape?: string
}

export class ObstructionMeasuredDto {
  @IsString() @Length(1, 80) wallId!: string
  @ValidateNested() @Type(() => ObstructionDto) obstruction!: ObstructionDto
}

export class ObstructionRemovedDto {
  @IsString() @Length(1, 80) wallId!: string
  @IsString() @Length(1, 80) obstructionId!: string
}

export class StringBuiltDto {
  @IsString() @Length(1, 80) id!: string
  @IsString() @Length(1, 120) label!: string
  @IsString() @Length(1, 80) unitId!: string
  @IsString() @Length(1, 40) input!: string
  @ValidateNested() @Type(() => StringModuleDto) module!: StringModuleDto
  @IsInt() @Min(1) @Max(200) count!: number
}

class WithPhotos {
  @IsOptional() @IsString() @Length(0, 4000) note?: string
  @IsOptional() @IsArray() @ArrayMaxSize(20) @ValidateNested({ each: true }) @Type(() => PhotoRefDto) photos?: PhotoRefDto[]
}

export class ReadingDto extends WithPhotos {
  @IsString() @Length(1, 300) point!: string
  @IsString() @Length(1, 80) typed!: string
  @IsNumber() @Min(-1e15) @Max(1e15) value!: number
  @IsString() @Length(0, 20) unit!: string
  @IsIn(RELATIONS) relation!: string
  @IsOptional() @ValidateNested() @Type(() => InstrumentDto) instrument?: InstrumentDto
  @IsOptional() @ValidateNested() @Type(() => ConditionsDto) conditions?: ConditionsDto
}

export class ObservationDto extends WithPhotos {
  @IsString() @Length(1, 300) point!: string
  @IsBoolean() seen!: boolean
}

export class EvidenceStruckDto {
  @IsUUID() entryId!: string
  @IsString() @Length(1, 1000) reason!: string
}

export class DefectRaisedDto extends WithPhotos {
  @IsUUID() defectId!: string
  @IsString() @Length(1, 300) checkId!: string
  @IsIn(SEVERITIES) severity!: string
  @IsString() @Length(1, 300) title!: string
  @IsString() @Length(1, 300) place!: string
  @IsString() @Length(1, 1000) finding!: string
  @IsString() @Length(1, 4000) remedy!: string
}

export class DefectStepDto {
  @IsUUID() defectId!: string
  @IsIn(DEFECT_STEPS) step!: string
  @IsString() @Length(1, 4000, { message: 'say in a few words what was done' }) note!: string
  @IsOptional() @IsArray() @ArrayMaxSize(20) @ValidateNested({ each: true }) @Type(() => PhotoRefDto) photos?: PhotoRefDto[]
}

export class CalculationKeptDto {
  @IsString() @Length(1, 60) calculator!: string
  @IsString() @Length(1, 200) title!: string
  @IsObject() input!: object
  @IsOptional() @IsString() @Length(0, 4000) note?: string
}

export class SignedDto {
  @IsString() @Length(1, 80, { message: 'type the licence number' }) licence!: string
  @IsString() @Length(1, 2000) statement!: string
  @Matches(/^data:image\/png;base64,[A-Za-z0-9+/=]{40,200000}$/, { message: 'draw the signature' }) drawing!: string
  @Matches(/^[0-9a-f]{64}$/) sealedHead!: string
}

/** The class that a body of each kind must fit. */
export const BODY_CLASSES = {
  'job-opened': JobOpenedDto,
  shared: SharedDto,
  'unit-fitted': UnitFittedDto,
  'unit-removed': UnitRemovedDto,
  'wall-measured': WallMeasuredDto,
  'obstruction-measured': ObstructionMeasuredDto,
  'obstruction-removed': ObstructionRemovedDto,
  'string-built': StringBuiltDto,
  reading: ReadingDto,
  observation: ObservationDto,
  'evidence-struck': EvidenceStruckDto,
  'defect-raised': DefectRaisedDto,
  'defect-step': DefectStepDto,
  'calculation-kept': CalculationKeptDto,
  signed: SignedDto,
} satisfies Record<EntryKind, new () => object>
