import { atLeast } from '../verdict/compare.js'
import { instant } from '../shape/time.js'

interface Step {
  id: string
  label: string
  after: readonly string[]
  waitSeconds?: number | undefined
}
export interface StepNow extends Step {
  /** When it was done. */
  at?: string
  /** What must be done before it and is not. */
  lacks: readonly string[]
  /** s that its wait still takes, never more than all of it; 0 when it may be done. */
  left: number
  /** s that it was done too soon; 0 when it was not. */
  short: number
}

/**
 * How the steps of a maker stand at a moment (ms since 1970): which are done, which may be done now, how long the wait of the others still
 * takes. The first time that a step was recorded counts, as it does for `sequence`, which judges them.
 */
export function stepsAt(
  steps: readonly Step[],
  done: readonly { id: string; at: string }[],
  now: number,
): StepNow[] {
  const first = new Map<string, string>()
  for (const { id, at } of done) {
    const known = first.get(id)
    if (known === undefined || instant(at) < instant(known)) first.set(id, at)
  }
  return steps.map((step) => {
    const at = first.get(step.id)
    const lacks = step.after.filter((other) => !first.has(other))
    const before = step.after.flatMap((other) => first.get(other) ?? []).map(instant)
    const waited = ((at === undefined ? now : instant(at)) - Math.max(...before)) / 1000
    const wait = step.waitSeconds ?? 0
    const rest = before.length === 0 || atLeast(waited, wait) ? 0 : wait - waited
    return {
      ...step,
      lacks,
      ...(at === undefined ? { left: Math.min(rest, wait), short: 0 } : { at, left: 0, short: rest }),
    }
  })
}

/** The step that is to be done next: the first that lacks nothing, else the first that is not done. */
export const nextStep = (steps: readonly StepNow[]): StepNow | undefined => {
  const open = steps.filter(({ at }) => at === undefined)
  return open.find(({ lacks }) => lacks.length === 0) ?? open[0]
}
