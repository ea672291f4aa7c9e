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
      return startTesseract(tesseract, { ...files, workerBlobURL: false, cacheMethod: 'none', gzip: true })
    },
  }
}

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
