import {
  canonicalUnit,
  type Inspection,
  type JudgedCheck,
  type TraceTest,
  type UnitKind,
} from '@plumb-mark/core'
import type { Traced } from './recording.js'

/** Which points of which units a test records: the watched one first. A unit of the kind that the sheet names stands for it. */
export function tracedBy(
  judged: JudgedCheck,
  { watch, beside = [] }: TraceTest,
  inspection: Inspection,
): Traced[] {
  const { state, sheets } = inspection
  const unitOf = (kind: UnitKind | undefined) =>
    kind === undefined
      ? judged.check.unit.id
      : state.asBuilt.units.find(({ sheetId }) => sheets.get(sheetId)?.kind === kind)?.id
  const unit = canonicalUnit(watch.dimension)
  return [watch, ...beside].flatMap(({ label, from, of }) => {
    const unitId = unitOf(of)
    return from && unitId ? [{ name: label, unit, unitId, point: from }] : []
  })
}
