import { useMemo } from 'react'
import { BadInput, asErrorShape, compute, type CalculatorName } from '@plumb-mark/core'
import { useRework, type Answer } from '../worker/use-rework.js'

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
  try {
    return { state: 'done', result: compute(name, input) as Record<string, unknown> }
  } catch (problem) {
    if (!(problem instanceof BadInput)) throw problem
    return { state: 'refused', error: asErrorShape(problem).error }
  }
}
