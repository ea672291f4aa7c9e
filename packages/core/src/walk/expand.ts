import type { AsBuilt, UnitBuilt } from '../as-built/as-built.js'
import { kindOf, type Requirement } from '../sheet/kinds/index.js'
import type { Subject, World } from '../sheet/kinds/kind.js'
import type { Sheet } from '../sheet/sheet.js'
import { STAGES } from './stages.js'
import type { Check } from './check.js'

/** The checks that follow from the sheets and what was built, in the order of the walk, then by unit and as the sheet has them. */
export function checksOf(asBuilt: AsBuilt, sheets: ReadonlyMap<string, Sheet>, world: World): Check[] {
  const all = asBuilt.units.flatMap((unit) => {
    const sheet = sheets.get(unit.sheetId)
    return sheet ? sheet.requirements.flatMap((requirement) => expand(unit, sheet, requirement, asBuilt, world)) : []
  })
  return STAGES.flatMap((stage) => all.filter((check) => check.stage === stage))
}

function expand(unit: UnitBuilt, sheet: Sheet, requirement: Requirement, asBuilt: AsBuilt, world: World): Check[] {
  const kind = kindOf(requirement)
  return kind.expand(requirement, unit, sheet.terminals, asBuilt).map((subject) => ({
    id: `${unit.id}/${requirement.id}/${subject.id}`,
    stage: requirement.stage,
    unit,
    sheet,
    requirement,
    subject,
    title: subject.label ? `${requirement.title} · ${subject.label}` : requirement.title,
    place: placeOf(unit, subject),
    point: `${unit.id}/${requirement.point ?? requirement.id}/${subject.id}`,
    ask: kind.ask(requirement, subject),
    required: kind.required(requirement, subject, world, unit),
  }))
}

const PLACE = {
  unit: (unit) => unit,
  side: (unit, subject) => `${unit}, ${subject}`,
  terminal: (unit, subject) => `${unit}, terminal ${subject}`,
  string: (unit, subject) => `${subject} at ${unit}`,
} satisfies Record<Subject['kind'], (unit: string, subject: string) => string>

function placeOf(unit: UnitBuilt, subject: Subject): string {
  return PLACE[subject.kind](unit.label, subject.label)
}
