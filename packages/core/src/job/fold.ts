import type { Person } from './person.js'
import type { ArrayBuilt } from '../array/places.js'
import type { EarthBuilt } from '../earthing/bond.js'
import type { NetworkBuilt } from '../ac/one-line.js'
import { NOTHING_BUILT, type AsBuilt, type WallBuilt } from '../as-built/as-built.js'
import type { Entry, EntryKind, EntryOf, JobHeader } from './entry.js'

/** When something was entered: by the device's clock, and by its place in the job where clocks agree. */
export interface Moment {
  at: string
  seq: number
}

export function isLater(a: Moment, b: Moment): boolean {
  return a.at === b.at ? a.seq > b.seq : Date.parse(a.at) > Date.parse(b.at)
}

export type Evidence = (EntryOf<'reading'> | EntryOf<'observation'> | EntryOf<'record'>) & {
  struck?: { by: Person; at: string; reason: string }
}

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
  /** When what was built was last entered: by "wall" and its id, "array", "earthing", "units". */
  touched: ReadonlyMap<string, Moment>
  defects: ReadonlyMap<string, RaisedDefect>
  calculations: readonly EntryOf<'calculation-kept'>[]
  sharedWith: readonly Person[]
  seal: EntryOf<'signed'> | undefined
  head: Pick<Entry, 'seq' | 'hash'> | undefined
}

/** Folds the entries of one job, in their order, into its state. */
export function fold(entries: readonly Entry[]): JobState {
  const draft: Draft = {
    header: undefined,
    asBuilt: structuredCopy(NOTHING_BUILT),
    evidence: new Map(),
    touched: new Map(),
    defects: new Map(),
    calculations: [],
    sharedWith: [],
    seal: undefined,
    head: undefined,
  }
  for (const entry of entries) {
    ;(STEPS[entry.kind] as (draft: Draft, entry: Entry) => void)(draft, entry)
    draft.head = { seq: entry.seq, hash: entry.hash }
  }
  for (const rows of draft.evidence.values()) rows.sort((a, b) => (isLater(a, b) ? 1 : -1))
  return draft
}

interface Draft extends Omit<JobState, 'evidence' | 'touched' | 'defects' | 'calculations' | 'sharedWith'> {
  evidence: Map<string, Evidence[]>
  touched: Map<string, Moment>
  defects: Map<string, RaisedDefect>
  calculations: EntryOf<'calculation-kept'>[]
  sharedWith: Person[]
}

const structuredCopy = ({ units, walls, strings, array, earth, network }: AsBuilt): AsBuilt => ({
  units,
  walls,
  strings,
  array: { ...array },
  earth: { ...earth },
  network: { ...network },
})

