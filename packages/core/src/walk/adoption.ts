import { type Message, sameMessage } from '../quantity/message.js'
import type { JobState } from '../job/state.js'
import { sheetId } from '../sheet/ref.js'
import { type Sheet } from '../requirements/sheet.js'
import type { Verdict } from '../verdict/verdict.js'
import { inspect, type Inspection } from './inspect.js'

/** What adopting another revision does to one check. */
export interface CheckChange {
  kind: 'new' | 'gone' | 'changed'
  checkId: string
  title: string
  place: string
  clause: string
  requiredBefore: Message | undefined
  requiredAfter: Message | undefined
  verdictBefore: Verdict | undefined
  verdictAfter: Verdict | undefined
}

/** The job as it would stand with every unit of one sheet judged by another revision of it. Nothing is changed. */
export function withSheet(
  state: JobState,
  sheets: ReadonlyMap<string, Sheet>,
  replaces: string,
  by: Sheet,
): Inspection {
  const id = sheetId(by)
  const units = state.asBuilt.units.map((unit) =>
    unit.sheetId === replaces ? { ...unit, sheetId: id } : unit,
  )
  return inspect(state, new Map([...sheets, [id, by]]), { ...state.asBuilt, units })
}

/** Check by check, what would be different after the adoption: new and dropped checks, other limits, other verdicts. */
export function adoptionChanges(before: Inspection, after: Inspection): CheckChange[] {
  const was = new Map(before.checks.map((judged) => [judged.check.id, judged]))
  const is = new Map(after.checks.map((judged) => [judged.check.id, judged]))
  const ids = [...new Set([...is.keys(), ...was.keys()])]
  return ids.flatMap((id): CheckChange[] => {
    const [a, b] = [was.get(id), is.get(id)]
    const [verdictBefore, verdictAfter] = [a?.outcome.verdict, b?.outcome.verdict]
    const [requiredBefore, requiredAfter] = [a?.check.required, b?.check.required]
    if (a && b && verdictBefore === verdictAfter && sameMessage(requiredBefore, requiredAfter)) return []
    const { title, place, requirement } = (b ?? a)!.check
    return [
      {
        kind: a ? (b ? 'changed' : 'gone') : 'new',
        checkId: id,
        title,
        place,
        clause: requirement.clause,
        requiredBefore,
        requiredAfter,
        verdictBefore,
        verdictAfter,
      },
    ]
  })
}

/** Of those, what would get another verdict: a record that was signed stays as it was signed, and is told about. */
export const judgedOtherwise = (before: Inspection, after: Inspection): CheckChange[] =>
  adoptionChanges(before, after).filter(({ verdictBefore, verdictAfter }) => verdictBefore !== verdictAfter)
