import type { Instrument } from '../../job/instrument.js'
import type { JobHeader } from '../../job/entry.js'
import type { AsBuilt, StringBuilt, UnitBuilt, WallBuilt } from '../../as-built/as-built.js'
import type { BranchBuilt, DeviceBuilt, PlaneBuilt } from '../../as-built/array.js'
import type { Bond } from '../../as-built/earthing.js'
import type { NetworkConductor, NetworkPart } from '../../as-built/network.js'
import type { ConductorLoad } from '../../ac/network.js'
import type { PartLoad } from '../../ac/part-loads.js'
import type { ArrayLookup } from '../../array/layout.js'
import type { Dimension } from '../../quantity/units.js'
import type { Relation, DecisionRule } from '../../verdict/decision.js'
import { flag, list, object, oneOf, optional, text, type ObjectShape, type Read, type Shape } from '../../verdict/shape.js'
import type { JudgedVerdict } from '../../verdict/verdict.js'
import type { UnitClearance } from '../../wall/clearance.js'
import { STAGES } from '../../walk/stages.js'
import type { Answer, AnswerOf, Form, FormName } from '../forms.js'
import type { SheetHead } from '../head.js'
import { INSTRUMENT_KINDS, NEEDS, SEVERITIES, type InstrumentKind } from '../terms.js'
import type { Terminal } from '../terminal.js'
import { whenField } from '../when.js'

/** What every requirement says, whatever its kind. */
export const commonFields = {
  id: text('unique within the sheet'),
  stage: oneOf(STAGES),
  clause: text('where the source document says so'),
  title: text(),
  severity: oneOf(SEVERITIES),
  remedy: text('what must be done when it fails, in plain words'),
  instrument: optional(oneOf(INSTRUMENT_KINDS)),
  point: optional(text('requirements with one point judge one and the same reading')),
  when: optional(whenField),
  photo: optional(flag('nothing is proven without a photo')),
  needs: optional(list(oneOf(NEEDS), { mayBeEmpty: true, about: 'conditions without which the check means nothing' })),
  tools: optional(list(text(), { mayBeEmpty: true, about: 'tools that this check takes' })),
  equipment: optional(list(text(), { mayBeEmpty: true, about: 'protective equipment that this check takes' })),
}
export type Common = Read<ObjectShape<typeof commonFields>>

export const SUBJECT_KINDS = ['unit', 'terminal', 'string', 'side', 'device', 'branch', 'plane', 'bond', 'conductor', 'part'] as const

/** The thing a check is about. */
export interface Subject {
  kind: (typeof SUBJECT_KINDS)[number]
  /** Unique among the subjects of one requirement and unit. */
  id: string
  label: string
  terminal?: Terminal
  string?: StringBuilt
  device?: DeviceBuilt
  branch?: BranchBuilt
  plane?: PlaneBuilt
  bond?: Bond
  conductor?: NetworkConductor
  part?: NetworkPart
}

/** Where a check without a question of its own reads its facts. */
export type DerivedFrom = 'wall' | 'array' | 'earthing' | 'network' | 'units'

/** What the inspector is asked for. */
export type Ask =
  | { kind: 'reading'; dimension: Dimension; unit: string; instrument: InstrumentKind | undefined; conditions: readonly Condition[]; signed: boolean }
  | { kind: 'observation'; question: string }
  | ({ kind: 'record'; instrument?: InstrumentKind | undefined } & Form)
  | { kind: 'derived'; from: DerivedFrom }

/** What is noted beside a reading: at the module, in the light, on the tester. */
export const CONDITIONS = ['cellTemperature', 'irradiance', 'testVoltage'] as const
export type Condition = (typeof CONDITIONS)[number]

interface Seen {
  /** How many photos go with it. */
  photos?: number
}
/** A reading as it enters a judgement; the uncertainty is that of its instrument at this value. */
export interface GivenReading extends Seen {
  kind: 'reading'
  value: number
  relation: Relation
  instrument: Instrument | undefined
  uncertainty: number
  conditions: Partial<Record<Condition, number>>
}
export interface GivenObservation extends Seen {
  kind: 'observation'
  seen: boolean
}
/** An answer of several parts, in the form that was asked for. */
export interface GivenRecord extends Seen {
  kind: 'record'
  answer: Answer
  instrument: Instrument | undefined
}
export type Given = GivenReading | GivenObservation | GivenRecord

