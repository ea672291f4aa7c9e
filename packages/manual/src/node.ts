import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import type { CuttingTable } from './clippings/cut-out.js'
import type { Reader } from './read-file.js'
import type { PdfLibrary } from './source/pdf.js'
import { startTesseract, type TesseractLibrary } from './source/tesseract.js'

/** What reads on the command line and in tests: each part loaded when it is asked for, its data out of the packages. */
export async function nodeReader(): Promise<Reader> {
  const load = createRequire(import.meta.url)
  const pdf = (await import('pdfjs-dist/legacy/build/pdf.mjs')) as unknown as PdfLibrary
  const { createCanvas } = await import('@napi-rs/canvas')
  return {
    pdf,
    surfaceOf(width, height) {
      const canvas = createCanvas(width, height)
      const context = canvas.getContext('2d')
      return {
        context,
        pixels: () => context.getImageData(0, 0, width, height),
        picture: () => canvas.encode('png'),
      }
    },
    async startRecogniser() {
      const tesseract = load('tesseract.js') as TesseractLibrary
      const data = dirname(load.resolve('@tesseract.js-data/eng/package.json'))
      return startTesseract(tesseract, {
        langPath: join(data, '4.0.0_best_int'),
        cacheMethod: 'none',
        gzip: true,
      })
    },
  }
}

/** Where cut-outs are drawn on the command line. */
export async function nodeCuttingTable(): Promise<(width: number, height: number) => CuttingTable> {
  const { createCanvas } = await import('@napi-rs/canvas')
  return (width, height) => {
    const whole = createCanvas(width, height)
    return {
      context: whole.getContext('2d'),
      async cut(x, y, w, h) {
        const piece = createCanvas(w, h)
        piece.getContext('2d').drawImage(whole, x, y, w, h, 0, 0, w, h)
        return `data:image/webp;base64,${(await piece.encode('webp', QUALITY)).toString('base64')}`
      },
    }
  }
}
/** Of print: below this the edges of letters begin to swim. */
const QUALITY = 50
