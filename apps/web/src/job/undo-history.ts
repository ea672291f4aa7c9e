import { create } from 'zustand'
import {
  inverseOf,
  isEvidence,
  type AsBuilt,
  type Change,
  type JobId,
  type ObstructionBuilt,
  type Person,
  type UnitBuilt,
  type WallId,
} from '@plumb-mark/core'
import { useInspection } from './inspection.js'

interface Step {
  changes: Change[]
  inverse: Change[]
}
interface Steps {
  /** The job that they were made in: undoing ends when it is left. */
  jobId: JobId | undefined
  done: Step[]
  undone: Step[]
  /** Several changes of one step are kept and undone together. False when they were not admitted. */
  commit(by: Person, ...changes: Change[]): boolean
  undo(by: Person): void
  redo(by: Person): void
}

const NOTHING_DONE = { done: [], undone: [] }

/** Changes of what was built, and answers, in this sitting and this job, to be taken back and made again. */
export const useUndoHistory = create<Steps>((set, get) => ({
  jobId: undefined,
  ...NOTHING_DONE,
  commit(by, ...changes) {
    const { jobId } = useInspection.getState()
    const inverse = made(by, changes)
    if (!inverse) return false
    set({ jobId, done: [...get().done, { changes, inverse }], undone: [] })
    return true
  },
  undo(by) {
    const last = get().done.at(-1)
    if (!last || !made(by, last.inverse)) return
    set({ done: get().done.slice(0, -1), undone: [...get().undone, last] })
  },
  redo(by) {
    const last = get().undone.at(-1)
    const inverse = last && made(by, last.changes)
    if (!inverse) return
    set({ undone: get().undone.slice(0, -1), done: [...get().done, { ...last, inverse }] })
  },
}))

/** Appends changes; answers with what takes them back, or nothing where they were not admitted. */
function made(by: Person, changes: readonly Change[]): Change[] | undefined {
  const { committed, append } = useInspection.getState()
  if (!committed) return undefined
  if (changes.length === 0) return []
  const inverse = changes.flatMap((change) => inverseOf(change, committed.state.asBuilt))
  if (!append(by, ...changes)) return undefined
  const entries = useInspection.getState().entries.slice(-changes.length)
  return [...inverse, ...entries.filter(isEvidence).map(({ id }) => takenBack(id))]
}

/** What was read stays in the record, struck out, with why: nobody says that it was mistyped when it was a slip of the hand. */
const takenBack = (entryId: string): Change => ({
  kind: 'evidence-struck',
  body: { entryId, reason: 'taken back at once' },
})

// A step belongs to the job in which it was made: with another one open there is nothing to take back.
useInspection.subscribe(({ jobId }) => {
  if (useUndoHistory.getState().jobId !== jobId) useUndoHistory.setState({ jobId, ...NOTHING_DONE })
})

/** The as-built with one thing on a wall measured differently, for trying out. */
export function withUnit(asBuilt: AsBuilt, unit: UnitBuilt): AsBuilt {
  return { ...asBuilt, units: asBuilt.units.map((one) => (one.id === unit.id ? unit : one)) }
}
export function withObstruction(asBuilt: AsBuilt, wallId: WallId, obstruction: ObstructionBuilt): AsBuilt {
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
