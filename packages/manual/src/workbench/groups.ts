import type { Stage } from '@plumb-mark/core'
import type { Fact, FactKind } from '../finders/spot.js'

/** What kinds of fact are called on the screen, and at which stage of the walk they are asked. In the order of the walk. */
export const KIND_GROUPS: Record<FactKind, { title: string; stage: Stage }> = {
  rating: { title: 'Ratings', stage: 'identify' },
  mass: { title: 'Mass', stage: 'identify' },
  size: { title: 'Size', stage: 'identify' },
  temperature: { title: 'Temperature of the place', stage: 'place-and-mount' },
  humidity: { title: 'Humidity', stage: 'place-and-mount' },
  altitude: { title: 'Height above sea level', stage: 'place-and-mount' },
  clearance: { title: 'Free space', stage: 'place-and-mount' },
  tilt: { title: 'Tilt', stage: 'place-and-mount' },
  fixing: { title: 'Fixings', stage: 'place-and-mount' },
  earth: { title: 'Earth conductors', stage: 'earthing' },
  breaker: { title: 'Protection', stage: 'ac' },
  conductor: { title: 'Conductor sizes', stage: 'ac' },
  strip: { title: 'Strip lengths', stage: 'ac' },
  torque: { title: 'Tightening torques', stage: 'ac' },
  gland: { title: 'Glands', stage: 'ac' },
  length: { title: 'Lengths of cables', stage: 'ac' },
  count: { title: 'Counts', stage: 'roof' },
  step: { title: 'Order of powering up', stage: 'power-up' },
  wait: { title: 'Waits', stage: 'power-up' },
  indicator: { title: 'Lamps', stage: 'power-up' },
  setting: { title: 'Settings', stage: 'commission' },
  alarm: { title: 'Codes', stage: 'commission' },
  sequence: { title: 'Tightening order', stage: 'close-up' },
  observation: { title: 'To be seen, without a figure', stage: 'place-and-mount' },
}

export interface FactGroup {
  kind: FactKind
  title: string
  stage: Stage
  /** Numbers of the facts in their list. */
  facts: number[]
}

/** Facts by kind, in the order in which people work. */
export function groupsOf(facts: readonly Fact[]): FactGroup[] {
  return (Object.keys(KIND_GROUPS) as FactKind[]).flatMap((kind) => {
    const own = facts.flatMap((fact, i) => (fact.kind === kind ? [i] : []))
    return own.length > 0 ? [{ kind, ...KIND_GROUPS[kind], facts: own }] : []
  })
}

/** Facts in the order in which they are shown: what is said twice first, what the manual corrects itself, then kind by kind. */
export function inShownOrder(facts: readonly Fact[]): Fact[] {
  const kinds = Object.keys(KIND_GROUPS)
  const rank = ({ kind, contradicts, replaces }: Fact) =>
    contradicts ? -2 : replaces ? -1 : kinds.indexOf(kind)
  const beside = (a: Fact, b: Fact) =>
    a.contradicts && b.contradicts ? `${a.kind} ${a.subject}`.localeCompare(`${b.kind} ${b.subject}`) : 0
  return [...facts].sort((a, b) => rank(a) - rank(b) || beside(a, b))
}
