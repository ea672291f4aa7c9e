import { Type } from 'class-transformer'
import { IsInt, IsOptional, IsString, Max, MaxLength, Min } from 'class-validator'

/** Which part of a list is wanted. */
export class PageDto {
  @IsOptional() @Type(() => Number) @IsInt() @Min(1) @Max(200) limit?: number
  @IsOptional() @Type(() => Number) @IsInt() @Min(0) @Max(1_000_000) offset?: number
  /** Words that must all be there, or begin a word that is. */
  @IsOptional() @IsString() @MaxLength(200) q?: string
}
