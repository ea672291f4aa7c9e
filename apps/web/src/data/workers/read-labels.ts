import type { ReadLabel } from '@plumb-mark/core'

/** Reads every label of a photo in a worker of its own. */
export function readLabels(photo: ImageBitmap): Promise<ReadLabel[]> {
  const worker = new Worker(new URL('./labels.worker.ts', import.meta.url), { type: 'module' })
  return new Promise<ReadLabel[]>((resolve, reject) => {
    worker.onmessage = ({ data }: MessageEvent<{ labels: ReadLabel[] } | { problem: string }>) =>
      'labels' in data ? resolve(data.labels) : reject(new Error(data.problem))
    worker.onerror = ({ message }) => reject(new Error(message || 'the reader did not start'))
    worker.postMessage(photo, [photo])
  }).finally(() => worker.terminate())
}
