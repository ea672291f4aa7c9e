import { dangers, type Defect } from './defect.js'
import type { Check } from './check.js'

/**
 * What a step of powering up must not be taken against: the stop defects of the job that are open. Switching off is never held. Empty where
 * nothing holds it.
 */
export function heldBy({ requirement }: Check, defects: readonly Defect[]): Defect[] {
  const on = requirement.kind === 'ordered-steps' && requirement.direction === 'up'
  return on ? dangers(defects) : []
}
