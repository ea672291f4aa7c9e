import { DEFECT_PROCESS, type DefectState } from './defect-process.js'
import type { DefectStepEntry } from './kept-whole.js'

/** A step that others had made impossible when it was taken, and the step by which. */
export interface VoidStep {
  step: DefectStepEntry
  by: DefectStepEntry
}

export interface FollowedSteps {
  state: DefectState
  /** Those that count, oldest first. */
  steps: readonly DefectStepEntry[]
  void: readonly VoidStep[]
}

/** The states in which a defect may be after a step: readings alone open it again after a rework, or close it. */
const MAY_BE: Record<DefectState, readonly DefectState[]> = {
  open: ['open'],
  reworked: ['reworked', 'open', 'closed'],
  closed: ['closed', 'open'],
  withdrawn: ['withdrawn'],
}

/**
 * The way of a defect through its steps in the order of time. People who worked apart take steps that exclude each other: the earlier one
 * holds, the later one is void, whichever was heard first.
 */
export function followed(steps: readonly DefectStepEntry[]): FollowedSteps {
  let state: DefectState = 'open'
  const counted: DefectStepEntry[] = []
  const voided: VoidStep[] = []
  for (const step of steps) {
    const { from, to } = DEFECT_PROCESS[step.body.step]
    const before = counted.at(-1)
    if (before && !MAY_BE[state].some((one) => (from as readonly DefectState[]).includes(one))) {
      voided.push({ step, by: before })
      continue
    }
    counted.push(step)
    state = to
  }
  return { state, steps: counted, void: voided }
}
