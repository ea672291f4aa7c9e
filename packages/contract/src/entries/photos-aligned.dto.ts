import { IsInt, Max, Min } from 'class-validator'
import { SAME_PLACES } from '@plumb-mark/core'
import { Part, Parts } from '../http/fields.js'
import { PhotoRefDto } from './parts.dto.js'
import { MOST_PIXELS, PixelDto } from './photo.dto.js'

/** One of two photos, and four places in it. */
export class AlignedSideDto {
  @Part(() => PhotoRefDto) photo!: PhotoRefDto
  @IsInt() @Min(1) @Max(MOST_PIXELS) width!: number
  @IsInt() @Min(1) @Max(MOST_PIXELS) height!: number
  @Parts(() => PixelDto, { min: SAME_PLACES, max: SAME_PLACES }) places!: PixelDto[]
}

export class PhotosAlignedDto {
  @Part(() => AlignedSideDto) before!: AlignedSideDto
  @Part(() => AlignedSideDto) after!: AlignedSideDto
}
