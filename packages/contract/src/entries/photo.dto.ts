import { IsNumber, Max, Min } from 'class-validator'
import { Part, Parts } from '../http/fields.js'

export const MOST_PIXELS = 100_000
/** A place on a wall, mm. */
export const LARGEST_MM = 1e6

export class PixelDto {
  @IsNumber() @Min(-MOST_PIXELS) @Max(MOST_PIXELS) px!: number
  @IsNumber() @Min(-MOST_PIXELS) @Max(MOST_PIXELS) py!: number
}

export class KnownPointDto extends PixelDto {
  @IsNumber() @Min(-LARGEST_MM) @Max(LARGEST_MM) x!: number
  @IsNumber() @Min(-LARGEST_MM) @Max(LARGEST_MM) y!: number
}

export class CheckLengthDto {
  @Part(() => PixelDto) from!: PixelDto
  @Part(() => PixelDto) to!: PixelDto
  @IsNumber() @Min(0.1) @Max(LARGEST_MM) length!: number
}

/** How a photo was made a tape. */
export class PhotoSetUpDto {
  @IsNumber() @Min(1) @Max(MOST_PIXELS) width!: number
  @IsNumber() @Min(1) @Max(MOST_PIXELS) height!: number
  @Parts(() => KnownPointDto, { min: 4, max: 100 }) points!: KnownPointDto[]
  @Part(() => CheckLengthDto) check!: CheckLengthDto
  @IsNumber() @Min(0) @Max(1000) pointUncertainty!: number
  @IsNumber() @Min(0) @Max(1000) placeUncertainty!: number
}

export class PhotoReadingDto {
  @Part(() => PhotoSetUpDto) setUp!: PhotoSetUpDto
  @Part(() => PixelDto) from!: PixelDto
  @Part(() => PixelDto) to!: PixelDto
}
