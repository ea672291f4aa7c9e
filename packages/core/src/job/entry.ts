import type { Person } from './person.js'
import type { Condition } from '../answer/ask.js'
import type {
  GapMeasured,
  ObstructionBuilt,
  StringBuilt,
  UnitBuilt,
  WallBuilt,
} from '../as-built/as-built.js'
import type { BranchBuilt, DeviceBuilt, PlaneBuilt } from '../array/places.js'
import type { Bond, EarthPart } from '../earthing/bond.js'
import type { NetworkConductor, NetworkPart } from '../ac/one-line.js'
import type { DefectStepName } from './defect-process.js'
import type { Answer } from '../answer/forms.js'
import type { Severity } from '../sheet/terms.js'
import type { Relation, DecisionRule } from '../verdict/decision.js'
import type { Instrument } from '../instrument/instrument.js'

/** A photo that an entry shows; the digest ties the record to the very file. */
export interface PhotoRef {
  id: string
  sha256: string
  caption?: string | undefined
}

export interface PinnedSheet {
  id: string
  maker: string
  model: string
  revision: string
  /** SHA-256 of the canonical JSON of the sheet. */
  fingerprint: string
}

export interface JobHeader {
  number: string
  title: string
  site: string
  customer: string
  school: 'iec' | 'nec'
  units: 'metric' | 'us'
  rule: DecisionRule
  sheets: PinnedSheet[]
  /** How protective conductors are sized; by the table when nobody chose. */
  earthMethod?: 'table' | 'adiabatic' | undefined
  /** The authority insists on copper bonds. */
  copperBonds?: boolean | undefined
  /** Lowest temperature of the site, °C: for the coldest morning. */
  coldest?: number | undefined
}
/** What may be changed of a job after it was opened; sheets are adopted one by one. */
export type JobAmendment = Partial<Omit<JobHeader, 'sheets' | 'number'>>

export interface ReadingBody {
  point: string
  typed: string
  /** Canonical. */
  value: number
  unit: string
  relation: Relation
  instrument?: Instrument | undefined
  conditions?: Partial<Record<Condition, number>> | undefined
  note?: string | undefined
  photos?: PhotoRef[] | undefined
}

/** Everything that can be written into a job, by kind. Entries are appended, never changed. */
export interface EntryBodies {
  'job-opened': JobHeader
  shared: { person: Person }
  'unit-fitted': UnitBuilt
  'unit-removed': { unitId: string }
  'job-amended': JobAmendment
  /** Pins another sheet; with `replaces`, the units of that one are judged by it from here on. */
  'sheet-adopted': { sheet: PinnedSheet; replaces?: string | undefined }
  'wall-measured': Omit<WallBuilt, 'obstructions' | 'gaps'>
  'wall-removed': { wallId: string }
  'obstruction-measured': { wallId: string; obstruction: ObstructionBuilt }
  'obstruction-removed': { wallId: string; obstructionId: string }
  'gap-measured': { wallId: string; gap: GapMeasured }
  'gap-removed': { wallId: string; gapId: string }
  'string-built': StringBuilt
  'string-removed': { stringId: string }
  'plane-built': PlaneBuilt
  'plane-removed': { planeId: string }
  'devices-fitted': { devices: DeviceBuilt[] }
  'devices-removed': { deviceIds: string[] }
  'branch-built': BranchBuilt
  'branch-removed': { branchId: string }
  'serials-reported': { unitId: string; serials: string[] }
  'earth-part-found': EarthPart
  'earth-part-removed': { partId: string }
  'bond-made': Bond
  'bond-removed': { bondId: string }
  'part-placed': NetworkPart
  'part-removed': { partId: string }
  'conductor-run': NetworkConductor
  'conductor-removed': { conductorId: string }
  reading: ReadingBody
  observation: { point: string; seen: boolean; note?: string | undefined; photos?: PhotoRef[] | undefined }
  record: {
    point: string
    answer: Answer
    instrument?: Instrument | undefined
    note?: string | undefined
    photos?: PhotoRef[] | undefined
  }
  'evidence-struck': { entryId: string; reason: string }
  'defect-raised': {
    defectId: string
    checkId: string
    severity: Severity
    title: string
    place: string
    finding: string
    remedy: string
    note?: string | undefined
    photos?: PhotoRef[] | undefined
  }
  'defect-step': { defectId: string; step: DefectStepName; note: string; photos?: PhotoRef[] | undefined }
  'calculation-kept': {
    calculator: string
    title: string
    /** As the calculator takes it; the result is worked out again wherever it is shown. */ input: Record<
      string,
      unknown
    >
    note?: string | undefined
  }
  signed: {
    licence: string
    statement: string
    /** PNG of the signature, as a data URL. */ drawing: string
    sealedHead: string
  }
}
export type EntryKind = keyof EntryBodies

export interface EntryOf<K extends EntryKind> {
  /** Made by the client, UUID v7: a repeated send is harmless. */
  id: string
  jobId: string
  kind: K
  /** When it happened, by the clock of the device, ISO 8601 with offset. */
  at: string
  body: EntryBodies[K]
  by: Person
  /** Place in the job, from 1. */
  seq: number
  /** Hash of the entry before, "" for the first. */
  prev: string
  hash: string
}
export type Entry = { [K in EntryKind]: EntryOf<K> }[EntryKind]

/** What a client sends; the server adds who, where and the hashes. */
export type NewEntry = { [K in EntryKind]: Pick<EntryOf<K>, 'id' | 'kind' | 'at' | 'body'> }[EntryKind]
