import { Type } from 'class-transformer'
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
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
import {
  BOND_MEANS,
  DECISION_RULES,
  DEFECT_STEPS,
  EARTH_METHODS,
  EARTH_PART_KINDS,
  PART_KINDS,
  RELATIONS,
  RESIDUAL_KINDS,
  SEVERITIES,
  type EntryKind,
} from '@plumb-mark/core'
import {
  ConditionsDto,
  DevicesFittedDto,
  GapDto,
  InstrumentDto,
  LARGEST_MM,
  ObstructionDto,
  PersonDto,
  PhotoRefDto,
  PinnedSheetDto,
  PLACE,
  SegmentDto,
  SituationDto,
  StringModuleDto,
  WallPlaceDto,
} from './parts.dto.js'

export class JobOpenedDto {
  @IsString() @Length(1, 40) number!: string
  @IsString() @Length(1, 200) title!: string
  @IsString() @Length(1, 400) site!: string
  @IsString() @Length(1, 200) customer!: string
  @IsIn(['iec', 'nec']) school!: string
  @IsIn(['metric', 'us']) units!: string
  @IsIn(DECISION_RULES) rule!: string
  @IsArray()
  @ArrayMaxSize(60)
  @ValidateNested({ each: true })
  @Type(() => PinnedSheetDto)
  sheets!: PinnedSheetDto[]
  @IsOptional() @IsIn(EARTH_METHODS) earthMethod?: string
  @IsOptional() @IsBoolean() copperBonds?: boolean
  @IsOptional() @IsNumber() @Min(-90) @Max(40) coldest?: number
}

export class JobAmendedDto {
  @IsOptional() @IsString() @Length(1, 200) title?: string
  @IsOptional() @IsString() @Length(1, 400) site?: string
  @IsOptional() @IsString() @Length(1, 200) customer?: string
  @IsOptional() @IsIn(['iec', 'nec']) school?: string
  @IsOptional() @IsIn(['metric', 'us']) units?: string
  @IsOptional() @IsIn(DECISION_RULES) rule?: string
  @IsOptional() @IsIn(EARTH_METHODS) earthMethod?: string
  @IsOptional() @IsBoolean() copperBonds?: boolean
  @IsOptional() @IsNumber() @Min(-90) @Max(40) coldest?: number
}

export class SheetAdoptedDto {
  @ValidateNested() @Type(() => PinnedSheetDto) sheet!: PinnedSheetDto
  @IsOptional() @IsString() @Length(1, 120) replaces?: string
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
  @IsOptional() @ValidateNested() @Type(() => SituationDto) situation?: SituationDto
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
  @IsOptional() @IsArray() @ArrayMinSize(1) @ArrayMaxSize(200) @Matches(PLACE, { each: true }) path?: string[]
  @IsOptional() @IsIn(['coefficient', 'table']) coldMethod?: string
}

export class WallRemovedDto {
  @IsString() @Length(1, 80) wallId!: string
}

export class GapMeasuredDto {
  @IsString() @Length(1, 80) wallId!: string
  @ValidateNested() @Type(() => GapDto) gap!: GapDto
}

export class GapRemovedDto {
  @IsString() @Length(1, 80) wallId!: string
  @IsString() @Length(1, 80) gapId!: string
}

export class StringRemovedDto {
  @IsString() @Length(1, 80) stringId!: string
}

export class PlaneBuiltDto {
  @Matches(/^[\w-]{1,80}$/) id!: string
  @IsString() @Length(1, 120) label!: string
  @IsString() @Length(1, 80) unitId!: string
  @IsInt() @Min(1) @Max(100) rows!: number
  @IsInt() @Min(1) @Max(200) columns!: number
  @IsIn(['portrait', 'landscape']) orientation!: string
  @IsNumber() @Min(0) @Max(2000) gap!: number
  @IsOptional() @IsNumber() @Min(0) @Max(90) tilt?: number
  @IsOptional() @IsNumber() @Min(0) @Max(360) azimuth?: number
  @IsArray() @ArrayMaxSize(5000) @Matches(PLACE, { each: true }) empty!: string[]
}

export class PlaneRemovedDto {
  @IsString() @Length(1, 80) planeId!: string
}

export class DevicesRemovedDto {
  @IsArray() @ArrayMinSize(1) @ArrayMaxSize(2500) @IsString({ each: true }) deviceIds!: string[]
}

export class BranchBuiltDto {
  @IsString() @Length(1, 80) id!: string
  @IsString() @Length(1, 120) label!: string
  @IsString() @Length(1, 80) unitId!: string
  @IsIn([1, 3]) phases!: number
  @IsNumber() @Min(1) @Max(1000) voltage!: number
  @IsNumber() @Min(0) @Max(1000) breaker!: number
  @IsArray() @ArrayMaxSize(200) @IsString({ each: true }) devices!: string[]
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(200)
  @ValidateNested({ each: true })
  @Type(() => SegmentDto)
  segments?: SegmentDto[]
  @IsOptional() @IsBoolean() endCapped?: boolean
}

export class BranchRemovedDto {
  @IsString() @Length(1, 80) branchId!: string
}

export class SerialsReportedDto {
  @IsString() @Length(1, 80) unitId!: string
  @IsArray() @ArrayMaxSize(5000) @IsString({ each: true }) @Length(1, 80, { each: true }) serials!: string[]
}

