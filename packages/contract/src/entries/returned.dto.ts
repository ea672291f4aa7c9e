import { IsOptional, IsUUID, Matches } from 'class-validator'
import { Filled, Part, Parts } from '../http/fields.js'
import { PersonDto } from './parts.dto.js'

class RemarkDto {
  @IsUUID() id!: string
  @Filled(4000, { message: 'say what is to be done or explained' }) text!: string
  @IsOptional() @Filled(300) checkId?: string
  @IsOptional() @IsUUID() defectId?: string
}

export class ReturnedDto {
  @Parts(() => RemarkDto, { min: 1, max: 100 }) remarks!: RemarkDto[]
}

export class RemarkAnsweredDto {
  @IsUUID() remarkId!: string
  @Filled(4000, { message: 'answer in a few words' }) answer!: string
}

export class SecondReaderAskedDto {
  @IsOptional() @Part(() => PersonDto) person?: PersonDto
}

export class SecondReadDto {
  @Filled(2000) statement!: string
  @Matches(/^[0-9a-f]{64}$/) readHead!: string
}
