import { unitShape } from '../../as-built/unit.js'
import type { UnitId, WallId } from '../../ids/ids.js'
import { object, text } from '../../shape/shape.js'
import type { EntryWith } from '../entry-with.js'
import type { Draft } from '../state.js'
import {
  ADMITTED,
  BUILDERS,
  entryKind,
  find,
  firstRefusal,
  known,
  momentOf,
  put,
  putBack,
  refuse,
  without,
} from './entry-kind.js'

export const unitFitted = entryKind({
  schema: unitShape,
  label: 'unit fitted',
  writtenBy: BUILDERS,
  validatesAgainst: 'state',
  admit({ id, sheetId, place }, { state: { header, asBuilt } }) {
    if (!header!.sheets.some((sheet) => sheet.id === sheetId))
      return refuse('unknown-sheet', `the job pins no sheet “${sheetId}”`)
    if (!place) return ADMITTED
    const taken = find(asBuilt.walls, place.wallId)?.obstructions.some((one) => one.id === id)
    return firstRefusal(
      known(asBuilt.walls, place.wallId, 'wall'),
      taken ? refuse('id-taken', `something else on this wall is called “${id}”`) : ADMITTED,
    )
  },
  apply(draft, unit, entry) {
    const before = find(draft.asBuilt.units, unit.id)
    draft.asBuilt = { ...draft.asBuilt, units: put(draft.asBuilt.units, unit) }
    touchUnits(draft, entry, before?.place?.wallId, unit.place?.wallId)
  },
  undo: ({ id }, { units }) =>
    putBack('unit-fitted', find(units, id), { kind: 'unit-removed', body: { unitId: id } }),
})

export const unitRemoved = entryKind({
  schema: object({ unitId: text<UnitId>() }),
  label: 'unit removed',
  writtenBy: BUILDERS,
  validatesAgainst: 'state',
  admit: ({ unitId }, { state }) => known(state.asBuilt.units, unitId, 'unit'),
  apply(draft, { unitId }, entry) {
    const before = find(draft.asBuilt.units, unitId)
    draft.asBuilt = { ...draft.asBuilt, units: without(draft.asBuilt.units, unitId) }
    touchUnits(draft, entry, before?.place?.wallId)
  },
  undo: ({ unitId }, { units }) => putBack('unit-fitted', find(units, unitId)),
})

function touchUnits(draft: Draft, entry: EntryWith<unknown>, ...walls: (WallId | undefined)[]): void {
  draft.lastChanged.units = momentOf(entry)
  for (const id of walls) if (id !== undefined) draft.lastChanged.walls.set(id, momentOf(entry))
}
