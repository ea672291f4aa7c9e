import { branchShape, deviceShape, planeShape, type ArrayBuilt } from '../../array/places.js'
import type { BranchId, DeviceId, PlaneId, UnitId } from '../../ids/ids.js'
import { planeOfPlace } from '../../ids/place-id.js'
import { anyText, list, object, text } from '../../shape/shape.js'
import type { EntryWith } from '../entry-with.js'
import type { Draft } from '../state.js'
import {
  ADMITTED,
  BUILDERS,
  admitted,
  entryKind,
  find,
  firstRefusal,
  known,
  momentOf,
  put,
  putBack,
  refuse,
  without,
  type Admission,
  type Against,
  type Step,
} from './entry-kind.js'

/** As many as the map of an array can be drawn with on paper. */
const MOST_PLACES = 5000

const ofKnownUnit = ({ unitId }: { unitId: UnitId }, { state }: Against): Admission =>
  known(state.asBuilt.units, unitId, 'unit')

function onArray(draft: Draft, entry: EntryWith<unknown>, change: Partial<ArrayBuilt>): void {
  draft.asBuilt = { ...draft.asBuilt, array: { ...draft.asBuilt.array, ...change } }
  draft.lastChanged.array = momentOf(entry)
}

export const planeBuilt = entryKind({
  schema: planeShape,
  label: 'plane built',
  writtenBy: BUILDERS,
  validatesAgainst: 'state',
  admit: (plane, against) =>
    firstRefusal(
      ofKnownUnit(plane, against),
      plane.rows * plane.columns > MOST_PLACES
        ? refuse('too-large', `a plane has at most ${MOST_PLACES} places: build it as several`)
        : ADMITTED,
    ),
  apply: (draft, plane, entry) => onArray(draft, entry, { planes: put(draft.asBuilt.array.planes, plane) }),
  undo: ({ id }, { array }) =>
    putBack('plane-built', find(array.planes, id), { kind: 'plane-removed', body: { planeId: id } }),
})

export const planeRemoved = entryKind({
  schema: object({ planeId: text<PlaneId>() }),
  label: 'plane removed',
  writtenBy: BUILDERS,
  validatesAgainst: 'state',
  admit: ({ planeId }, { state }) => known(state.asBuilt.array.planes, planeId, 'plane'),
  apply: (draft, { planeId }, entry) =>
    onArray(draft, entry, { planes: without(draft.asBuilt.array.planes, planeId) }),
  undo: ({ planeId }, { array }) => putBack('plane-built', find(array.planes, planeId)),
})

export const devicesFitted = entryKind({
  schema: object({ devices: list(deviceShape) }),
  label: 'module electronics fitted',
  writtenBy: BUILDERS,
  validatesAgainst: 'state',
  admit({ devices }, { state }) {
    const { units, array } = state.asBuilt
    const planes = new Set<string | undefined>(array.planes.map(({ id }) => id))
    const lost = devices.find(({ at }) => !planes.has(planeOfPlace(at)))
    if (lost) return refuse('unknown-place', `no plane has a place “${lost.at}”`)
    const owners = new Set(devices.map(({ unitId }) => unitId))
    return firstRefusal(...[...owners].map((id) => known(units, id, 'unit')))
  },
  apply(draft, { devices }, entry) {
    // Many at once, in one pass: an array has thousands of them.
    const byId = new Map([...draft.asBuilt.array.devices, ...devices].map((one) => [one.id, one]))
    onArray(draft, entry, { devices: [...byId.values()] })
  },
  undo({ devices }, { array }) {
    const was = devices.flatMap(({ id }) => find(array.devices, id) ?? [])
    const fresh = devices.filter(({ id }) => !find(array.devices, id)).map(({ id }) => id)
    return [
      ...(was.length > 0 ? [{ kind: 'devices-fitted', body: { devices: was } }] : []),
      ...(fresh.length > 0 ? [{ kind: 'devices-removed', body: { deviceIds: fresh } }] : []),
    ]
  },
})

export const devicesRemoved = entryKind({
  schema: object({ deviceIds: list(text<DeviceId>()) }),
  label: 'module electronics removed',
  writtenBy: BUILDERS,
  validatesAgainst: 'state',
  admit: admitted,
  apply(draft, { deviceIds }, entry) {
    const gone = new Set<string>(deviceIds)
    onArray(draft, entry, { devices: draft.asBuilt.array.devices.filter(({ id }) => !gone.has(id)) })
  },
  undo({ deviceIds }, { array }): Step[] {
    const was = deviceIds.flatMap((id) => find(array.devices, id) ?? [])
    return was.length > 0 ? [{ kind: 'devices-fitted', body: { devices: was } }] : []
  },
})

export const branchBuilt = entryKind({
  schema: branchShape,
  label: 'branch built',
  writtenBy: BUILDERS,
  validatesAgainst: 'state',
  admit: ofKnownUnit,
  apply: (draft, branch, entry) =>
    onArray(draft, entry, { branches: put(draft.asBuilt.array.branches, branch) }),
  undo: ({ id }, { array }) =>
    putBack('branch-built', find(array.branches, id), { kind: 'branch-removed', body: { branchId: id } }),
})

export const branchRemoved = entryKind({
  schema: object({ branchId: text<BranchId>() }),
  label: 'branch removed',
  writtenBy: BUILDERS,
  validatesAgainst: 'state',
  admit: admitted,
  apply: (draft, { branchId }, entry) =>
    onArray(draft, entry, { branches: without(draft.asBuilt.array.branches, branchId) }),
  undo: ({ branchId }, { array }) => putBack('branch-built', find(array.branches, branchId)),
})

export const serialsReported = entryKind({
  schema: object({ unitId: text<UnitId>(), serials: list(anyText(), { mayBeEmpty: true }) }),
  label: 'serials reported',
  writtenBy: BUILDERS,
  validatesAgainst: 'state',
  admit: ofKnownUnit,
  apply: (draft, { unitId, serials }, entry) =>
    onArray(draft, entry, { reported: { ...draft.asBuilt.array.reported, [unitId]: serials } }),
  undo: ({ unitId }, { array }) => [
    { kind: 'serials-reported', body: { unitId, serials: array.reported[unitId] ?? [] } },
  ],
})
