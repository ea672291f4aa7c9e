import { asText, asUint, joined, textAt, uint } from './bytes.js'
import { readExif, writeExif, type KeptExif } from './exif.js'

/** The picture, and how its colours are meant; nothing that holds words. Source: PNG, third edition, 5.6. */
const KEPT = new Set([
  'IHDR',
  'PLTE',
  'IDAT',
  'IEND',
  'tRNS',
  'gAMA',
  'cHRM',
  'sRGB',
  'cICP',
  'sBIT',
  'pHYs',
  'bKGD',
])
const SIGNATURE = 8

/** A PNG put together anew from its picture, its turn and its colour profile. Undefined where it cannot be read. */
export function rebuiltPng(bytes: Uint8Array, keep: (exif: KeptExif) => KeptExif): Uint8Array | undefined {
  const chunks: Uint8Array[] = []
  let exif: KeptExif = { orientation: 1 }
  let at = SIGNATURE
  for (;;) {
    const length = uint(bytes, at, 4)
    const end = at + 12 + length
    if (end > bytes.length) return undefined
    const kind = textAt(bytes, at + 4, 4)
    const content = bytes.subarray(at + 8, at + 8 + length)
    if (kind === 'eXIf') exif = readExif(content)
    if (kind === 'iCCP') chunks.push(chunk('iCCP', withoutName(content)))
    if (kind === 'IDAT' && !chunks.some(isData)) {
      const said = writeExif(keep(exif))
      if (said) chunks.push(chunk('eXIf', said))
    }
    if (KEPT.has(kind)) chunks.push(bytes.subarray(at, end))
    at = end
    if (kind === 'IEND') break
  }
  return joined([bytes.subarray(0, SIGNATURE), ...chunks])
}

const isData = (one: Uint8Array) => textAt(one, 4, 4) === 'IDAT'

/** The name of a profile is free text. */
function withoutName(content: Uint8Array): Uint8Array {
  const end = content.indexOf(0)
  return joined([asText('ICC'), content.subarray(end < 0 ? content.length : end)])
}

function chunk(kind: string, content: Uint8Array): Uint8Array {
  const summed = joined([asText(kind), content])
  return joined([asUint(content.length, 4), summed, asUint(crc32(summed), 4)])
}

const TABLE = Uint32Array.from({ length: 256 }, (_, n) => {
  let c = n
  for (let k = 0; k < 8; k++) c = c & 1 ? 0xedb88320 ^ (c >>> 1) : c >>> 1
  return c
})

/** Source: PNG, third edition, annex D. */
function crc32(bytes: Uint8Array): number {
  let c = 0xffffffff
  for (const byte of bytes) c = TABLE[(c ^ byte) & 0xff]! ^ (c >>> 8)
  return (c ^ 0xffffffff) >>> 0
}
