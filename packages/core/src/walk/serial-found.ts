import type { UnitBuilt } from '../as-built/unit.js'
import { inForce } from '../job/state.js'
import type { JudgedCheck } from './check.js'

/** The serial of a unit: what stands on its plate, and what was ordered. */
export interface SerialFound {
  /** As it was read on site; undefined while nobody has. */
  found: string | undefined
  /** As it was entered before, where its plate is read by itself. */
  ordered: string | undefined
}

/**
 * What was read off the plate is what stands on site, whatever was ordered. Of a unit whose sheet asks for no plate, the serial that was
 * entered is the one that was read. A reading that has to be taken again is none.
 */
export function serialOf(unit: UnitBuilt, checks: readonly JudgedCheck[]): SerialFound {
  const plate = checks.find(
    ({ check }) =>
      check.unit.id === unit.id && (check.requirement.kind === 'nameplate' || asksForSerial(check)),
  )
  const ordered = unit.serial?.trim() || undefined
  if (!plate) return { found: ordered, ordered: undefined }
  const last = plate.outcome.verdict === 'not-inspected' ? undefined : inForce(plate.history)
  const values =
    last?.kind === 'record' && 'values' in last.body.answer && !Array.isArray(last.body.answer.values)
      ? last.body.answer.values
      : {}
  return { found: values['serial']?.typed.trim() || undefined, ordered }
}

/** Where no plate is to be compared, the serial is asked for by itself. */
const asksForSerial = ({ requirement, subject }: JudgedCheck['check']): boolean =>
  requirement.kind === 'presence' && requirement.entered === 'serials' && subject.kind === 'unit'