/** The answer, when there is one in the form that a kind asks for. */
export function answered<F extends FormName>(given: Given | undefined, form: F): AnswerOf<F> | undefined {
  // Which form it has was checked when it was read: `readAnswer` refuses another.
  return given?.kind === 'record' && form ? (given.answer as AnswerOf<F>) : undefined
}

/** A unit as measured on its wall: the wall and what the clearance calculator says of it. */
export interface OnWall {
  wall: WallBuilt
  result: UnitClearance
  collidesWith: string[]
}

/** All that a judgement may look at besides the evidence itself. */
export interface World {
  asBuilt: AsBuilt
  rule: DecisionRule
  header: JobHeader | undefined
  sheetOf(unitId: string): SheetHead | undefined
  onWall(unitId: string): OnWall | undefined
  /** The modules of the array by their places; made when first asked for. */
  array(): ArrayLookup
  /** What every conductor of the one-line model carries; worked out when first asked for. */
  loads(): ConductorLoad[]
  /** The same for every part. */
  partLoads(): PartLoad[]
  /** The reading in force at a point, for kinds that compare several. */
  reading(point: string): GivenReading | undefined
  labelOf(id: string): string
}

/** What a kind says of a piece of evidence. */
export interface Judgement {
  verdict: JudgedVerdict
  working: string[]
  notes: string[]
  /** What fell short, in a few words: "short by 35 mm". */
  finding: string
  /** What would prove it, when it is not proven. */
  wanting?: string
  /** Ranked causes and what to look at first. */
  causes?: string[]
  /** The same gap seen from the other unit: one defect covers both. */
  seenAlsoFrom?: { unitId: string; subjectId: string }
}

/**
 * A kind of requirement, in one file: what its fields are, how long a check of it takes, into which subjects it expands on a unit, what
 * it asks, how its limits read and how it judges and explains. To add one, write such a file and name it in `index.ts`.
 */
export interface Kind<R extends Common = Common> {
  shape: Shape<unknown>
  /** Minutes that one check usually takes; the office may say otherwise. */
  minutes: number
  expand(requirement: R, unit: UnitBuilt, sheet: Pick<SheetHead, 'terminals'>, world: World): Subject[]
  ask(requirement: R, subject: Subject, world: World, unit: UnitBuilt): Ask
  /** The limit in words and figures, known before anything is read. */
  required(requirement: R, subject: Subject, world: World, unit: UnitBuilt): string
  judge(requirement: R, subject: Subject, given: Given | undefined, world: World, unit: UnitBuilt): Judgement | undefined
}

type Fields = Record<string, Shape<unknown>>

/** The shape of a kind's requirements: its own fields beside the common ones. */
export const requirementOf = <F extends Fields>(fields: F) => object({ ...commonFields, ...fields })

/** Puts a kind together, so that its methods know the fields of its shape. */
export function defineKind<S extends Shape<Common>>(shape: S, methods: Omit<Kind<Read<S> & Common>, 'shape'>): { shape: S } & Omit<Kind<Read<S> & Common>, 'shape'> {
  return { shape, ...methods }
}

/** The verdict of a reading is at best not proven when nobody wrote down with what it was taken. */
export function withInstrument(verdict: JudgedVerdict, given: Pick<GivenReading, 'instrument' | 'uncertainty'>, say: (value: number) => string): { verdict: JudgedVerdict; wanting: string } {
  if (given.instrument) return { verdict, wanting: `too near the limit for an instrument that is good to ± ${say(given.uncertainty)} here: use a finer one, or bring the value clear of the limit` }
  return { verdict: verdict === 'conforms' ? 'not-proven' : verdict, wanting: 'choose the instrument: without its uncertainty the reading proves nothing' }
}
