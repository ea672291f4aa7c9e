import { asText, asUint, joined, textAt, uint } from './bytes.js'
import { readExif, writeExif, type KeptExif } from './exif.js'

const [HAS_EXIF, HAS_ALPHA, HAS_PROFILE] = [0x08, 0x10, 0x20] as const

/**
 * A WebP put together anew from its picture, its turn and its colour profile. Undefined where it cannot be read, and for moving pictures,
 * which no camera takes. Source: RFC 9649, 2.7.
 */
export function rebuiltWebp(bytes: Uint8Array, keep: (exif: KeptExif) => KeptExif): Uint8Array | undefined {
  const found = new Map<string, Uint8Array>()
  const end = Math.min(bytes.length, 8 + uint(bytes, 4, 4, true))
  for (let at = 12; at + 8 <= end;) {
    const size = uint(bytes, at + 4, 4, true)
    if (at + 8 + size > bytes.length) return undefined
    const kind = textAt(bytes, at, 4)
    if (!found.has(kind)) found.set(kind, bytes.subarray(at + 8, at + 8 + size))
    at += 8 + size + (size % 2)
  }
  const [lossy, lossless] = [found.get('VP8 '), found.get('VP8L')]
  if ((!lossy && !lossless) || found.has('ANIM')) return undefined
  const picture = lossy ? chunk('VP8 ', lossy) : chunk('VP8L', lossless!)
  const canvas = found.get('VP8X')
  if (!canvas) return riff([picture])
  if (canvas.length < 10) return undefined
  const told = found.get('EXIF')
  const exif = told ? readExif(textAt(told, 0, 4) === 'Exif' ? told.subarray(6) : told) : { orientation: 1 }
  const said = writeExif(keep(exif))
  const [profile, alpha] = [found.get('ICCP'), lossy ? found.get('ALPH') : undefined]
  const hasAlpha = ((canvas[0] ?? 0) & HAS_ALPHA) !== 0
  const flags = (profile ? HAS_PROFILE : 0) | (hasAlpha ? HAS_ALPHA : 0) | (said ? HAS_EXIF : 0)
  return riff([
    chunk('VP8X', joined([Uint8Array.of(flags, 0, 0, 0), canvas.subarray(4, 10)])),
    ...(profile ? [chunk('ICCP', profile)] : []),
    ...(alpha ? [chunk('ALPH', alpha)] : []),
    picture,
    ...(said ? [chunk('EXIF', said)] : []),
  ])
}

const chunk = (kind: string, content: Uint8Array): Uint8Array =>
  joined([asText(kind), asUint(content.length, 4, true), content, new Uint8Array(content.length % 2)])

function riff(chunks: readonly Uint8Array[]): Uint8Array {
  const content = joined([asText('WEBP'), ...chunks])
  return joined([asText('RIFF'), asUint(content.length, 4, true), content])
}
