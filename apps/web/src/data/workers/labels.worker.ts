import { prepareZXingModule, readBarcodes } from 'zxing-wasm/reader'
import wasm from 'zxing-wasm/reader/zxing_reader.wasm?url'
import type { ReadLabel } from '@plumb-mark/core'

prepareZXingModule({ overrides: { locateFile: () => wasm } })

/** More labels than lie on any one photo. */
const MOST = 255

/** Every bar code and QR code of a photo with the middle of each, found away from the screen's own thread. */
self.onmessage = async ({ data: photo }: MessageEvent<ImageBitmap>) => {
  try {
    const canvas = new OffscreenCanvas(photo.width, photo.height)
    const context = canvas.getContext('2d')!
    context.drawImage(photo, 0, 0)
    const pixels = context.getImageData(0, 0, photo.width, photo.height)
    const found = await readBarcodes(pixels, { maxNumberOfSymbols: MOST, tryHarder: true })
    const labels = found
      .filter(({ isValid, text }) => isValid && text.trim() !== '')
      .map(({ text, position }): ReadLabel => {
        const corners = [position.topLeft, position.topRight, position.bottomRight, position.bottomLeft]
        const mean = (axis: 'x' | 'y') =>
          corners.reduce((sum, corner) => sum + corner[axis], 0) / corners.length
        return { text: text.trim(), px: mean('x'), py: mean('y') }
      })
    self.postMessage({ labels })
  } catch (problem) {
    self.postMessage({ problem: (problem as Error).message })
  }
}
