import { KINDS, type KindName } from '../requirements/kinds.js'
import { STAGES, type Stage } from '../sheet/stages.js'
import type { JudgedCheck } from '../walk/check.js'

/** Minutes for one check of a kind, where the office knows better than the kind itself. */
export type MinutesByKind = Partial<Record<KindName, number>>

export interface Duration {
  /** Minutes in all, and by stage in the order of the walk; stages without checks are left out. */
  minutes: number
  stages: { stage: Stage; checks: number; minutes: number }[]
}

/** Arriving, looking round, talking to the customer: not in any check. */
export const MINUTES_BESIDE_CHECKS = 20

/**
 * How long the walk should take: the figure of each kind times its checks, less those that do not apply or share a reading with one that
 * was counted. Minutes. Source: the figures of the kinds, adjusted by the office.
 */
export function expectedDuration(checks: readonly JudgedCheck[], adjusted: MinutesByKind = {}): Duration {
  const counted = new Set<string>()
  const owed = checks.filter(({ check }) => {
    if (check.because !== undefined || counted.has(check.point)) return false
    counted.add(check.point)
    return true
  })
  const stages = STAGES.flatMap((stage) => {
    const here = owed.filter(({ check }) => check.stage === stage)
    const minutes = here.reduce(
      (sum, { check: { requirement } }) =>
        sum + (adjusted[requirement.kind] ?? KINDS[requirement.kind].minutes),
      0,
    )
    return here.length === 0 ? [] : [{ stage, checks: here.length, minutes }]
  })
  return {
    stages,
    minutes: stages.reduce(
      (sum, { minutes }) => sum + minutes,
      stages.length > 0 ? MINUTES_BESIDE_CHECKS : 0,
    ),
  }
}
