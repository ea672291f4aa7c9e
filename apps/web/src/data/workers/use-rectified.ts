import { useEffect, useState } from 'react'
import type { KnownPoint, WallWindow } from '@plumb-mark/core'
import type { RectifyAsked } from './rectify.worker.js'

/** As fine as a screen shows a wall. */
const ACROSS = 1600

export interface Rectified {
  address: string
  window: WallWindow
}

/** A photo as it looks from straight ahead, or as another photo sees the same: where its known points lie there, and the part that is drawn. */
export function useRectified(
  address: string | undefined,
  known: { width: number; points: readonly KnownPoint[] } | undefined,
  { x0, y0, x1, y1 }: WallWindow,
): { picture: Rectified | undefined; problem: string | undefined } {
  const [made, setMade] = useState<{ picture?: Rectified; problem?: string }>({})
  useEffect(() => {
    if (!address || !known) return setMade({})
    const window = { x0, y0, x1, y1 }
    const worker = new Worker(new URL('./rectify.worker.ts', import.meta.url), { type: 'module' })
    let shown: string | undefined
    worker.onmessage = ({ data }: MessageEvent<{ picture: Blob } | { problem: string }>) => {
      if ('problem' in data) return setMade({ problem: data.problem })
      shown = URL.createObjectURL(data.picture)
      setMade({ picture: { address: shown, window } })
    }
    worker.onerror = () => setMade({ problem: 'it could not be worked out' })
    const { width, points } = known
    void pixelsOf(address)
      .then((photo) => {
        const asked: RectifyAsked = { photo, width, points, window, perPixel: (x1 - x0) / ACROSS }
        worker.postMessage(asked, [photo])
      })
      .catch(() => setMade({ problem: 'the photo is not on this device' }))
    return () => {
      worker.terminate()
      if (shown) URL.revokeObjectURL(shown)
    }
  }, [address, known, x0, y0, x1, y1])
  return { picture: made.picture, problem: made.problem }
}

/** By way of an image, as it is shown: turned the right way up, and also when it is on this device alone. */
async function pixelsOf(address: string): Promise<ImageBitmap> {
  const image = new Image()
  image.src = address
  await image.decode()
  return createImageBitmap(image)
}
