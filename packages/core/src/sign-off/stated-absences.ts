import type { CheckId } from '../ids/ids.js'
import type { Person } from '../job/person.js'
import { inForce } from '../job/state.js'
import type { Inspection } from '../walk/inspect.js'

/** That something is not there, as somebody said it with a reason. */
export interface StatedAbsence {
  checkId: CheckId
  title: string
  place: string
  reason: string
  by: Person
  at: string
}

/** Everything that is said not to be there and is therefore not asked for: for whoever signs, and for the record. */
export function statedAbsences({ checks }: Pick<Inspection, 'checks'>): StatedAbsence[] {
  return checks.flatMap(({ check, history, outcome }): StatedAbsence[] => {
    const said = inForce(history)
    if (check.requirement.kind !== 'presence' || said?.kind !== 'record' || !('finding' in outcome)) return []
    const { title, place, id } = check
    return [{ checkId: id, title, place, reason: String(outcome.finding), by: said.by, at: said.at }]
  })
}
