import { Type } from 'class-transformer'
import { IsInt, Max, Min } from 'class-validator'

const LARGEST = 100_000_000

/** Which part of a photo this is, in bytes: where it begins, and how long the whole is. */
export class PhotoPartDto {
  @Type(() => Number) @IsInt() @Min(0) @Max(LARGEST) from!: number
  @Type(() => Number) @IsInt() @Min(1) @Max(LARGEST) of!: number
}
