import type { AsBuilt } from '../as-built/as-built.js'
import type { UnitId } from '../ids/ids.js'
import type { Change } from '../job/entry.js'
import { unitOfPoint } from '../job/evidence-target.js'

/**
 * An answer with the sheet that asked it: that on the device of whoever answers. Others may adopt another meanwhile, and what was answered to
 * the old question must not count for the new one. What is no answer stays as it is.
 */
export function askedBy(change: Change, { units }: Pick<AsBuilt, 'units'>): Change {
  const sheetOf = (unitId: UnitId) => units.find(({ id }) => id === unitId)?.sheetId
  const { kind, body } = change
  switch (kind) {
    case 'reading':
    case 'observation':
    case 'record': {
      const sheetId = sheetOf(unitOfPoint(body.point))
      return sheetId === undefined ? change : ({ kind, body: { ...body, sheetId } } as Change)
    }
    case 'walked-over': {
      const ids = [...new Set(body.points.map(unitOfPoint))]
      const sheets = Object.fromEntries(ids.flatMap((id) => (sheetOf(id) ? [[id, sheetOf(id)!]] : [])))
      return { kind, body: { ...body, sheets } }
    }
    default:
      return change
  }
}