/** What each kind of entry does to the state. A new kind of entry will not compile until it has a row. */
const STEPS: { [K in EntryKind]: (draft: Draft, entry: EntryOf<K>) => void } = {
  'job-opened': (draft, { body }) => void (draft.header = body),
  'job-amended': (draft, { body }) => {
    if (draft.header) draft.header = { ...draft.header, ...body }
  },
  'sheet-adopted': (draft, { body: { sheet, replaces } }) => {
    if (!draft.header) return
    draft.header = {
      ...draft.header,
      sheets: [...draft.header.sheets.filter(({ id }) => id !== replaces && id !== sheet.id), sheet],
    }
    draft.asBuilt.units = draft.asBuilt.units.map((unit) =>
      unit.sheetId === replaces ? { ...unit, sheetId: sheet.id } : unit,
    )
  },
  shared: (draft, { body }) => {
    if (!draft.sharedWith.some(({ id }) => id === body.person.id)) draft.sharedWith.push(body.person)
  },
  'unit-fitted': (draft, entry) => {
    const before = draft.asBuilt.units.find(({ id }) => id === entry.body.id)
    draft.asBuilt.units = put(draft.asBuilt.units, entry.body)
    touch(draft, entry, 'units', ...wallKeys(before?.place?.wallId, entry.body.place?.wallId))
  },
  'unit-removed': (draft, entry) => {
    touch(
      draft,
      entry,
      'units',
      ...wallKeys(draft.asBuilt.units.find(({ id }) => id === entry.body.unitId)?.place?.wallId),
    )
    draft.asBuilt.units = draft.asBuilt.units.filter(({ id }) => id !== entry.body.unitId)
  },
  'wall-measured': (draft, entry) => {
    const before = draft.asBuilt.walls.find(({ id }) => id === entry.body.id)
    draft.asBuilt.walls = put(draft.asBuilt.walls, {
      ...entry.body,
      obstructions: before?.obstructions ?? [],
      gaps: before?.gaps ?? [],
    })
    touch(draft, entry, ...wallKeys(entry.body.id))
  },
  'wall-removed': (draft, { body }) => {
    draft.asBuilt.walls = draft.asBuilt.walls.filter(({ id }) => id !== body.wallId)
    draft.asBuilt.units = draft.asBuilt.units.map((unit) =>
      unit.place?.wallId === body.wallId ? { ...unit, place: undefined } : unit,
    )
  },
  'obstruction-measured': (draft, entry) =>
    onWall(draft, entry, (wall) => ({
      ...wall,
      obstructions: put(wall.obstructions, entry.body.obstruction),
    })),
  'obstruction-removed': (draft, entry) =>
    onWall(draft, entry, (wall) => ({
      ...wall,
      obstructions: wall.obstructions.filter(({ id }) => id !== entry.body.obstructionId),
    })),
  'gap-measured': (draft, entry) =>
    onWall(draft, entry, (wall) => ({ ...wall, gaps: put(wall.gaps, entry.body.gap) })),
  'gap-removed': (draft, entry) =>
    onWall(draft, entry, (wall) => ({
      ...wall,
      gaps: wall.gaps.filter(({ id }) => id !== entry.body.gapId),
    })),
  'string-built': (draft, entry) => {
    draft.asBuilt.strings = put(draft.asBuilt.strings, entry.body)
    touch(draft, entry, 'array')
  },
  'string-removed': (draft, entry) => {
    draft.asBuilt.strings = without(draft.asBuilt.strings, entry.body.stringId)
    touch(draft, entry, 'array')
  },
  'plane-built': (draft, entry) =>
    onArray(draft, entry, ({ planes }) => ({ planes: put(planes, entry.body) })),
  'plane-removed': (draft, entry) =>
    onArray(draft, entry, ({ planes }) => ({ planes: without(planes, entry.body.planeId) })),
  'devices-fitted': (draft, entry) =>
    onArray(draft, entry, ({ devices }) => ({ devices: putAll(devices, entry.body.devices) })),
  'devices-removed': (draft, entry) =>
    onArray(draft, entry, ({ devices }) => ({ devices: without(devices, ...entry.body.deviceIds) })),
  'branch-built': (draft, entry) =>
    onArray(draft, entry, ({ branches }) => ({ branches: put(branches, entry.body) })),
  'branch-removed': (draft, entry) =>
    onArray(draft, entry, ({ branches }) => ({ branches: without(branches, entry.body.branchId) })),
  'serials-reported': (draft, entry) =>
    onArray(draft, entry, ({ reported }) => ({
      reported: { ...reported, [entry.body.unitId]: entry.body.serials },
    })),
  'earth-part-found': (draft, entry) =>
    onEarth(draft, entry, ({ parts }) => ({ parts: put(parts, entry.body) })),
  'earth-part-removed': (draft, entry) =>
    onEarth(draft, entry, ({ parts, bonds }) => ({
      parts: without(parts, entry.body.partId),
      bonds: bonds.filter(({ from, to }) => from !== entry.body.partId && to !== entry.body.partId),
    })),
  'bond-made': (draft, entry) => onEarth(draft, entry, ({ bonds }) => ({ bonds: put(bonds, entry.body) })),
  'bond-removed': (draft, entry) =>
    onEarth(draft, entry, ({ bonds }) => ({ bonds: without(bonds, entry.body.bondId) })),
  'part-placed': (draft, entry) =>
    onNetwork(draft, entry, ({ parts }) => ({ parts: put(parts, entry.body) })),
  'part-removed': (draft, entry) =>
    onNetwork(draft, entry, ({ parts, conductors }) => ({
      parts: without(parts, entry.body.partId),
      conductors: conductors.filter(({ from, to }) => from !== entry.body.partId && to !== entry.body.partId),
    })),
  'conductor-run': (draft, entry) =>
    onNetwork(draft, entry, ({ conductors }) => ({ conductors: put(conductors, entry.body) })),
  'conductor-removed': (draft, entry) =>
    onNetwork(draft, entry, ({ conductors }) => ({
      conductors: without(conductors, entry.body.conductorId),
    })),
  reading: keepEvidence,
  observation: keepEvidence,
  record: keepEvidence,
  'evidence-struck': (draft, { body, by, at }) => {
    for (const [point, rows] of draft.evidence)
      draft.evidence.set(
        point,
        rows.map((row) =>
          row.id === body.entryId ? { ...row, struck: { by, at, reason: body.reason } } : row,
        ),
      )
  },
  'defect-raised': (draft, entry) => {
    if (!draft.defects.has(entry.body.defectId))
      draft.defects.set(entry.body.defectId, { raised: entry, steps: [] })
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

type OnWallEntry =
  | EntryOf<'obstruction-measured'>
  | EntryOf<'obstruction-removed'>
  | EntryOf<'gap-measured'>
  | EntryOf<'gap-removed'>

function onWall(draft: Draft, entry: OnWallEntry, change: (wall: WallBuilt) => WallBuilt): void {
  draft.asBuilt.walls = draft.asBuilt.walls.map((wall) =>
    wall.id === entry.body.wallId ? change(wall) : wall,
  )
  touch(draft, entry, ...wallKeys(entry.body.wallId))
}

function onArray(draft: Draft, entry: Entry, change: (array: ArrayBuilt) => Partial<ArrayBuilt>): void {
  draft.asBuilt.array = { ...draft.asBuilt.array, ...change(draft.asBuilt.array) }
  touch(draft, entry, 'array')
}

function onEarth(draft: Draft, entry: Entry, change: (earth: EarthBuilt) => Partial<EarthBuilt>): void {
  draft.asBuilt.earth = { ...draft.asBuilt.earth, ...change(draft.asBuilt.earth) }
  touch(draft, entry, 'earthing')
}

function onNetwork(
  draft: Draft,
  entry: Entry,
  change: (network: NetworkBuilt) => Partial<NetworkBuilt>,
): void {
  draft.asBuilt.network = { ...draft.asBuilt.network, ...change(draft.asBuilt.network) }
  touch(draft, entry, 'network')
}

const wallKeys = (...ids: (string | undefined)[]): string[] => ids.flatMap((id) => (id ? [`wall ${id}`] : []))

function touch(draft: Draft, { at, seq }: Entry, ...keys: string[]): void {
  for (const key of keys) draft.touched.set(key, { at, seq })
}

const without = <T extends { id: string }>(all: readonly T[], ...ids: string[]): T[] =>
  all.filter(({ id }) => !ids.includes(id))

/** Many at once, in one pass: an array has thousands of boxes. */
function putAll<T extends { id: string }>(all: readonly T[], fresh: readonly T[]): T[] {
  const byId = new Map([...all, ...fresh].map((one) => [one.id, one]))
  return [...byId.values()]
}

/** Replaces the one with the same id in its place, or adds at the end. */
function put<T extends { id: string }>(all: readonly T[], one: T): T[] {
  return all.some(({ id }) => id === one.id)
    ? all.map((old) => (old.id === one.id ? one : old))
    : [...all, one]
}

/** The evidence in force at a point: the latest that was not struck out. */
export function inForce(rows: readonly Evidence[] | undefined): Evidence | undefined {
  return rows?.findLast(({ struck }) => !struck)
}
