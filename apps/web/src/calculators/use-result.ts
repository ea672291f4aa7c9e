import { useMemo } from 'react'
import { asErrorShape, attempt, compute, type CalculatorName } from '@plumb-mark/core'
import { useRework, type Answer } from '../data/workers/use-rework.js'

/** Those whose search may take longer than a keystroke. */
const IN_WORKER: readonly CalculatorName[] = ['clearance-rework']

/** The result of a calculator for an input: at once, or from a worker with its progress. */
export function useResult(name: CalculatorName, input: unknown): { answer: Answer; cancel: () => void } {
  const text = JSON.stringify(input)
  const direct = useMemo(
    () => (IN_WORKER.includes(name) ? undefined : now(name, JSON.parse(text))),
    [name, text],
  )
  const searched = useRework(IN_WORKER.includes(name) ? text : undefined)
  return direct ? { answer: direct, cancel: () => {} } : searched
}

function now(name: CalculatorName, input: unknown): Answer {
  const done = attempt(() => compute(name, input) as Record<string, unknown>)
  return done.ok
    ? { state: 'done', result: done.value }
    : { state: 'refused', error: asErrorShape(done.problem).error }
}
