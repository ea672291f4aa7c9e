import { readPlate } from '@plumb-mark/manual'
import { browserReader } from '@plumb-mark/manual/browser'
import workerPath from 'tesseract.js/dist/worker.min.js?url'
import type { PlateAsked, PlateTold } from './read-nameplate.js'

/** Put there by the build, whole and under these names, since the recogniser asks for them by name. */
const RECOGNISER = '/recogniser'

/** Reads nameplates off photos, away from the screen’s own thread; the recogniser stays for the next one. */
const started = (async () => {
  const parser = new Worker(new URL('pdfjs-dist/build/pdf.worker.mjs', import.meta.url), { type: 'module' })
  const reader = await browserReader(parser, { workerPath, corePath: RECOGNISER, langPath: RECOGNISER })
  parser.terminate()
  return reader.startRecogniser()
})()

self.onmessage = async ({ data }: MessageEvent<PlateAsked>) => {
  const tell = (told: PlateTold) => self.postMessage(told)
  try {
    const recogniser = await started
    if ('warm' in data) return tell({ kind: 'ready' })
    const { proposals, upright } = await readPlate(data.photo, data.fields, recogniser, data.scanned)
    const whole = new OffscreenCanvas(upright.width, upright.height)
    const context = whole.getContext('2d')!
    const picture = context.createImageData(upright.width, upright.height)
    upright.data.forEach((value, i) => {
      picture.data.fill(value, 4 * i, 4 * i + 3)
      picture.data[4 * i + 3] = 255
    })
    context.putImageData(picture, 0, 0)
    const cut = await Promise.all(
      proposals.map(async ({ id, value, box: { x0, x1, top, bottom } }) => {
        const [w, h] = [x1 - x0 + 2 * MARGIN, bottom - top + 2 * MARGIN]
        const piece = new OffscreenCanvas(Math.ceil(w), Math.ceil(h))
        piece.getContext('2d')!.drawImage(whole, x0 - MARGIN, top - MARGIN, w, h, 0, 0, w, h)
        return { id, value, picture: await piece.convertToBlob({ type: 'image/webp', quality: 0.7 }) }
      }),
    )
    tell({ kind: 'read', proposals: cut })
  } catch (problem) {
    tell({ kind: 'refused', message: (problem as Error).message })
  }
}

/** Dots around a line of print, so that its first letter is whole. */
const MARGIN = 8
