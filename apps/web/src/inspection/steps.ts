import { create } from 'zustand'
import type { AsBuilt, EntryBodies, ObstructionBuilt, Person, UnitBuilt, WallBuilt } from '@plumb-mark/core'
import { useInspection } from '../store/inspection.js'

type BuildingKind =
  | 'unit-fitted'
  | 'unit-removed'
  | 'wall-measured'
  | 'wall-removed'
  | 'obstruction-measured'
  | 'obstruction-removed'
  | 'gap-measured'
  | 'gap-removed'
  | 'string-built'
  | 'string-removed'
  | 'plane-built'
  | 'plane-removed'
  | 'devices-fitted'
  | 'devices-removed'
  | 'branch-built'
  | 'branch-removed'
  | 'serials-reported'
  | 'earth-part-found'
  | 'earth-part-removed'
  | 'bond-made'
  | 'bond-removed'
  | 'part-placed'
  | 'part-removed'
  | 'conductor-run'
  | 'conductor-removed'
/** A change of what was built, as the entry that makes it. */
export type Change = { [K in BuildingKind]: { kind: K; body: EntryBodies[K] } }[BuildingKind]

type Inverse = { [K in BuildingKind]: (body: EntryBodies[K], before: AsBuilt) => Change[] }

const byId = <T extends { id: string }>(all: readonly T[], id: string): T | undefined =>
  all.find((one) => one.id === id)
const wallOf = (before: AsBuilt, id: string) => byId(before.walls, id)

/** The wall without what stands on it, as its own entry has it. */
function bare({
  id,
  title,
  width,
  height,
  leftCorner,
  rightCorner,
  uncertainty,
  tape,
}: WallBuilt): EntryBodies['wall-measured'] {
  return {
    id,
    title,
    leftCorner,
    rightCorner,
    uncertainty,
    ...(width !== undefined && { width }),
    ...(height !== undefined && { height }),
    ...(tape !== undefined && { tape }),
  }
}

/** The changes that take one back, seen from before it: nothing is deleted, undoing is an entry too. */
const INVERSE: Inverse = {
  'unit-fitted': ({ id }, { units }) =>
    byId(units, id)
      ? [{ kind: 'unit-fitted', body: byId(units, id)! }]
      : [{ kind: 'unit-removed', body: { unitId: id } }],
  'unit-removed': ({ unitId }, { units }) =>
    byId(units, unitId) ? [{ kind: 'unit-fitted', body: byId(units, unitId)! }] : [],
  'wall-measured': ({ id }, before) => {
    const wall = wallOf(before, id)
    if (!wall) return [{ kind: 'wall-removed', body: { wallId: id } }]
    return [{ kind: 'wall-measured', body: bare(wall) }]
  },
  'wall-removed': ({ wallId }, before) => {
    const wall = wallOf(before, wallId)
    if (!wall) return []
    const { obstructions, gaps } = wall
    return [
      { kind: 'wall-measured', body: bare(wall) },
      ...obstructions.map((obstruction): Change => ({
        kind: 'obstruction-measured',
        body: { wallId, obstruction },
      })),
      ...gaps.map((gap): Change => ({ kind: 'gap-measured', body: { wallId, gap } })),
      ...before.units
        .filter(({ place }) => place?.wallId === wallId)
        .map((unit): Change => ({ kind: 'unit-fitted', body: unit })),
    ]
  },
  'obstruction-measured': ({ wallId, obstruction }, before) => {
    const was = byId(wallOf(before, wallId)?.obstructions ?? [], obstruction.id)
    return [
      was
        ? { kind: 'obstruction-measured', body: { wallId, obstruction: was } }
        : { kind: 'obstruction-removed', body: { wallId, obstructionId: obstruction.id } },
    ]
  },
  'obstruction-removed': ({ wallId, obstructionId }, before) => {
    const was = byId(wallOf(before, wallId)?.obstructions ?? [], obstructionId)
    return was ? [{ kind: 'obstruction-measured', body: { wallId, obstruction: was } }] : []
  },
  'gap-measured': ({ wallId, gap }, before) => {
    const was = byId(wallOf(before, wallId)?.gaps ?? [], gap.id)
    return [
      was
        ? { kind: 'gap-measured', body: { wallId, gap: was } }
        : { kind: 'gap-removed', body: { wallId, gapId: gap.id } },
    ]
  },
  'gap-removed': ({ wallId, gapId }, before) => {
    const was = byId(wallOf(before, wallId)?.gaps ?? [], gapId)
    return was ? [{ kind: 'gap-measured', body: { wallId, gap: was } }] : []
  },
  'string-built': ({ id }, { strings }) => [
    byId(strings, id)
      ? { kind: 'string-built', body: byId(strings, id)! }
      : { kind: 'string-removed', body: { stringId: id } },
  ],
  'string-removed': ({ stringId }, { strings }) =>
    byId(strings, stringId) ? [{ kind: 'string-built', body: byId(strings, stringId)! }] : [],
  'plane-built': ({ id }, { array }) => [
    byId(array.planes, id)
      ? { kind: 'plane-built', body: byId(array.planes, id)! }
      : { kind: 'plane-removed', body: { planeId: id } },
  ],
  'plane-removed': ({ planeId }, { array }) =>
    byId(array.planes, planeId) ? [{ kind: 'plane-built', body: byId(array.planes, planeId)! }] : [],
  'devices-fitted': ({ devices }, { array }) => {
    const was = devices.flatMap(({ id }) => byId(array.devices, id) ?? [])
    const fresh = devices.filter(({ id }) => !byId(array.devices, id)).map(({ id }) => id)
    return [
      ...(was.length > 0 ? [{ kind: 'devices-fitted', body: { devices: was } } as const] : []),
      ...(fresh.length > 0 ? [{ kind: 'devices-removed', body: { deviceIds: fresh } } as const] : []),
    ]
  },
  'devices-removed': ({ deviceIds }, { array }) => {
    const was = deviceIds.flatMap((id) => byId(array.devices, id) ?? [])
    return was.length > 0 ? [{ kind: 'devices-fitted', body: { devices: was } }] : []
  },
  'branch-built': ({ id }, { array }) => [
    byId(array.branches, id)
      ? { kind: 'branch-built', body: byId(array.branches, id)! }
      : { kind: 'branch-removed', body: { branchId: id } },
  ],
  'branch-removed': ({ branchId }, { array }) =>
    byId(array.branches, branchId) ? [{ kind: 'branch-built', body: byId(array.branches, branchId)! }] : [],
  'serials-reported': ({ unitId }, { array }) => [
    { kind: 'serials-reported', body: { unitId, serials: array.reported[unitId] ?? [] } },
  ],
  'earth-part-found': ({ id }, { earth }) => [
    byId(earth.parts, id)
      ? { kind: 'earth-part-found', body: byId(earth.parts, id)! }
      : { kind: 'earth-part-removed', body: { partId: id } },
  ],
  'earth-part-removed': ({ partId }, { earth }) => {
    const part = byId(earth.parts, partId)
    return part
      ? [
          { kind: 'earth-part-found', body: part },
          ...earth.bonds
            .filter(({ from, to }) => from === partId || to === partId)
            .map((bond): Change => ({ kind: 'bond-made', body: bond })),
        ]
      : []
  },
  'bond-made': ({ id }, { earth }) => [
    byId(earth.bonds, id)
      ? { kind: 'bond-made', body: byId(earth.bonds, id)! }
      : { kind: 'bond-removed', body: { bondId: id } },
  ],
  'part-placed': ({ id }, { network }) => [
    byId(network.parts, id)
      ? { kind: 'part-placed', body: byId(network.parts, id)! }
      : { kind: 'part-removed', body: { partId: id } },
  ],
  'part-removed': ({ partId }, { network }) => {
    const part = byId(network.parts, partId)
    return part
      ? [
          { kind: 'part-placed', body: part },
          ...network.conductors
            .filter(({ from, to }) => from === partId || to === partId)
            .map((conductor): Change => ({ kind: 'conductor-run', body: conductor })),
        ]
      : []
  },
  'conductor-run': ({ id }, { network }) => [
    byId(network.conductors, id)
      ? { kind: 'conductor-run', body: byId(network.conductors, id)! }
      : { kind: 'conductor-removed', body: { conductorId: id } },
  ],
  'conductor-removed': ({ conductorId }, { network }) =>
    byId(network.conductors, conductorId)
      ? [{ kind: 'conductor-run', body: byId(network.conductors, conductorId)! }]
      : [],
  'bond-removed': ({ bondId }, { earth }) =>
    byId(earth.bonds, bondId) ? [{ kind: 'bond-made', body: byId(earth.bonds, bondId)! }] : [],
}

