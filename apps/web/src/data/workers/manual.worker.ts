import { Unreadable, readManualFile } from '@plumb-mark/manual'
import { browserReader } from '@plumb-mark/manual/browser'
import workerPath from 'tesseract.js/dist/worker.min.js?url'
import type { ManualAsked, ManualTold } from './use-manual.js'

const tell = (told: ManualTold) => self.postMessage(told)
/** Put there by the build, whole and under these names, since the recogniser asks for them by name. */
const RECOGNISER = '/recogniser'

/** Reads a maker’s manual, away from the screen’s own thread. */
self.onmessage = async ({ data: { file, model, password } }: MessageEvent<ManualAsked>) => {
  try {
    const parser = new Worker(new URL('pdfjs-dist/build/pdf.worker.mjs', import.meta.url), { type: 'module' })
    const reader = await browserReader(parser, { workerPath, corePath: RECOGNISER, langPath: RECOGNISER })
    const read = await readManualFile(reader, new Uint8Array(await file.arrayBuffer()), {
      model,
      password,
      onPage: (done, of, seen) => tell({ kind: 'page', done, of, seen }),
    })
    tell({ kind: 'read', read })
  } catch (problem) {
    const code = problem instanceof Unreadable ? problem.code : 'broken'
    tell({ kind: 'refused', code, message: (problem as Error).message })
  }
}
