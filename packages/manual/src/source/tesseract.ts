import type { Recogniser, SeenWord } from './scan.js'

/** As much of the library as is used. */
export interface TesseractLibrary {
  createWorker(language: string, engine: number, options: object): Promise<TesseractWorker>
}
interface TesseractWorker {
  setParameters(parameters: Record<string, string>): Promise<unknown>
  recognize(picture: unknown, options: object, output: object): Promise<{ data: { blocks: Block[] | null } }>
  terminate(): Promise<unknown>
}
interface Bounds {
  x0: number
  y0: number
  x1: number
  y1: number
}
interface Line {
  bbox: Bounds
  baseline: Bounds
  rowAttributes?: { rowHeight: number; descenders: number; ascenders: number }
  words: { text: string; confidence: number; bbox: Bounds }[]
}
interface Block {
  paragraphs: { lines: Line[] }[]
}

/** One column with lines from edge to edge: else the figures of a table are lost. What stands in two columns is parted afterwards. */
const LAYOUT = '4'
/** Its newer engine alone: the data that is shipped has no other. */
const ENGINE = 1
/** Signs without a letter or figure that were seen with less certainty than this are specks of the paper. */
const SURE = 70
/** The lines of a table, taken for letters. */
const isLine = (text: string, confidence: number) =>
  /^[|¦]+$/.test(text) || (/^[Il]$/.test(text) && confidence < 85)
const isSpeck = (text: string, confidence: number) =>
  isLine(text, confidence) ||
  (!/[\p{L}\p{N}]/u.test(text) && (confidence < SURE || !/^[–—−+±×≥≤°%&/|-]+[.,;]?$/.test(text)))

/** Starts the recogniser. `options` say where its program and its data lie: nothing is fetched from elsewhere. */
export async function startTesseract(library: TesseractLibrary, options: object): Promise<Recogniser> {
  const worker = await library.createWorker('eng', ENGINE, options)
  await worker.setParameters({
    tessedit_pageseg_mode: LAYOUT,
    preserve_interword_spaces: '1',
    user_defined_dpi: '220',
  })
  return {
    async recognise(picture) {
      const { data } = await worker.recognize(picture, {}, { text: false, blocks: true })
      const lines = (data.blocks ?? []).flatMap(({ paragraphs }) => paragraphs.flatMap((one) => one.lines))
      return lines.flatMap(wordsOf)
    },
    async end() {
      await worker.terminate()
    },
  }
}

function wordsOf({ bbox, baseline, rowAttributes, words }: Line, line: number): SeenWord[] {
  const height = rowAttributes?.rowHeight ?? bbox.y1 - bbox.y0
  return words
    .filter(({ confidence, text }) => text.trim() !== '' && !isSpeck(text, confidence))
    .map(({ text, confidence, bbox: { x0, x1, y0, y1 } }) => ({
      text,
      x0,
      x1,
      top: y0,
      bottom: y1,
      baseline: (baseline.y0 + baseline.y1) / 2,
      height,
      line,
      sure: confidence,
    }))
}
