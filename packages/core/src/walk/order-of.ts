import type { OrderOfUnit } from '../power-up/merged-order.js'
import type { Requirement } from '../requirements/kinds.js'
import type { Check } from './check.js'

type Direction = Extract<Requirement, { kind: 'ordered-steps' }>['direction']

/** The order that one check asks for, with the things that its steps switch; undefined where it asks for none of that direction. */
export function orderOf(
  { requirement, unit, ask }: Pick<Check, 'requirement' | 'unit' | 'ask'>,
  direction: Direction,
): OrderOfUnit | undefined {
  if (requirement.kind !== 'ordered-steps' || requirement.direction !== direction) return undefined
  if (ask.kind !== 'record' || ask.form !== 'steps') return undefined
  const steps = ask.steps.map(({ id, label, after, waitSeconds }) => ({
    id,
    label,
    after,
    wait: waitSeconds,
    thing: requirement.steps.find((step) => step.id === id)?.thing,
  }))
  return { unitId: unit.id, unit: unit.label, steps }
}
