import type { Item, Page } from '../page/page.js'
import { LIMITS, type PdfDocument } from './pdf.js'
import { Unreadable } from './unreadable.js'
import { boldness, type Pixels } from './boldness.js'

/** A word that was recognised in a picture, in pixels; `baseline` is that of its line. */
export interface SeenWord {
  text: string
  x0: number
  x1: number
  top: number
  bottom: number
  baseline: number
  /** Height of the type of its line, the same for all its words. */
  height: number
  line: number
  /** How certain the recogniser is, 0 to 100. */
  sure?: number
}

/** Sees words in a picture. The program hands one in: the browser and the command line load it differently. */
export interface Recogniser {
  recognise(picture: Uint8Array | Blob): Promise<SeenWord[]>
  end(): Promise<void>
}

/** A canvas as both the browser and the command line have one. */
export interface Surface {
  context: unknown
  pixels(): Pixels
  picture(): Promise<Uint8Array | Blob>
}
export type SurfaceOf = (width: number, height: number) => Surface

/** Dots per inch at which small print is recognised well and a page takes some seconds. */
const RESOLUTION = 220
const POINTS = 72

/** Is there next to no text on a page, so that it must be a picture? */
export const isScan = ({ items }: Page): boolean =>
  items.reduce((sum, { text }) => sum + text.trim().length, 0) < 12

/** A page of which only a picture is there, with the words seen in it. */
export async function readScan(
  document: PdfDocument,
  number: number,
  recogniser: Recogniser,
  surfaceOf: SurfaceOf,
): Promise<Page> {
  const page = await document.getPage(number)
  const whole = page.getViewport({ scale: 1 })
  const scale = RESOLUTION / POINTS
  if (whole.width * whole.height * scale * scale > LIMITS.pixels)
    throw new Unreadable('picture-too-large', `page ${number} is too large a picture to be read`)
  const viewport = page.getViewport({ scale })
  const surface = surfaceOf(Math.ceil(viewport.width), Math.ceil(viewport.height))
  await page.render({ canvasContext: surface.context, canvas: null, viewport, background: 'white' }).promise
  page.cleanup()
  const words = await recogniser.recognise(await surface.picture())
  const bold = boldness(surface.pixels(), words)
  return {
    number,
    width: whole.width,
    height: whole.height,
    items: words.map((word) => itemOf(word, scale, bold.has(word.line))),
    rules: [],
    fromPicture: true,
    pictures: 1,
  }
}

const itemOf = ({ text, x0, x1, baseline, height }: SeenWord, scale: number, bold: boolean): Item => ({
  text: corrected(text),
  x: x0 / scale,
  baseline: baseline / scale,
  width: (x1 - x0) / scale,
  size: height / scale,
  bold,
})

/** Signs that are taken for others time and again, where only one of them makes sense. */
function corrected(text: string): string {
  return text
    .replace(/mm[?*”"’']2?(?=[,.;:]?$)/u, 'mm²')
    .replace(/^(of|to|by|is|at|in|the|and|max|min)(?=\d)/u, '$1 ')
    .replace(/^[—–](?=\d)/u, '−')
    .replace(/(?<=\p{L})[|]$/u, '')
    .replace(/^w$/u, 'W')
    .replace(/^N[-.:+'’*°]m/u, 'N·m')
    .replace(/^[I1|](?=bs?(?:[-·.]?(?:in|ft))?[,.;]?$)/u, 'l')
    .replace(/^(\d+)°?[°º]C/u, '$1 °C')
}