export const inverseOf = (change: Change, before: AsBuilt): Change[] =>
  (INVERSE[change.kind] as (body: Change['body'], before: AsBuilt) => Change[])(change.body, before)

interface Step {
  changes: Change[]
  inverse: Change[]
}
interface Steps {
  done: Step[]
  undone: Step[]
  /** Several changes of one step are undone together. */
  make(by: Person, ...changes: Change[]): void
  undo(by: Person): void
  redo(by: Person): void
}

/** Changes of what was built in this sitting, to be taken back and made again. */
export const useSteps = create<Steps>((set, get) => ({
  done: [],
  undone: [],
  make(by, ...changes) {
    const before = useInspection.getState().inspection?.state.asBuilt
    if (!before || changes.length === 0) return
    const inverse = changes.flatMap((change) => inverseOf(change, before))
    useInspection.getState().append(by, ...changes)
    set({ done: [...get().done, { changes, inverse }], undone: [] })
  },
  undo(by) {
    const last = get().done.at(-1)
    if (!last) return
    if (last.inverse.length > 0) useInspection.getState().append(by, ...last.inverse)
    set({ done: get().done.slice(0, -1), undone: [...get().undone, last] })
  },
  redo(by) {
    const last = get().undone.at(-1)
    if (!last) return
    useInspection.getState().append(by, ...last.changes)
    set({ undone: get().undone.slice(0, -1), done: [...get().done, last] })
  },
}))

/** The as-built with one thing on a wall measured differently, for trying out. */
export function withUnit(asBuilt: AsBuilt, unit: UnitBuilt): AsBuilt {
  return { ...asBuilt, units: asBuilt.units.map((one) => (one.id === unit.id ? unit : one)) }
}
export function withObstruction(asBuilt: AsBuilt, wallId: string, obstruction: ObstructionBuilt): AsBuilt {
  return {
    ...asBuilt,
    walls: asBuilt.walls.map((wall) =>
      wall.id === wallId
        ? {
            ...wall,
            obstructions: wall.obstructions.map((one) => (one.id === obstruction.id ? obstruction : one)),
          }
        : wall,
    ),
  }
}
