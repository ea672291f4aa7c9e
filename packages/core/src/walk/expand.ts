import type { World } from '../requirements/surroundings.js'
import type { AsBuilt, UnitBuilt } from '../as-built/as-built.js'
import { kindOf, type Requirement } from '../requirements/kinds.js'
import { whyNot } from '../requirements/why-not.js'
import type { Subject } from '../requirements/kind.js'
import type { Sheet } from '../requirements/sheet.js'
import { attempt } from '../verdict/attempt.js'
import { wholeUnit } from '../requirements/subjects.js'
import { STAGES } from '../sheet/stages.js'
import type { Check } from './check.js'

/** The checks that follow from the sheets and what was built, in the order of the walk, then by unit and as the sheet has them. */
export function checksOf(asBuilt: AsBuilt, sheets: ReadonlyMap<string, Sheet>, world: World): Check[] {
  const all = asBuilt.units.flatMap((unit) => {
    const sheet = sheets.get(unit.sheetId)
    return sheet ? sheet.requirements.flatMap((requirement) => expand(unit, sheet, requirement, world)) : []
  })
  return STAGES.flatMap((stage) => all.filter((check) => check.stage === stage))
}

function expand(unit: UnitBuilt, sheet: Sheet, requirement: Requirement, world: World): Check[] {
  const kind = kindOf(requirement)
  const because = whyNot(requirement.when, unit, world)
  const subjects = attempt(() => kind.expand(requirement, unit, sheet, world))
  return (subjects.ok ? subjects.value : [wholeUnit]).map((subject) => {
    const ask = attempt(() => kind.ask(requirement, subject, world, unit))
    const required = attempt(() => kind.required(requirement, subject, world, unit))
    const refused = [subjects, ask, required].find((one) => !one.ok)
    return {
      id: `${unit.id}/${requirement.id}/${subject.id}`,
      stage: requirement.stage,
      unit,
      sheet,
      requirement,
      subject,
      title: subject.label ? `${requirement.title} · ${subject.label}` : requirement.title,
      place: placeOf(unit, subject),
      point: `${unit.id}/${requirement.point ?? requirement.id}/${subject.id}`,
      ask: ask.ok ? ask.value : { kind: 'derived', from: 'units' },
      required: required.ok ? required.value : '',
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
