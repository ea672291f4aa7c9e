import { useEffect, useState } from 'react'
import type { ErrorShape } from '@plumb-mark/core'

/** What a calculation has come to. */
export type Answer =
  | { state: 'done'; result: Record<string, unknown> }
  | { state: 'refused'; error: ErrorShape['error'] }
  | { state: 'searching'; part: number }
  | { state: 'called-off' }

type FromWorker = { part: number } | { result: Record<string, unknown> } | ErrorShape

/** Searches the least rework of a wall, given as JSON, in a worker; nothing is searched while there is no wall. */
export function useRework(text: string | undefined): { answer: Answer; cancel: () => void } {
  const [answer, setAnswer] = useState<Answer>({ state: 'searching', part: 0 })
  const [stop, setStop] = useState<() => void>(() => () => {})
  useEffect(() => {
    if (text === undefined) return
    const worker = new Worker(new URL('./rework.worker.ts', import.meta.url), { type: 'module' })
    setAnswer({ state: 'searching', part: 0 })
    worker.onmessage = ({ data }: MessageEvent<FromWorker>) => {
      if ('part' in data) setAnswer({ state: 'searching', part: data.part })
      else if ('result' in data) setAnswer({ state: 'done', result: data.result })
      else setAnswer({ state: 'refused', error: data.error })
    }
    worker.postMessage(JSON.parse(text))
    setStop(() => () => {
      worker.terminate()
      setAnswer({ state: 'called-off' })
    })
    return () => worker.terminate()
  }, [text])
  return { answer, cancel: stop }
}
