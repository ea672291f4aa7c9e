/** Where in a picture something stands: from, and how many bytes. */
interface Span {
  from: number
  length: number
}

const GPS_POINTER = 0x8825
const BYTES_OF_TYPE: Record<number, number> = { 1: 1, 2: 1, 3: 2, 4: 4, 5: 8, 6: 1, 7: 1, 8: 2, 9: 4, 10: 8 }

/**
 * The picture without the place where it was taken: the position in the Exif data is overwritten with zeros and the XMP packet (which may
 * repeat it) is left out; the picture itself, its turn and its time stay byte for byte. JPEG, PNG and WebP; anything else, and a picture
 * that tells no place, comes back as it was given. Never throws: data that cannot be read is left out whole. Source: Exif 2.3 (CIPA
 * DC-008), 4.5 and 4.6.
 */
export function withoutPlace(picture: Uint8Array): Uint8Array {
  if (picture[0] === 0xff && picture[1] === 0xd8) return rebuilt(picture, jpegParts(picture))
  if (textAt(picture, 1, 3) === 'PNG') return rebuilt(picture, pngParts(picture))
  if (textAt(picture, 0, 4) === 'RIFF' && textAt(picture, 8, 4) === 'WEBP') return webp(picture)
  return picture
}

interface Part extends Span {
  /** Where in it the Exif data begins (the TIFF header); none where it is something else. */
  exif?: number
  /** It may tell a place and nothing that is needed. */
  dropped?: boolean
}

/** Segments of a JPEG up to the picture itself, which is one part with all that follows. */
function jpegParts(picture: Uint8Array): Part[] {
  const parts: Part[] = [{ from: 0, length: 2 }]
  let at = 2
  while (picture[at] === 0xff && at + 4 <= picture.length) {
    const marker = picture[at + 1]!
    const length = 2 + number(picture, at + 2, 2, false)
    if (marker === 0xda || length < 4) break
    const part: Part = { from: at, length }
    if (marker === 0xe1 && textAt(picture, at + 4, 4) === 'Exif') part.exif = at + 10
    else if (marker === 0xe1 && textAt(picture, at + 4, 7) === 'http://') part.dropped = true
    parts.push(part)
    at += length
  }
  return [...parts, { from: at, length: picture.length - at }]
}

function pngParts(picture: Uint8Array): Part[] {
  const parts: Part[] = [{ from: 0, length: 8 }]
  let at = 8
  while (at + 12 <= picture.length) {
    const length = 12 + number(picture, at, 4, false)
    const kind = textAt(picture, at + 4, 4)
    // Its checksum would no longer fit what was overwritten.
    const xmp = kind === 'iTXt' && textAt(picture, at + 8, 17) === 'XML:com.adobe.xmp'
    parts.push({ from: at, length, dropped: xmp || (kind === 'eXIf' && tells(picture, at + 8)) })
    at += length
  }
  return [...parts, { from: at, length: picture.length - at }]
}

/** A WebP says how long it is and what it holds at its beginning. */
function webp(picture: Uint8Array): Uint8Array {
  const parts: Part[] = [{ from: 0, length: 12 }]
  let at = 12
  while (at + 8 <= picture.length) {
    const size = number(picture, at + 4, 4, true)
    const kind = textAt(picture, at, 4)
    const part: Part = { from: at, length: 8 + size + (size % 2), dropped: kind === 'XMP ' }
    if (kind === 'EXIF') part.exif = textAt(picture, at + 8, 4) === 'Exif' ? at + 14 : at + 8
    parts.push(part)
    at += part.length
  }
  const next = rebuilt(picture, parts)
  if (next === picture) return picture
  new DataView(next.buffer, next.byteOffset).setUint32(4, next.length - 8, true)
  const XMP_FLAG = 0x04
  if (textAt(next, 12, 4) === 'VP8X') next[20]! &= ~XMP_FLAG
  return next
}

function rebuilt(picture: Uint8Array, parts: readonly Part[]): Uint8Array {
  const blank = parts.flatMap(({ exif }) => (exif === undefined ? [] : placeIn(picture, exif)))
  if (blank.length === 0 && !parts.some(({ dropped }) => dropped)) return picture
  const cleaned = picture.slice()
  for (const { from, length } of blank) cleaned.fill(0, from, from + length)
  const kept = parts.filter(({ dropped }) => !dropped)
  const whole = new Uint8Array(
    kept.reduce((sum, { from, length }) => sum + Math.max(0, Math.min(length, picture.length - from)), 0),
  )
  let at = 0
  for (const { from, length } of kept) {
    const piece = cleaned.subarray(from, from + length)
    whole.set(piece, at)
    at += piece.length
  }
  return whole
}

const tells = (picture: Uint8Array, tiff: number) => placeIn(picture, tiff).length > 0

/** Where the Exif data that begins at `tiff` tells the place: the entries and the values that they point at, and never anything outside. */
function placeIn(picture: Uint8Array, tiff: number): Span[] {
  const little = textAt(picture, tiff, 2) === 'II'
  const at = (offset: number, bytes: number) => number(picture, tiff + offset, bytes, little)
  const entriesOf = (directory: number) =>
    Array.from({ length: Math.min(at(directory, 2), 500) }, (_, i) => directory + 2 + 12 * i)
  const pointer = entriesOf(at(4, 4)).find((entry) => at(entry, 2) === GPS_POINTER)
  if (pointer === undefined) return []
  const gps = at(pointer + 8, 4)
  const entries = entriesOf(gps)
  if (gps < 8 || entries.every((entry) => at(entry, 2) === 0)) return []
  const values = entries.flatMap((entry): Span[] => {
    const length = (BYTES_OF_TYPE[at(entry + 2, 2)] ?? 1) * at(entry + 4, 4)
    const value = at(entry + 8, 4)
    return length > 4 && value >= 8 && length < 10_000 ? [{ from: tiff + value, length }] : []
  })
  // The count stays: a directory of entries that say nothing is read without complaint.
  return [...values, { from: tiff + gps + 2, length: 12 * entries.length }]
}

const number = (bytes: Uint8Array, at: number, length: number, little: boolean): number => {
  let sum = 0
  for (let i = 0; i < length; i++) sum = sum * 256 + (bytes[at + (little ? length - 1 - i : i)] ?? 0)
  return sum
}

const textAt = (bytes: Uint8Array, at: number, length: number): string =>
  String.fromCharCode(...bytes.subarray(at, at + length))
