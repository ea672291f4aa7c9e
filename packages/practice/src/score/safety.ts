import { needsOf, type CheckId, type JudgedCheck, type PointId } from '@plumb-mark/core'
import type { Scenario } from '../scenario/scenario.js'

/** What is done before hands go near conductors, in this order. */
export const SAFETY_STEPS = ['equipment', 'isolated', 'waited', 'proved-dead'] as const
export type SafetyStep = (typeof SAFETY_STEPS)[number]
export const SAFETY_WORDS = {
  equipment: 'Put on what the sheets list',
  isolated: 'Isolate, and lock it',
  waited: 'Wait out the capacitors',
  'proved-dead': 'Prove dead',
} satisfies Record<SafetyStep, string>

/** What was done, one after the other: a step of safety, or a place that was touched or measured. */
export type Done = { safety: SafetyStep } | { point: PointId }

/** A place at which a hand, a driver or a probe was before it was safe. */
export interface Unsafe {
  checkId: CheckId
  title: string
  place: string
  /** The first step that was wanting. */
  wanting: SafetyStep
}

/** Does this want bare hands at conductors? A driver at a terminal, a continuity through a joint, or what its sheet wants dead. */
export function isHandsOn({ check }: JudgedCheck): boolean {
  if (needsOf(check).includes('dead')) return true
  return check.ask.kind === 'reading' && ['torque', 'resistance'].includes(check.ask.dimension)
}

/** Everything that was touched before the steps were done in their order; a step out of its order is none. */
export function unsafeIn({ checks }: Pick<Scenario, 'checks'>, log: readonly Done[]): Unsafe[] {
  let next = 0
  const found: Unsafe[] = []
  for (const done of log) {
    if ('safety' in done) {
      if (done.safety === SAFETY_STEPS[next]) next++
      continue
    }
    const judged = checks.find(({ check }) => check.point === done.point)
    const wanting = SAFETY_STEPS[next]
    if (!judged || !wanting || !isHandsOn(judged)) continue
    const { id: checkId, title, place } = judged.check
    if (!found.some((one) => one.checkId === checkId)) found.push({ checkId, title, place, wanting })
  }
  return found
}
