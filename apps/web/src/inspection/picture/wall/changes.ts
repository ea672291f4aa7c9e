import { create } from 'zustand'
import type { AsBuilt, EntryBodies, ObstructionBuilt, Person, UnitBuilt } from '@plumb-mark/core'
import { useInspection } from '../../../store/inspection.js'

type WallKind = 'unit-fitted' | 'unit-removed' | 'obstruction-measured' | 'obstruction-removed'
/** A change on a wall as the entry that makes it. */
export type WallChange = { [K in WallKind]: { kind: K; body: EntryBodies[K] } }[WallKind]

/** The change that takes another one back, seen from before it: nothing is deleted, undoing is an entry too. */
export function inverseOf(change: WallChange, before: AsBuilt): WallChange | undefined {
  switch (change.kind) {
    case 'unit-fitted':
    case 'unit-removed': {
      const id = change.kind === 'unit-fitted' ? change.body.id : change.body.unitId
      const unit = before.units.find((one) => one.id === id)
      return unit ? { kind: 'unit-fitted', body: unit } : { kind: 'unit-removed', body: { unitId: id } }
    }
    case 'obstruction-measured':
    case 'obstruction-removed': {
      const { wallId } = change.body
      const obstructionId = change.kind === 'obstruction-measured' ? change.body.obstruction.id : change.body.obstructionId
      const obstruction = before.walls.find(({ id }) => id === wallId)?.obstructions.find(({ id }) => id === obstructionId)
      return obstruction ? { kind: 'obstruction-measured', body: { wallId, obstruction } } : { kind: 'obstruction-removed', body: { wallId, obstructionId } }
    }
  }
}

interface Steps {
  done: { change: WallChange; inverse: WallChange }[]
  undone: { change: WallChange; inverse: WallChange }[]
  make(by: Person, change: WallChange): void
  undo(by: Person): void
  redo(by: Person): void
}

/** Changes made on the walls in this sitting, to be taken back and made again. */
export const useWallSteps = create<Steps>((set, get) => ({
  done: [],
  undone: [],
  make(by, change) {
    const before = useInspection.getState().inspection?.state.asBuilt
    const inverse = before && inverseOf(change, before)
    if (!inverse) return
    useInspection.getState().append(by, change)
    set({ done: [...get().done, { change, inverse }], undone: [] })
  },
  undo(by) {
    const last = get().done.at(-1)
    if (!last) return
    useInspection.getState().append(by, last.inverse)
    set({ done: get().done.slice(0, -1), undone: [...get().undone, last] })
  },
  redo(by) {
    const last = get().undone.at(-1)
    if (!last) return
    useInspection.getState().append(by, last.change)
    set({ undone: get().undone.slice(0, -1), done: [...get().done, last] })
  },
}))

/** The as-built with one thing on a wall measured differently, for trying out. */
export function withUnit(asBuilt: AsBuilt, unit: UnitBuilt): AsBuilt {
  return { ...asBuilt, units: asBuilt.units.map((one) => (one.id === unit.id ? unit : one)) }
}
export function withObstruction(asBuilt: AsBuilt, wallId: string, obstruction: ObstructionBuilt): AsBuilt {
  return { ...asBuilt, walls: asBuilt.walls.map((wall) => (wall.id === wallId ? { ...wall, obstructions: wall.obstructions.map((one) => (one.id === obstruction.id ? obstruction : one)) } : wall)) }
}
