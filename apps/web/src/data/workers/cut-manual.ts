import type { Clipping, PlaceInManual } from '@plumb-mark/core'
import type { ManualTold } from './use-manual.js'

export interface CutAsked {
  file: File
  password: string | undefined
  places: readonly PlaceInManual[]
}

/** The cut-outs of a manual’s places, made in a worker; `onPart` tells how much is done, 0 to 1. Refused with the reason as its message. */
export function cutManual(asked: CutAsked, onPart: (part: number) => void): Promise<Clipping[]> {
  const worker = new Worker(new URL('./manual.worker.ts', import.meta.url), { type: 'module' })
  return new Promise<Clipping[]>((resolve, reject) => {
    worker.onmessage = ({ data }: MessageEvent<ManualTold>) => {
      if (data.kind === 'page') onPart(data.done / data.of)
      if (data.kind === 'cut') resolve(data.clippings)
      if (data.kind === 'refused') reject(new Error(data.message))
    }
    worker.onerror = ({ message }) => reject(new Error(message))
    worker.postMessage(asked)
  }).finally(() => worker.terminate())
}
