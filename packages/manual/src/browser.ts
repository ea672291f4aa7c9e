import type { CuttingTable } from './clippings/cut-out.js'
import type { Reader } from './read-file.js'
import type { PdfLibrary } from './source/pdf.js'
import { startTesseract, type TesseractLibrary } from './source/tesseract.js'

/** Where the parts of the recogniser lie on the server that the application came from: nothing is fetched from elsewhere. */
export interface RecogniserFiles {
  workerPath: string
  corePath: string
  langPath: string
}

/** What reads in a worker of the browser: the parser of PDF in one below it, the recogniser in another, loaded with the first picture. */
export async function browserReader(parser: Worker, files: RecogniserFiles): Promise<Reader> {
  const loaded = await import('pdfjs-dist')
  loaded.GlobalWorkerOptions.workerPort = parser
  const library = loaded as unknown as PdfLibrary
  return {
    pdf: {
      OPS: library.OPS,
      // Without a document there is no canvas of its own to draw on.
      getDocument: (source) =>
        library.getDocument({
          ...source,
          CanvasFactory: Canvases,
          FilterFactory: NoFilters,
          useWorkerFetch: false,
        }),
    },
    surfaceOf(width, height) {
      const canvas = new OffscreenCanvas(width, height)
      const context = canvas.getContext('2d')!
      return {
        context,
        pixels: () => context.getImageData(0, 0, width, height),
        picture: () => canvas.convertToBlob({ type: 'image/png' }),
      }
    },
    async startRecogniser() {
      const { default: tesseract } = (await import('tesseract.js')) as unknown as {
        default: TesseractLibrary
      }
      const recogniser = await startTesseract(tesseract, {
        ...files,
        workerBlobURL: false,
        cacheMethod: 'none',
        gzip: true,
      })
      return {
        ...recogniser,
        // In the browser it takes no bare bytes.
        recognise: (picture) =>
          recogniser.recognise(picture instanceof Blob ? picture : new Blob([picture as BlobPart])),
      }
    },
  }
}

/** Where cut-outs are drawn in a worker of the browser. */
export function browserCuttingTable(width: number, height: number): CuttingTable {
  const whole = new OffscreenCanvas(width, height)
  return {
    context: whole.getContext('2d'),
    async cut(x, y, w, h) {
      const piece = new OffscreenCanvas(w, h)
      piece.getContext('2d')!.drawImage(whole, x, y, w, h, 0, 0, w, h)
      const blob = await piece.convertToBlob({ type: 'image/webp', quality: QUALITY })
      const bytes = new Uint8Array(await blob.arrayBuffer())
      let letters = ''
      for (const byte of bytes) letters += String.fromCharCode(byte)
      return `data:${blob.type};base64,${btoa(letters)}`
    },
  }
}
/** Of print: below this the edges of letters begin to swim. */
const QUALITY = 0.5

interface Drawn {
  canvas: OffscreenCanvas | null
  context: unknown
}

class Canvases {
  create(width: number, height: number): Drawn {
    const canvas = new OffscreenCanvas(width, height)
    return { canvas, context: canvas.getContext('2d', { willReadFrequently: true }) }
  }
  reset({ canvas }: Drawn, width: number, height: number): void {
    if (!canvas) return
    canvas.width = width
    canvas.height = height
  }
  destroy(drawn: Drawn): void {
    drawn.canvas = null
    drawn.context = null
  }
}

class NoFilters {
  addFilter(): string {
    return 'none'
  }
  addHCMFilter(): string {
    return 'none'
  }
  addAlphaFilter(): string {
    return 'none'
  }
  addLuminosityFilter(): string {
    return 'none'
  }
  addHighlightHCMFilter(): string {
    return 'none'
  }
  destroy(): void {}
}
