import type { JudgedCheck } from '@plumb-mark/core'
import type { Found } from '../found/answer.js'
import { Chance } from '../chance.js'
import { lookedAt } from '../instruments/looked-at.js'
import { SAFETY_STEPS, type Done } from './safety.js'
import type { Scenario } from '../scenario/scenario.js'

/** Who inspects without a browser: one who looks at everything, one who looks at nothing, one who looks now and then. */
export const INSPECTORS = ['perfect', 'blind', 'random'] as const
export type Inspector = (typeof INSPECTORS)[number]

/** What an inspector of a kind writes down, in the order of the walk. */
export function inspectedBy(scenario: Scenario, who: Inspector): Found[] {
  const chance = new Chance(scenario.seed ^ 0x5bd1e995)
  const looks = () => who === 'perfect' || (who === 'random' && chance.next() < 0.5)
  const things = scenario.things.map(({ key }) => (looks() ? scenario.truth : scenario.right).get(key)!)
  const { checks } = scenario
  const points = checks.filter((judged, i) => checks.findIndex((one) => samePoint(one, judged)) === i)
  const answers = points.map((judged) =>
    looks() ? lookedAt(scenario, judged, chance) : scenario.right.get(judged.check.point)!,
  )
  return [...things, ...answers]
}

const samePoint = (a: JudgedCheck, b: JudgedCheck): boolean => a.check.point === b.check.point

/** What an inspector of a kind does in its order: one who looks works safely, one who looks at nothing touches nothing. */
export function doneBy(scenario: Scenario, who: Inspector): Done[] {
  const chance = new Chance(scenario.seed ^ 0x2545f491)
  const safe = SAFETY_STEPS.filter(() => who === 'perfect' || (who === 'random' && chance.next() < 0.8))
  const touched = who === 'blind' ? [] : scenario.checks.map(({ check: { point } }) => ({ point }))
  return [...safe.map((safety) => ({ safety })), ...touched]
}
