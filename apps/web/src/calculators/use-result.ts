import { useEffect, useMemo, useState } from 'react'
import { BadInput, asErrorShape, compute, type CalculatorName, type ErrorShape } from '@plumb-mark/core'

export type Answer = { state: 'done'; result: Record<string, unknown> } | { state: 'refused'; error: ErrorShape['error'] } | { state: 'searching'; part: number } | { state: 'called-off' }

/** Those whose search may take longer than a keystroke. */
const IN_WORKER: readonly CalculatorName[] = ['clearance-rework']

/** The result of a calculator for an input: at once, or from a worker with its progress. */
export function useResult(name: CalculatorName, input: unknown): { answer: Answer; cancel: () => void } {
  const text = JSON.stringify(input)
  const direct = useMemo(() => (IN_WORKER.includes(name) ? undefined : now(name, JSON.parse(text))), [name, text])
  const searched = useSearch(IN_WORKER.includes(name) ? text : undefined)
  return direct ? { answer: direct, cancel: () => {} } : searched
}

function now(name: CalculatorName, input: unknown): Answer {
  try {
    return { state: 'done', result: compute(name, input) as Record<string, unknown> }
  } catch (problem) {
    if (!(problem instanceof BadInput)) throw problem
    return { state: 'refused', error: asErrorShape(problem).error }
  }
}

type FromWorker = { part: number } | { result: Record<string, unknown> } | ErrorShape

function useSearch(text: string | undefined): { answer: Answer; cancel: () => void } {
  const [answer, setAnswer] = useState<Answer>({ state: 'searching', part: 0 })
  const [stop, setStop] = useState<() => void>(() => () => {})
  useEffect(() => {
    if (text === undefined) return
    const worker = new Worker(new URL('../worker/rework.worker.ts', import.meta.url), { type: 'module' })
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
