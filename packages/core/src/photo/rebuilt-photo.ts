import { sameBytes, textAt } from './bytes.js'
import type { KeptExif } from './exif.js'
import { rebuiltJpeg } from './jpeg.js'
import { rebuiltPng } from './png.js'
import { rebuiltWebp } from './webp.js'

/** What may stay beside the picture itself. */
export interface PhotoWish {
  /** Where and when it was taken, where the job asks for it. */
  tellsPlace?: boolean | undefined
}

/**
 * The picture put together anew from what is needed: its pixels, its turn, its colour profile, and where it is asked for the time and the
 * place where it was taken. What else lay in the file (small pictures, further pictures, comments, makers' notes, packets, filling, what
 * was hung on) is not taken over, known or not. JPEG, PNG and WebP; undefined for anything else and for what cannot be read. The same
 * again gives the same bytes.
 */
export function rebuiltPhoto(
  picture: Uint8Array,
  { tellsPlace = false }: PhotoWish = {},
): Uint8Array | undefined {
  const keep = (exif: KeptExif): KeptExif => (tellsPlace ? exif : { orientation: exif.orientation })
  if (picture[0] === 0xff && picture[1] === 0xd8) return rebuiltJpeg(picture, keep)
  if (textAt(picture, 1, 3) === 'PNG') return rebuiltPng(picture, keep)
  if (textAt(picture, 0, 4) === 'RIFF' && textAt(picture, 8, 4) === 'WEBP') return rebuiltWebp(picture, keep)
  return undefined
}

/** Does a picture carry nothing but what is needed? */
export function tellsNoMore(picture: Uint8Array, wish: PhotoWish = {}): boolean {
  const rebuilt = rebuiltPhoto(picture, wish)
  return rebuilt !== undefined && sameBytes(rebuilt, picture)
}
