import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsNumber,
  IsOptional,
  IsString,
  IsUUID,
  Length,
  Matches,
  Max,
  Min,
} from 'class-validator'
import { DEFECT_STEPS, RELATIONS, SEVERITIES } from '@plumb-mark/core'
import type { Answer, DefectStepName, Relation, Severity } from '@plumb-mark/core'
import { Filled, IsDay, IsPlain, Part, Parts } from '../http/fields.js'
import { DeviceWordDto } from './device.dto.js'
import { ConditionsDto, InstrumentDto, PhotoRefDto } from './parts.dto.js'
import { PhotoReadingDto } from './photo.dto.js'

class WithPhotos {
  @IsOptional() @Parts(() => PhotoRefDto, { max: 20 }) photos?: PhotoRefDto[]
}
class WithNote extends WithPhotos {
  @IsOptional() @IsString() @Length(0, 4000) note?: string
}

export class ReadingDto extends WithNote {
  @Filled(300) point!: string
  @Filled(80) typed!: string
  @IsNumber() @Min(-1e15) @Max(1e15) value!: number
  @IsString() @Length(0, 20) unit!: string
  @IsIn(RELATIONS) relation!: Relation
  @IsOptional() @Part(() => InstrumentDto) instrument?: InstrumentDto
  @IsOptional() @Part(() => DeviceWordDto) word?: DeviceWordDto
  @IsOptional() @Part(() => PhotoReadingDto) offPhoto?: PhotoReadingDto
  @IsOptional() @Part(() => ConditionsDto) conditions?: ConditionsDto
  @IsOptional() @Filled(200) sheetId?: string
}

export class ObservationDto extends WithNote {
  @Filled(300) point!: string
  @IsBoolean() seen!: boolean
  @IsOptional() @Filled(200) sheetId?: string
}

export class WalkedOverDto extends WithNote {
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(1000)
  @IsString({ each: true })
  @Length(1, 300, { each: true })
  points!: string[]
  @IsOptional() @IsPlain() sheets?: Record<string, string>
}

/** What the answer may hold depends on the check: core reads it against the form that the check asks for. */
export class RecordDto extends WithNote {
  @Filled(300) point!: string
  @IsPlain() answer!: Answer
  @IsOptional() @Part(() => InstrumentDto) instrument?: InstrumentDto
  @IsOptional() @Part(() => DeviceWordDto) word?: DeviceWordDto
  @IsOptional() @Filled(200) sheetId?: string
}

export class NotApplicableDto extends WithNote {
  @Filled(300) point!: string
  @Filled(300) checkId!: string
  @Filled(1000, { message: 'say why it does not apply' }) reason!: string
  @IsOptional() @Filled(200) sheetId?: string
}

export class PhotosAddedDto {
  @IsUUID() entryId!: string
  @Parts(() => PhotoRefDto, { min: 1, max: 20 }) photos!: PhotoRefDto[]
}

export class EvidenceStruckDto {
  @IsUUID() entryId!: string
  @Filled(1000) reason!: string
}

export class DefectRaisedDto extends WithNote {
  @IsUUID() defectId!: string
  @Filled(300) checkId!: string
  @IsIn(SEVERITIES) severity!: Severity
  @Filled(300) title!: string
  @Filled(300) place!: string
  @Filled(1000) finding!: string
  @Filled(4000) remedy!: string
}

export class DefectStepDto extends WithPhotos {
  @IsUUID() defectId!: string
  @IsIn(DEFECT_STEPS) step!: DefectStepName
  @Filled(4000, { message: 'say in a few words what was done' }) note!: string
}

export class DefectAmendedDto {
  @IsUUID() defectId!: string
  @IsOptional() @IsIn(SEVERITIES) severity?: Severity
  @IsOptional() @Filled(300) title?: string
  @IsOptional() @Filled(300) place?: string
  @IsOptional() @Filled(1000) finding?: string
  @IsOptional() @Filled(4000) remedy?: string
  @IsOptional() @IsDay() due?: string
  @IsOptional() @Filled(200) responsible?: string
  @IsOptional() @Filled(1000, { message: 'say why the severity is another' }) reason?: string
}

export class CalculationKeptDto {
  @Filled(60) calculator!: string
  @Filled(200) title!: string
  @IsPlain() input!: Record<string, unknown>
  @IsOptional() @IsString() @Length(0, 4000) note?: string
}

const DRAWING = /^data:image\/png;base64,[A-Za-z0-9+/=]{40,200000}$/

export class HandedOverDto {
  @Filled(200, { message: 'say who receives it' }) to!: string
  @Filled(200, { message: 'say whom they call' }) call!: string
  @Matches(DRAWING, { message: 'draw the signature' }) drawing!: string
}

export class SignedDto {
  @Filled(80, { message: 'type the licence number' }) licence!: string
  @Filled(2000) statement!: string
  @Matches(DRAWING, { message: 'draw the signature' }) drawing!: string
  @Matches(/^[0-9a-f]{64}$/) sealedHead!: string
}
