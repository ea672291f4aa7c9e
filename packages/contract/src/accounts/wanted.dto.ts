import { IsBoolean } from 'class-validator'

/** A rule that the office may switch on. */
export class WantedDto {
  @IsBoolean() wanted!: boolean
}
