import {
  ArrayMaxSize,
  ArrayUnique,
  IsArray,
  IsIn,
  IsOptional,
  IsString,
  Length,
  Matches,
} from 'class-validator'
import { AUDIENCES, PART_IDS, type Audience, type PartId } from '@plumb-mark/report'
import { Part } from '../http/fields.js'
import { WorkQueryDto } from '../jobs/work.dto.js'
import { PAPERS, type Paper } from './papers.js'

const LOGO = /^data:image\/(png|jpeg|webp);base64,[A-Za-z0-9+/=]{40,600000}$/

/** Who makes the report; without a name it carries the mark of the program alone. */
export class Letterhead {
  @IsString() @Length(0, 120) name!: string
  @IsArray() @ArrayMaxSize(6) @IsString({ each: true }) @Length(1, 120, { each: true }) lines!: string[]
  @IsOptional() @Matches(LOGO, { message: 'must be a picture of at most 450 kB' }) logo?: string
}

const Parts = (): PropertyDecorator => (target, name) => {
  IsArray()(target, name)
  ArrayUnique()(target, name)
  IsIn(PART_IDS, { each: true })(target, name)
}

/** Which parts of a report go to whom. */
export class PartsByAudience implements Record<Audience, PartId[]> {
  @Parts() record!: PartId[]
  @Parts() customer!: PartId[]
  @Parts() 'network-operator'!: PartId[]
  @Parts() installer!: PartId[]
}

/** How the office wants its reports. */
export class ReportLook {
  @IsIn(PAPERS) paper!: Paper
  @Part(() => Letterhead) letterhead!: Letterhead
  @Part(() => PartsByAudience) parts!: PartsByAudience
}

export class ReportQueryDto extends WorkQueryDto {
  @IsOptional() @IsIn(AUDIENCES) for?: Audience
  @IsOptional() @IsIn(PAPERS) paper?: Paper
}
