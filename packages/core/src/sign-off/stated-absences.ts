import type { CheckId } from '../ids/ids.js'
import type { Person } from '../job/person.js'
import { inForce } from '../job/state.js'
import type { Inspection } from '../walk/inspect.js'

/** That something is not there, or that a check does not apply, as somebody said it with a reason. */
export interface StatedAbsence {
  checkId: CheckId
  title: string
  place: string
  reason: string
  by: Person
  at: string
}

/** Everything that is said not to be there or not to apply, and is therefore not asked for: for whoever signs, and for the record. */
export function statedAbsences({ checks }: Pick<Inspection, 'checks'>): StatedAbsence[] {
  return checks.flatMap(({ check, history, outcome }): StatedAbsence[] => {
    const { title, place, id } = check
    if (outcome.verdict === 'not-applicable')
      return outcome.said ? [{ checkId: id, title, place, reason: outcome.because, ...outcome.said }] : []
    const said = inForce(history)
    if (check.requirement.kind !== 'presence' || said?.kind !== 'record' || !('finding' in outcome)) return []
    return [{ checkId: id, title, place, reason: String(outcome.finding), by: said.by, at: said.at }]
  })
}
