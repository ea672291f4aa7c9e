import type { UnitBuilt } from '../as-built/unit.js'
import { checkId, pointId } from '../ids/check-id.js'
import { kindOf, type Requirement } from '../requirements/kinds.js'
import type { Subject } from '../requirements/kind.js'
import type { Sheet } from '../requirements/sheet.js'
import { wholeUnit } from '../requirements/subjects.js'
import type { JudgementContext } from '../requirements/judgement-context.js'
import type { Message } from '../quantity/message.js'
import { whyNot } from '../requirements/why-not.js'
import { attempt } from '../shape/attempt.js'
import type { Check } from './check.js'

/** The checks that follow from one requirement of a sheet on one unit. What refuses to be put together becomes a check that says so. */
export function expand(
  unit: UnitBuilt,
  sheet: Sheet,
  requirement: Requirement,
  context: JudgementContext,
): Check[] {
  const kind = kindOf(requirement)
  const because = whyNot(requirement.when, unit, context)
  const subjects = attempt(() => kind.expand(requirement, unit, sheet, context))
  return (subjects.ok ? subjects.value : [wholeUnit]).map((subject) => {
    const ask = attempt(() => kind.ask(requirement, subject, context, unit))
    const refused = [subjects, ask].find((one) => !one.ok)
    let required: Message | undefined
    return {
      id: checkId(unit.id, requirement.id, subject.id),
      stage: requirement.stage,
      unit,
      sheet,
      requirement,
      subject,
      title: subject.label ? `${requirement.title} · ${subject.label}` : requirement.title,
      place: placeOf(unit, subject),
      point: pointId(unit.id, requirement.point ?? requirement.id, subject.id),
      ask: ask.ok ? ask.value : { kind: 'derived', from: 'units' },
      // The limit in words is wanted of few checks: it is said when it is read. What refuses to be said refuses to be judged as well.
      get required() {
        if (required === undefined) {
          const said = attempt(() => kind.required(requirement, subject, context, unit))
          required = said.ok ? said.value : ''
        }
        return required
      },
      because,
      inTheWay: refused?.ok === false ? refused.problem : undefined,
    }
  })
}

const PLACE = {
  unit: (unit) => unit,
  side: (unit, subject) => `${unit}, ${subject}`,
  terminal: (unit, subject) => `${unit}, terminal ${subject}`,
  string: (unit, subject) => `${subject} at ${unit}`,
  device: (unit, subject) => `${unit}, ${subject}`,
  branch: (unit, subject) => `${unit}, ${subject}`,
  plane: (unit, subject) => `${unit}, ${subject}`,
  bond: (unit, subject) => `${unit}, ${subject}`,
  conductor: (unit, subject) => `${unit}, ${subject}`,
  part: (unit, subject) => `${unit}, ${subject}`,
} satisfies Record<Subject['kind'], (unit: string, subject: string) => string>

function placeOf(unit: UnitBuilt, subject: Subject): string {
  return PLACE[subject.kind](unit.label, subject.label)
}
