import { IsBoolean } from 'class-validator'

/** May the calculators be used at this server without signing in? */
export class CalculatorsDto {
  @IsBoolean() open!: boolean
}
