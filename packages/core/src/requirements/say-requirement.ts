import type { UnitBuilt } from '../as-built/unit.js'
import type { Surroundings } from './surroundings.js'
import { lookUpArray } from '../as-built/module-lookup.js'
import { NOTHING_BUILT } from '../as-built/as-built.js'
import { kindOf, type Requirement } from './kinds.js'
import type { Subject } from './kind.js'
import { wholeUnit } from './subjects.js'
import type { Sheet } from './sheet.js'

/** What a requirement asks for, as it reads in the sheet: said of an imagined unit that nothing is known of. */
export function sheetRequirementWords(requirement: Requirement, sheet: Sheet): string {
  const unit: UnitBuilt = { id: 'unit', label: '', sheetId: '' }
  const asBuilt = { ...NOTHING_BUILT, units: [unit] }
  const around: Surroundings = {
    asBuilt,
    rule: 'guarded',
    header: undefined,
    sheetOf: () => sheet,
    onWall: () => undefined,
    array: () => lookUpArray(asBuilt.array, [unit], () => sheet),
    loads: () => [],
    partLoads: () => [],
    reading: () => undefined,
    labelOf: (id) => id,
  }
  const kind = kindOf(requirement)
  const subjects = kind.expand(requirement, unit, sheet, around)
  const own = subjects.length > 0 ? subjects : [wholeUnit]
  const words = [
    ...new Set(own.map((subject) => sideFirst(subject, kind.required(requirement, subject, around, unit)))),
  ].filter((said) => said.trim() !== '')
  const each = 'each' in requirement && requirement.each !== 'unit' ? ` (each ${requirement.each})` : ''
  return `${words.length > MOST_SAID ? `${words.slice(0, MOST_SAID).join('; ')} …` : words.join('; ')}${each}`
}

const MOST_SAID = 5

const sideFirst = ({ kind, label }: Subject, said: string): string =>
  kind !== 'side' || said.startsWith(label) ? said : `${label} ${said}`
