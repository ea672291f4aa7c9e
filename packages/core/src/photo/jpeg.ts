import { asText, asUint, joined, textAt, uint } from './bytes.js'
import { readExif, writeExif, type KeptExif } from './exif.js'

const SOI = 0xd8
const EOI = 0xd9
const SCAN = 0xda
const [APP0, APP1, APP2, APP14] = [0xe0, 0xe1, 0xe2, 0xee] as const
/** Tables, frames and scans: what the picture itself is made of. Source: ITU-T T.81, B.1.1.3. */
const isPicture = (marker: number): boolean =>
  (marker >= 0xc0 && marker <= 0xcf) || (marker >= 0xda && marker <= 0xdd)
const standsAlone = (marker: number) => (marker >= 0xd0 && marker <= 0xd7) || marker === 0x01
const EXIF = 'Exif\0\0'
const ICC = 'ICC_PROFILE\0'

/**
 * A JPEG put together anew from its picture, its turn and its colour profile: nothing else that lay before, between or behind them is
 * taken over, also not a second picture. Undefined where it cannot be read.
 */
export function rebuiltJpeg(bytes: Uint8Array, keep: (exif: KeptExif) => KeptExif): Uint8Array | undefined {
  const head: Uint8Array[] = []
  const profile: Uint8Array[] = []
  const picture: Uint8Array[] = []
  let exif: KeptExif = { orientation: 1 }
  let at = 2
  for (;;) {
    if (bytes[at] !== 0xff) return undefined
    while (bytes[at + 1] === 0xff) at++
    const marker = bytes[at + 1] ?? 0
    if (marker === EOI) break
    if (standsAlone(marker)) {
      at += 2
      continue
    }
    const length = uint(bytes, at + 2, 2)
    const end = at + 2 + length
    if (length < 2 || end > bytes.length || marker === SOI || marker === 0) return undefined
    const content = bytes.subarray(at + 4, end)
    const segment = bytes.subarray(at, end)
    if (marker === APP0 && textAt(content, 0, 5) === 'JFIF\0' && content.length >= 14)
      head.push(jfif(content))
    // Of several the first counts, as for whoever shows the picture.
    if (marker === APP1 && textAt(content, 0, 6) === EXIF && exif.orientation === 1 && !exif.place)
      exif = readExif(content.subarray(6))
    if (marker === APP2 && textAt(content, 0, 12) === ICC) profile.push(withMarker(APP2, content))
    if (marker === APP14 && textAt(content, 0, 5) === 'Adobe' && content.length >= 12)
      profile.push(withMarker(APP14, content.subarray(0, 12)))
    if (isPicture(marker)) picture.push(marker === SCAN ? withScan(bytes, at, end) : segment)
    at = marker === SCAN ? at + picture.at(-1)!.length : end
    if (at >= bytes.length) return undefined
  }
  if (picture.length === 0) return undefined
  const said = writeExif(keep(exif))
  return joined([
    Uint8Array.of(0xff, SOI),
    ...head.slice(0, 1),
    ...(said ? [withMarker(APP1, joined([asText(EXIF), said]))] : []),
    ...profile,
    ...picture,
    Uint8Array.of(0xff, EOI),
  ])
}

const withMarker = (marker: number, content: Uint8Array): Uint8Array =>
  joined([Uint8Array.of(0xff, marker), asUint(content.length + 2, 2), content])

/** Version and density; the small picture that may follow is left out. */
const jfif = (content: Uint8Array): Uint8Array =>
  withMarker(APP0, joined([content.subarray(0, 12), Uint8Array.of(0, 0)]))

/** The head of a scan with all that is coded after it, up to the next marker that is not part of it. */
function withScan(bytes: Uint8Array, from: number, end: number): Uint8Array {
  let at = end
  while (at < bytes.length) {
    if (bytes[at] !== 0xff) at++
    else if (isCoded(bytes[at + 1] ?? 0)) at += 2
    else break
  }
  return bytes.subarray(from, at)
}

/** A byte of the code itself, or a restart within it. */
const isCoded = (next: number) => next === 0 || (next >= 0xd0 && next <= 0xd7)