export class EarthPartFoundDto {
  @IsString() @Length(1, 80) id!: string
  @IsString() @Length(1, 120) label!: string
  @IsIn(EARTH_PART_KINDS) kind!: string
  @IsOptional() @IsString() @Length(1, 80) unitId?: string
}

export class EarthPartRemovedDto {
  @IsString() @Length(1, 80) partId!: string
}

export class BondMadeDto {
  @IsString() @Length(1, 80) id!: string
  @IsString() @Length(1, 80) from!: string
  @IsString() @Length(1, 80) to!: string
  @IsIn(BOND_MEANS) means!: string
  @IsOptional() @IsNumber() @Min(0.1) @Max(1000) size?: number
  @IsOptional() @IsNumber() @Min(0) @Max(1000) length?: number
  @IsOptional() @IsInt() @Min(1) @Max(100) uses?: number
  @IsOptional() @IsNumber() @Min(0.1) @Max(1000) lineSize?: number
  @IsOptional() @IsNumber() @Min(0) @Max(1e6) faultCurrent?: number
  @IsOptional() @IsNumber() @Min(0) @Max(1000) clearingTime?: number
}

export class BondRemovedDto {
  @IsString() @Length(1, 80) bondId!: string
}

export class PartPlacedDto {
  @IsString() @Length(1, 80) id!: string
  @IsString() @Length(1, 120) label!: string
  @IsIn(PART_KINDS) kind!: string
  @IsOptional() @IsString() @Length(1, 80) unitId?: string
  @IsOptional() @IsNumber() @Min(0) @Max(10000) source?: number
  @IsOptional() @IsNumber() @Min(0) @Max(10000) rating?: number
  @IsOptional() @IsIn(RESIDUAL_KINDS) residual?: string
  @IsOptional() @IsBoolean() surge?: boolean
  @IsOptional() @IsBoolean() labelled?: boolean
}

export class PartRemovedDto {
  @IsString() @Length(1, 80) partId!: string
}

export class ConductorRunDto {
  @IsString() @Length(1, 80) id!: string
  @IsString() @Length(1, 80) from!: string
  @IsString() @Length(1, 80) to!: string
  @IsIn([1, 3, 'dc']) phases!: number | string
  @IsNumber() @Min(1) @Max(2000) voltage!: number
  @IsNumber() @Min(0.1) @Max(1000) size!: number
  @IsNumber() @Min(0) @Max(10000) length!: number
  @IsIn(['pvc', 'xlpe']) insulation!: string
  @IsIn(['A1', 'B1', 'B2', 'C']) method!: string
  @IsNumber() @Min(-60) @Max(80) ambient!: number
  @IsInt() @Min(1) @Max(20) grouped!: number
}

export class ConductorRemovedDto {
  @IsString() @Length(1, 80) conductorId!: string
}

class WithPhotos {
  @IsOptional() @IsString() @Length(0, 4000) note?: string
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(20)
  @ValidateNested({ each: true })
  @Type(() => PhotoRefDto)
  photos?: PhotoRefDto[]
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

/** What the answer may hold depends on the check: core reads it against the form that the check asks for. */
export class RecordDto extends WithPhotos {
  @IsString() @Length(1, 300) point!: string
  @IsObject() answer!: object
  @IsOptional() @ValidateNested() @Type(() => InstrumentDto) instrument?: InstrumentDto
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
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(20)
  @ValidateNested({ each: true })
  @Type(() => PhotoRefDto)
  photos?: PhotoRefDto[]
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
  @Matches(/^data:image\/png;base64,[A-Za-z0-9+/=]{40,200000}$/, { message: 'draw the signature' })
  drawing!: string
  @Matches(/^[0-9a-f]{64}$/) sealedHead!: string
}

/** The class that a body of each kind must fit. */
export const BODY_CLASSES = {
  'job-opened': JobOpenedDto,
  shared: SharedDto,
  'job-amended': JobAmendedDto,
  'sheet-adopted': SheetAdoptedDto,
  'unit-fitted': UnitFittedDto,
  'unit-removed': UnitRemovedDto,
  'wall-measured': WallMeasuredDto,
  'obstruction-measured': ObstructionMeasuredDto,
  'obstruction-removed': ObstructionRemovedDto,
  'wall-removed': WallRemovedDto,
  'gap-measured': GapMeasuredDto,
  'gap-removed': GapRemovedDto,
  'string-built': StringBuiltDto,
  'string-removed': StringRemovedDto,
  'plane-built': PlaneBuiltDto,
  'plane-removed': PlaneRemovedDto,
  'devices-fitted': DevicesFittedDto,
  'devices-removed': DevicesRemovedDto,
  'branch-built': BranchBuiltDto,
  'branch-removed': BranchRemovedDto,
  'serials-reported': SerialsReportedDto,
  'earth-part-found': EarthPartFoundDto,
  'earth-part-removed': EarthPartRemovedDto,
  'bond-made': BondMadeDto,
  'bond-removed': BondRemovedDto,
  'part-placed': PartPlacedDto,
  'part-removed': PartRemovedDto,
  'conductor-run': ConductorRunDto,
  'conductor-removed': ConductorRemovedDto,
  reading: ReadingDto,
  observation: ObservationDto,
  record: RecordDto,
  'evidence-struck': EvidenceStruckDto,
  'defect-raised': DefectRaisedDto,
  'defect-step': DefectStepDto,
  'calculation-kept': CalculationKeptDto,
  signed: SignedDto,
} satisfies Record<EntryKind, new () => object>
