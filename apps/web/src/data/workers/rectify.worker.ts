import { fitProjectiveMap, rectifiedPicture, type KnownPoint, type WallWindow } from '@plumb-mark/core'

export interface RectifyAsked {
  photo: ImageBitmap
  /** Of the photo as it was marked, px: what the points are given in. */
  width: number
  points: readonly KnownPoint[]
  window: WallWindow
  /** mm to a pixel of what comes out. */
  perPixel: number
}

/** More pixels than this of a photo are not seen on a screen, and cost time. */
const WIDEST = 2400

/** A photo as the wall would look from straight ahead, made away from the screen’s own thread. */
self.onmessage = async ({ data }: MessageEvent<RectifyAsked>) => {
  try {
    self.postMessage({ picture: await rectified(data) })
  } catch (problem) {
    self.postMessage({ problem: (problem as Error).message })
  }
}

async function rectified({ photo, width, points, window, perPixel }: RectifyAsked): Promise<Blob> {
  const share = Math.min(1, WIDEST / photo.width)
  const canvas = new OffscreenCanvas(Math.round(photo.width * share), Math.round(photo.height * share))
  const context = canvas.getContext('2d')!
  context.drawImage(photo, 0, 0, canvas.width, canvas.height)
  photo.close()
  const by = canvas.width / width
  const map = fitProjectiveMap(points.map((point) => ({ ...point, px: by * point.px, py: by * point.py })))
  if (!map) throw new Error('the known points make no map')
  const seen = rectifiedPicture(
    context.getImageData(0, 0, canvas.width, canvas.height),
    map,
    window,
    perPixel,
  )
  const out = new OffscreenCanvas(seen.width, seen.height)
  out
    .getContext('2d')!
    .putImageData(new ImageData(seen.data as Uint8ClampedArray<ArrayBuffer>, seen.width, seen.height), 0, 0)
  return out.convertToBlob({ type: 'image/webp', quality: 0.85 })
}
