import { NOTHING_BUILT, type AsBuilt, type WallBuilt } from '../as-built/as-built.js'
import type { Entry, EntryKind, EntryOf, JobHeader, Person } from './entry.js'

/** When something was entered: by the device's clock, and by its place in the job where clocks agree. */
export interface Moment {
  at: string
  seq: number
}

export function isLater(a: Moment, b: Moment): boolean {
  return a.at === b.at ? a.seq > b.seq : Date.parse(a.at) > Date.parse(b.at)
}

export type Evidence = (EntryOf<'reading'> | EntryOf<'observation'>) & { struck?: { by: Person; at: string; reason: string } }

export interface RaisedDefect {
  raised: EntryOf<'defect-raised'>
  steps: EntryOf<'defect-step'>[]
}

/** What the entries of a job add up to. */
export interface JobState {
  header: JobHeader | undefined
  asBuilt: AsBuilt
  /** By measuring point, oldest first; the last one that is not struck is in force. */
  evidence: ReadonlyMap<string, readonly Evidence[]>
  /** When each wall, or something on it, was last measured. */
  wallMeasured: ReadonlyMap<string, Moment>
  defects: ReadonlyMap<string, RaisedDefect>
  calculations: readonly EntryOf<'calculation-kept'>[]
  sharedWith: readonly Person[]
  seal: EntryOf<'signed'> | undefined
  head: Pick<Entry, 'seq' | 'hash'> | undefined
}

/** Folds the entries of one job, in their order, into its state. */
export function fold(entries: readonly Entry[]): JobState {
  const draft: Draft = { header: undefined, asBuilt: structuredCopy(NOTHING_BUILT), evidence: new Map(), wallMeasured: new Map(), defects: new Map(), calculations: [], sharedWith: [], seal: undefined, head: undefined }
  for (const entry of entries) {
    ;(STEPS[entry.kind] as (draft: Draft, entry: Entry) => void)(draft, entry)
    draft.head = { seq: entry.seq, hash: entry.hash }
  }
  for (const rows of draft.evidence.values()) rows.sort((a, b) => (isLater(a, b) ? 1 : -1))
  return draft
}

interface Draft extends Omit<JobState, 'evidence' | 'wallMeasured' | 'defects' | 'calculations' | 'sharedWith'> {
  evidence: Map<string, Evidence[]>
  wallMeasured: Map<string, Moment>
  defects: Map<string, RaisedDefect>
  calculations: EntryOf<'calculation-kept'>[]
  sharedWith: Person[]
}

const structuredCopy = ({ units, walls, strings }: AsBuilt): AsBuilt => ({ units: [...units], walls: [...walls], strings: [...strings] })

/** What each kind of entry does to the state. A new kind of entry will not compile until it has a row. */
const STEPS: { [K in EntryKind]: (draft: Draft, entry: EntryOf<K>) => void } = {
  'job-opened': (draft, { body }) => void (draft.header = body),
  shared: (draft, { body }) => {
    if (!draft.sharedWith.some(({ id }) => id === body.person.id)) draft.sharedWith.push(body.person)
  },
  'unit-fitted': (draft, entry) => {
    const before = draft.asBuilt.units.find(({ id }) => id === entry.body.id)
    draft.asBuilt.units = put(draft.asBuilt.units, entry.body)
    touch(draft, entry, before?.place?.wallId, entry.body.place?.wallId)
  },
  'unit-removed': (draft, entry) => {
    touch(draft, entry, draft.asBuilt.units.find(({ id }) => id === entry.body.unitId)?.place?.wallId)
    draft.asBuilt.units = draft.asBuilt.units.filter(({ id }) => id !== entry.body.unitId)
  },
  'wall-measured': (draft, entry) => {
    const before = draft.asBuilt.walls.find(({ id }) => id === entry.body.id)
    draft.asBuilt.walls = put(draft.asBuilt.walls, { ...entry.body, obstructions: before?.obstructions ?? [] })
    touch(draft, entry, entry.body.id)
  },
  'obstruction-measured': (draft, entry) => onWall(draft, entry, (wall) => ({ ...wall, obstructions: put(wall.obstructions, entry.body.obstruction) })),
  'obstruction-removed': (draft, entry) => onWall(draft, entry, (wall) => ({ ...wall, obstructions: wall.obstructions.filter(({ id }) => id !== entry.body.obstructionId) })),
  'string-built': (draft, { body }) => void (draft.asBuilt.strings = put(draft.asBuilt.strings, body)),
  reading: keepEvidence,
  observation: keepEvidence,
  'evidence-struck': (draft, { body, by, at }) => {
    for (const [point, rows] of draft.evidence) draft.evidence.set(point, rows.map((row) => (row.id === body.entryId ? { ...row, struck: { by, at, reason: body.reason } } : row)))
  },
  'defect-raised': (draft, entry) => {
    if (!draft.defects.has(entry.body.defectId)) draft.defects.set(entry.body.defectId, { raised: entry, steps: [] })
  },
  'defect-step': (draft, entry) => {
    const defect = draft.defects.get(entry.body.defectId)
    if (defect) draft.defects.set(entry.body.defectId, { ...defect, steps: [...defect.steps, entry] })
  },
  'calculation-kept': (draft, entry) => void draft.calculations.push(entry),
  signed: (draft, entry) => void (draft.seal = entry),
}

function keepEvidence(draft: Draft, entry: Evidence): void {
  const rows = draft.evidence.get(entry.body.point)
  if (rows) rows.push(entry)
  else draft.evidence.set(entry.body.point, [entry])
}

function onWall(draft: Draft, entry: EntryOf<'obstruction-measured'> | EntryOf<'obstruction-removed'>, change: (wall: WallBuilt) => WallBuilt): void {
  draft.asBuilt.walls = draft.asBuilt.walls.map((wall) => (wall.id === entry.body.wallId ? change(wall) : wall))
  touch(draft, entry, entry.body.wallId)
}

function touch(draft: Draft, { at, seq }: Entry, ...wallIds: (string | undefined)[]): void {
  for (const wallId of wallIds) if (wallId) draft.wallMeasured.set(wallId, { at, seq })
}

/** Replaces the one with the same id in its place, or adds at the end. */
function put<T extends { id: string }>(all: readonly T[], one: T): T[] {
  return all.some(({ id }) => id === one.id) ? all.map((old) => (old.id === one.id ? one : old)) : [...all, one]
}

/** The evidence in force at a point: the latest that was not struck out. */
export function inForce(rows: readonly Evidence[] | undefined): Evidence | undefined {
  return rows?.findLast(({ struck }) => !struck)
}
