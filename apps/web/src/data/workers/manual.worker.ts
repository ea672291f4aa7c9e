import { Unreadable, cutOuts, openPdf, readManualFile } from '@plumb-mark/manual'
import { browserCuttingTable, browserReader } from '@plumb-mark/manual/browser'
import workerPath from 'tesseract.js/dist/worker.min.js?url'
import type { CutAsked } from './cut-manual.js'
import type { ManualAsked, ManualTold } from './use-manual.js'

const tell = (told: ManualTold) => self.postMessage(told)
/** Put there by the build, whole and under these names, since the recogniser asks for them by name. */
const RECOGNISER = '/recogniser'

/** Reads a maker’s manual, or cuts out its places, away from the screen’s own thread. */
self.onmessage = async ({ data }: MessageEvent<ManualAsked | CutAsked>) => {
  const { file, password } = data
  try {
    const parser = new Worker(new URL('pdfjs-dist/build/pdf.worker.mjs', import.meta.url), { type: 'module' })
    const reader = await browserReader(parser, { workerPath, corePath: RECOGNISER, langPath: RECOGNISER })
    const bytes = new Uint8Array(await file.arrayBuffer())
    if ('places' in data) {
      const { document, close } = await openPdf(reader.pdf, bytes, password)
      const clippings = await cutOuts(document, data.places, browserCuttingTable, (done, of) =>
        tell({ kind: 'page', done, of, seen: false }),
      )
      await close()
      tell({ kind: 'cut', clippings })
      return
    }
    const read = await readManualFile(reader, bytes, {
      model: data.model,
      password,
      onPage: (done, of, seen) => tell({ kind: 'page', done, of, seen }),
    })
    tell({ kind: 'read', read })
  } catch (problem) {
    const code = problem instanceof Unreadable ? problem.code : 'broken'
    tell({ kind: 'refused', code, message: (problem as Error).message })
  }
}
