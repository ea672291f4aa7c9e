import type { Figure } from '../quantity/figure.js'
import { type Message, msg } from '../quantity/message.js'
import type { UnitBuilt } from '../as-built/unit.js'
import type { StringInForce } from '../as-built/strings-in-force.js'
import type { JudgementContext } from './judgement-context.js'
import type { EvidenceInput, ReadingInput } from './evidence-input.js'
import type { Ask } from '../answer/ask.js'
import { placeInManual } from '../sheet/place.js'
import { whenField } from '../sheet/when.js'
import { CARRIED_INSTRUMENTS } from '../instrument/instrument-kinds.js'
import type { BranchBuilt, DeviceBuilt, PlaneBuilt } from '../array/places.js'
import type { Bond } from '../earthing/bond.js'
import type { NetworkConductor, NetworkPart } from '../ac/one-line.js'
import {
  flag,
  list,
  object,
  oneOf,
  optional,
  text,
  type ObjectShape,
  type Read,
  type Shape,
} from '../shape/shape.js'
import type { JudgedVerdict } from '../verdict/verdict.js'
import { STAGES } from '../sheet/stages.js'
import type { SheetHead } from '../sheet/head.js'
import { NEEDS, SEVERITIES } from '../sheet/terms.js'
import type { Terminal } from '../sheet/terminal.js'

/** What every requirement says, whatever its kind. */
export const commonFields = {
  id: text('unique within the sheet'),
  stage: oneOf(STAGES),
  clause: text('where the source document says so'),
  printed: optional(placeInManual),
  title: text(),
  severity: oneOf(SEVERITIES),
  remedy: text('what must be done when it fails, in plain words'),
  instrument: optional(oneOf(CARRIED_INSTRUMENTS)),
  point: optional(text('requirements with one point judge one and the same reading')),
  when: optional(whenField),
  photo: optional(flag('nothing is proven without a photo')),
  needs: optional(
    list(oneOf(NEEDS), { mayBeEmpty: true, about: 'conditions without which the check means nothing' }),
  ),
  tools: optional(list(text(), { mayBeEmpty: true, about: 'tools that this check takes' })),
  equipment: optional(
    list(text(), { mayBeEmpty: true, about: 'protective equipment that this check takes' }),
  ),
}
export type Common = Read<ObjectShape<typeof commonFields>>

export const SUBJECT_KINDS = [
  'unit',
  'terminal',
  'string',
  'side',
  'device',
  'branch',
  'plane',
  'bond',
  'conductor',
  'part',
] as const

/** The thing a check is about. */
export interface Subject {
  kind: (typeof SUBJECT_KINDS)[number]
  /** Unique among the subjects of one requirement and unit. */
  id: string
  label: string
  terminal?: Terminal
  string?: StringInForce
  device?: DeviceBuilt
  branch?: BranchBuilt
  plane?: PlaneBuilt
  bond?: Bond
  conductor?: NetworkConductor
  part?: NetworkPart
}

/** What a kind says of a piece of evidence. */
export interface Judgement {
  verdict: JudgedVerdict
  working: Message[]
  notes: Message[]
  /** What fell short, in a few words: "short by 35 mm". */
  finding: Message
  /** What would prove it, when it is not proven. */
  wanting?: Message
  /** Ranked causes and what to look at first. */
  causes?: Message[]
  /** The same gap seen from the other unit: one defect covers both. */
  seenAlsoFrom?: { unitId: string; subjectId: string }
}

/** Parts of a job that a judgement may look at; `units` are the others and their sheets, `readings` the evidence at other points. */
export type Reads = 'walls' | 'array' | 'earthing' | 'network' | 'units' | 'readings'

/**
 * A kind of requirement, in one file: what its fields are, how long a check of it takes, into which subjects it expands on a unit, what
 * it asks, how its limits read and how it judges and explains. To add one, write such a file and name it in `index.ts`.
 */
export interface Kind<R extends Common = Common> {
  shape: Shape<unknown>
  /** Minutes that one check usually takes; the office may say otherwise. */
  minutes: number
  /**
   * What of its surroundings it looks at, besides the requirement, its unit and its own evidence: what
   * changes elsewhere is no concern of it.
   */
  reads(requirement: R): readonly Reads[]
  expand(
    requirement: R,
    unit: UnitBuilt,
    sheet: Pick<SheetHead, 'terminals'>,
    context: JudgementContext,
  ): Subject[]
  ask(requirement: R, subject: Subject, context: JudgementContext, unit: UnitBuilt): Ask
  /** The limit in words and figures, known before anything is read. */
  required(requirement: R, subject: Subject, context: JudgementContext, unit: UnitBuilt): Message
  judge(
    requirement: R,
    subject: Subject,
    evidence: EvidenceInput | undefined,
    context: JudgementContext,
    unit: UnitBuilt,
  ): Judgement | undefined
}

type Fields = Record<string, Shape<unknown>>

/** The shape of a kind's requirements: its own fields beside the common ones. */
export const requirementOf = <F extends Fields>(fields: F) => object({ ...commonFields, ...fields })

/** Puts a kind together, so that its methods know the fields of its shape. */
export function defineKind<S extends Shape<Common>>(
  shape: S,
  methods: Omit<Kind<Read<S> & Common>, 'shape'>,
): { shape: S } & Omit<Kind<Read<S> & Common>, 'shape'> {
  return { shape, ...methods }
}

/** The verdict of a reading is at best not proven when nobody wrote down with what it was taken. */
export function withInstrument(
  verdict: JudgedVerdict,
  evidence: Pick<ReadingInput, 'instrument' | 'uncertainty'>,
  sayWidth: (value: number) => Figure | Message,
): { verdict: JudgedVerdict; wanting: Message } {
  if (evidence.instrument)
    return {
      verdict,
      wanting: msg`too near the limit for an instrument that is good to ± ${sayWidth(evidence.uncertainty)} here: use a finer one, or bring the value clear of the limit`,
    }
  return {
    verdict: verdict === 'conforms' ? 'not-proven' : verdict,
    wanting: 'choose the instrument: without its uncertainty the reading proves nothing',
  }
}
