import { useEffect, useMemo, useState } from 'react'
import type { Trace, TraceLimit } from '@plumb-mark/core'
import { WORK, digestOf, type Answered, type Asked, type Digest } from './trace-work.js'

/** Fewer samples than this are quicker judged than sent. */
const SHORT = 20_000

let worker: Worker | undefined
let asked = 0
const waiting = new Map<number, { resolve: (answer: never) => void; reject: (problem: Error) => void }>()

/** Asks the worker; where there is none, as in a test, the work is done here. */
export async function traceWork<K extends keyof Asked>(name: K, question: Asked[K]): Promise<Answered[K]> {
  if (typeof Worker === 'undefined') return WORK[name](question)
  worker ??= started()
  const id = ++asked
  return new Promise((resolve, reject) => {
    waiting.set(id, { resolve, reject })
    worker!.postMessage({ id, name, asked: question })
  })
}

function started(): Worker {
  const fresh = new Worker(new URL('./trace.worker.ts', import.meta.url), { type: 'module' })
  fresh.onmessage = ({
    data: { id, answer, problem },
  }: MessageEvent<{ id: number; answer: never; problem?: string }>) => {
    const waits = waiting.get(id)
    waiting.delete(id)
    if (problem === undefined) waits?.resolve(answer)
    else waits?.reject(new Error(problem))
  }
  return fresh
}

/** What is shown of a trace, worked out anew whenever it grows; undefined while a long one is being read. */
export function useDigest(
  trace: Trace | undefined,
  by: TraceLimit,
  eventAt: number | undefined,
): Digest | undefined {
  const short = trace !== undefined && trace.t.length < SHORT
  const quick = useMemo(() => (short ? digestOf(trace, by, eventAt) : undefined), [short, trace, by, eventAt])
  const [sent, setSent] = useState<{ trace: Trace; digest: Digest }>()
  useEffect(() => {
    if (!trace || short) return
    let gone = false
    void traceWork('digest', { trace, by, eventAt }).then((digest) => !gone && setSent({ trace, digest }))
    return () => {
      gone = true
    }
  }, [trace, short, by, eventAt])
  return quick ?? (sent?.trace === trace ? sent?.digest : undefined)
}
