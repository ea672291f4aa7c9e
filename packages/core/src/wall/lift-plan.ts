import { kilograms } from '../quantity/figure.js'
import { plural } from '../quantity/phrases.js'
import { msg } from '../quantity/message.js'
import { flag, list, num, object, optional, text, type Read } from '../shape/shape.js'
import type { Explained } from '../verdict/verdict.js'

export const liftPlanInput = object({
  items: list(
    object({
      name: text(),
      mass: num({ unit: 'kg', sign: 'magnitude' }),
      overhead: optional(flag('lifted above shoulder height'), false),
    }),
  ),
  perPerson: optional(num({ unit: 'kg', sign: 'divisor', about: 'what one person may lift' }), 25),
  perPersonOverhead: optional(num({ unit: 'kg', sign: 'divisor' }), 12.5),
  mostPeople: optional(num({ sign: 'divisor', about: 'above this many, a machine lifts' }), 2),
})
type Given = Read<typeof liftPlanInput>
export type LiftPlanInput = { items: { name: string; mass: number; overhead?: boolean }[] } & Partial<
  Omit<Given, 'items'>
>
export interface LiftPlanResult extends Explained {
  lifts: { name: string; mass: number; people: number; machine: boolean }[]
}

/**
 * How many people does each lift take, and which need a machine? kg; exactly a person's share is still theirs. The shares are
 * representative figures: the local rules on lifting decide. Source: mass divided by what one person may lift.
 */
export function liftPlan(input: LiftPlanInput): LiftPlanResult {
  const { items, perPerson, perPersonOverhead, mostPeople } = liftPlanInput.read(input, '') as Given
  const lifts = items.map(({ name, mass, overhead }) => {
    const people = Math.max(1, Math.ceil(mass / (overhead ? perPersonOverhead : perPerson) - 1e-9))
    return { name, mass, people, machine: people > mostPeople }
  })
  return {
    lifts,
    working: lifts.map(
      ({ name, mass, people, machine }) =>
        msg`${name}, ${kilograms(mass)}: ${machine ? 'by machine' : plural(people, 'person', 'people')}`,
    ),
    notes: ['the local rules on lifting decide; clear the way and agree the words before the lift'],
  }
}
