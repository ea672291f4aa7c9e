import { asText, asUint, joined, textAt, uint } from './bytes.js'

/** What of Exif data is ever kept: how the picture is turned, and where a job asks for it, when and where it was taken. */
export interface KeptExif {
  /** 1 to 8; 1 is upright. */
  orientation: number
  /** `YYYY:MM:DD HH:MM:SS`, as the camera said it. */
  takenAt?: string
  place?: readonly Tag[]
}

/** One entry of a directory: its value as it stands in the file, in little-endian order. */
interface Tag {
  tag: number
  type: number
  count: number
  value: Uint8Array
}

const ORIENTATION = 0x0112
const EXIF_POINTER = 0x8769
const GPS_POINTER = 0x8825
const TAKEN_AT = 0x9003
const TAKEN_AT_FORM = /^\d{4}:\d{2}:\d{2} \d{2}:\d{2}:\d{2}$/
/** Latitude, longitude, altitude, time and date of the fix, by tag: their type and count. Nothing with free text. */
const PLACE = new Map([
  [0x01, { type: 2, count: 2 }],
  [0x02, { type: 5, count: 3 }],
  [0x03, { type: 2, count: 2 }],
  [0x04, { type: 5, count: 3 }],
  [0x05, { type: 1, count: 1 }],
  [0x06, { type: 5, count: 1 }],
  [0x07, { type: 5, count: 3 }],
  [0x1d, { type: 2, count: 11 }],
])
const [BYTE, ASCII, SHORT, LONG, RATIONAL] = [1, 2, 3, 4, 5] as const
const SIZE: Record<number, number> = { [BYTE]: 1, [ASCII]: 1, [SHORT]: 2, [LONG]: 4, [RATIONAL]: 8 }
const MOST_ENTRIES = 500
const HEADER = 8

/** Reads from Exif data (from its TIFF header on) what may be kept; anything else, and what cannot be read, is passed over. Source: Exif 2.3 (CIPA DC-008), 4.6. */
export function readExif(tiff: Uint8Array): KeptExif {
  const little = textAt(tiff, 0, 2) === 'II'
  const at = (offset: number, length: number) => uint(tiff, offset, length, little)
  const tagsOf = (directory: number): Map<number, Tag> => {
    const tags = new Map<number, Tag>()
    if (directory < HEADER) return tags
    const count = Math.min(at(directory, 2), MOST_ENTRIES)
    for (let i = 0; i < count; i++) {
      const entry = directory + 2 + 12 * i
      const [tag, type, values] = [at(entry, 2), at(entry + 2, 2), at(entry + 4, 4)]
      const length = (SIZE[type] ?? 0) * values
      if (length === 0 || length > 64) continue
      const from = length <= 4 ? entry + 8 : at(entry + 8, 4)
      if (from + length <= tiff.length)
        tags.set(tag, {
          tag,
          type,
          count: values,
          value: inLittle(tiff.subarray(from, from + length), type, little),
        })
    }
    return tags
  }
  const pointed = (tags: Map<number, Tag>, tag: number) =>
    tagsOf(uint(tags.get(tag)?.value ?? new Uint8Array(4), 0, 4, true))
  const main = tagsOf(at(4, 4))
  const turned = main.get(ORIENTATION)
  const orientation = turned?.type === SHORT ? uint(turned.value, 0, 2, true) : 1
  const taken = pointed(main, EXIF_POINTER).get(TAKEN_AT)
  const takenAt = taken && textAt(taken.value, 0, 19)
  const place = [...pointed(main, GPS_POINTER).values()].filter(({ tag, type, count }) => {
    const wanted = PLACE.get(tag)
    return wanted?.type === type && wanted.count === count
  })
  return {
    orientation: orientation >= 1 && orientation <= 8 ? orientation : 1,
    ...(takenAt && TAKEN_AT_FORM.test(takenAt) && { takenAt }),
    ...(place.length > 0 && { place }),
  }
}

function inLittle(value: Uint8Array, type: number, little: boolean): Uint8Array {
  const width = type === RATIONAL ? LONG : (SIZE[type] ?? 1)
  if (little || width === 1) return value.slice()
  const parts: Uint8Array[] = []
  for (let i = 0; i < value.length; i += width) parts.push(value.slice(i, i + width).reverse())
  return joined(parts)
}

/** Exif data that say this and nothing else; undefined where there is nothing to say. */
export function writeExif({ orientation, takenAt, place }: KeptExif): Uint8Array | undefined {
  if (orientation === 1 && !takenAt && !place) return undefined
  const main: Tag[] = [{ tag: ORIENTATION, type: SHORT, count: 1, value: asUint(orientation, 2, true) }]
  const pointer = (tag: number): Tag => ({ tag, type: LONG, count: 1, value: new Uint8Array(4) })
  const exif: Tag[] = takenAt
    ? [{ tag: TAKEN_AT, type: ASCII, count: 20, value: asText(`${takenAt}\0`) }]
    : []
  if (exif.length > 0) main.push(pointer(EXIF_POINTER))
  if (place) main.push(pointer(GPS_POINTER))
  const exifAt = HEADER + lengthOf(main)
  const gpsAt = exifAt + lengthOf(exif)
  for (const one of main) {
    if (one.tag === EXIF_POINTER) one.value = asUint(exifAt, 4, true)
    if (one.tag === GPS_POINTER) one.value = asUint(gpsAt, 4, true)
  }
  return joined([
    asText('II'),
    asUint(42, 2, true),
    asUint(HEADER, 4, true),
    directory(main, HEADER),
    directory(exif, exifAt),
    directory(
      [...(place ?? [])].sort((a, b) => a.tag - b.tag),
      gpsAt,
    ),
  ])
}

/** A directory with its values behind it; of none, nothing. */
function directory(tags: readonly Tag[], at: number): Uint8Array {
  if (tags.length === 0) return new Uint8Array(0)
  let free = at + 2 + 12 * tags.length + 4
  const entries: Uint8Array[] = []
  const values: Uint8Array[] = []
  for (const { tag, type, count, value } of tags) {
    const outside = value.length > 4
    const field = outside ? asUint(free, 4, true) : joined([value, new Uint8Array(4 - value.length)])
    entries.push(joined([asUint(tag, 2, true), asUint(type, 2, true), asUint(count, 4, true), field]))
    if (!outside) continue
    const even = joined([value, new Uint8Array(value.length % 2)])
    values.push(even)
    free += even.length
  }
  return joined([asUint(tags.length, 2, true), ...entries, new Uint8Array(4), ...values])
}

const lengthOf = (tags: readonly Tag[]): number => directory(tags, 0).length
