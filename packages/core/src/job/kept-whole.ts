import { RELATIONS } from '../quantity/relation.js'
import { CONDITIONS } from '../answer/ask.js'
import type { Answer } from '../answer/forms.js'
import { photoReadingShape } from '../answer/photo-reading.js'
import { photoRefShape } from '../answer/photo-ref.js'
import type { CheckId, DefectId, DeviceId, EntryId, PointId, RemarkId, SheetId, UnitId } from '../ids/ids.js'
import { dayField } from '../shape/time.js'
import { deviceWordShape } from '../device/word.js'
import { instrumentShape } from '../instrument/instrument.js'
import { SEVERITIES } from '../sheet/terms.js'
import {
  anyText,
  dictionary,
  flag,
  jsonObject,
  list,
  num,
  object,
  oneOf,
  optional,
  text,
  type Read,
} from '../shape/shape.js'
import { DEFECT_STEPS } from './defect-process.js'
import type { EntryWith } from './entry-with.js'
import { personShape } from './person.js'

/** What the entries of evidence, defects, calculations and signatures hold: the state keeps these entries whole. */
const note = optional(anyText())
const photos = optional(list(photoRefShape, { mayBeEmpty: true }))
const sheetId = optional(
  text<SheetId>('of the sheet that asked, as it stood on the device: others may have adopted another'),
)
const [cellTemperature, irradiance, testVoltage] = CONDITIONS

export const readingShape = object({
  point: text<PointId>(),
  typed: anyText(),
  value: num({ about: 'canonical' }),
  unit: anyText(),
  relation: oneOf(RELATIONS),
  instrument: optional(instrumentShape),
  word: optional(deviceWordShape),
  offPhoto: optional(photoReadingShape),
  conditions: optional(
    object({
      [cellTemperature]: optional(num({ unit: '°C' })),
      [irradiance]: optional(num({ unit: 'W/m²' })),
      [testVoltage]: optional(num({ unit: 'V' })),
    }),
  ),
  sheetId,
  note,
  photos,
})

export const observationShape = object({ point: text<PointId>(), seen: flag(), sheetId, note, photos })

/** One look along several places: what is said of each, in one act with its photo. Only what is right is said so; what is wrong is named singly. */
export const walkedOverShape = object({
  points: list(text<PointId>()),
  sheets: optional(dictionary(text<SheetId>(), 'the sheet that asked, by unit')),
  note,
  photos,
})

export const recordShape = object({
  point: text<PointId>(),
  // Read against the form of the check that it answers, when there is one.
  answer: jsonObject<Answer>(),
  instrument: optional(instrumentShape),
  word: optional(deviceWordShape),
  sheetId,
  note,
  photos,
})

/** That one check does not apply to what stands here, with the reason. It answers that check, and no other that is judged at its point. */
export const notApplicableShape = object({
  point: text<PointId>(),
  checkId: text<CheckId>(),
  reason: text('why it does not apply here'),
  sheetId,
  note,
  photos,
})

/** Photos that were taken of what had been answered already. */
export const photosAddedShape = object({ entryId: text<EntryId>(), photos: list(photoRefShape) })

export const evidenceStruckShape = object({ entryId: text<EntryId>(), reason: anyText() })

export const defectRaisedShape = object({
  defectId: text<DefectId>(),
  checkId: text<CheckId>(),
  severity: oneOf(SEVERITIES),
  title: anyText(),
  place: anyText(),
  finding: anyText(),
  remedy: anyText(),
  note,
  photos,
})

/** What is said otherwise of a defect after it was raised; what is left out stays as it was. */
export const defectAmendedShape = object({
  defectId: text<DefectId>(),
  severity: optional(oneOf(SEVERITIES)),
  title: optional(text()),
  place: optional(text()),
  finding: optional(text()),
  remedy: optional(text()),
  due: optional(dayField),
  responsible: optional(text('who puts it right: a person or a firm')),
  reason: optional(text('why the severity is another')),
})

export const defectStepShape = object({
  defectId: text<DefectId>(),
  step: oneOf(DEFECT_STEPS),
  note: anyText(),
  photos,
})

export const calculationKeptShape = object({
  calculator: text(),
  title: anyText(),
  // As the calculator takes it; the result is worked out again wherever it is shown.
  input: jsonObject<Record<string, unknown>>(),
  note,
})

/** One unit for another of its kind in the same place, or one device on the array map. */
export const replacedShape = object({
  unitId: text<UnitId>('the unit, or the one that stands for the device'),
  deviceId: optional(text<DeviceId>('a device on the array map; the unit itself where it is left out')),
  serialOut: anyText('of the one that was taken off'),
  serialIn: text('of the one that stands there now'),
  reason: text('why it was replaced'),
  whereabouts: text('where the old one went'),
})

/** A remark of the reviewer, about the job or one thing in it. */
export const remarkShape = object({
  id: text<RemarkId>(),
  text: text('what is to be done or explained'),
  checkId: optional(text<CheckId>()),
  defectId: optional(text<DefectId>()),
})

/** The job goes back from sign-off with what the reviewer wants answered. */
export const returnedShape = object({ remarks: list(remarkShape) })

export const remarkAnsweredShape = object({ remarkId: text<RemarkId>(), answer: text() })

/** Another person is to read the record before it is signed; nobody any more, where none is named. */
export const secondReaderShape = object({ person: optional(personShape) })

export const secondReadShape = object({
  statement: text('what the second reader says of the record'),
  readHead: text('hash of the last entry that was read'),
})

export const handedOverShape = object({
  to: text('who received it'),
  call: text('whom they call, with the number'),
  drawing: text('PNG of the signature, as a data URL'),
})

export const signedShape = object({
  licence: anyText(),
  statement: anyText(),
  drawing: text('PNG of the signature, as a data URL'),
  sealedHead: anyText(),
})

export type ReadingBody = Read<typeof readingShape>
export type EvidenceEntry =
  | EntryWith<ReadingBody, 'reading'>
  | EntryWith<Read<typeof observationShape>, 'observation'>
  | EntryWith<Read<typeof recordShape>, 'record'>
  | EntryWith<Read<typeof notApplicableShape>, 'not-applicable'>
export type DefectRaisedEntry = EntryWith<Read<typeof defectRaisedShape>, 'defect-raised'>
export type DefectStepEntry = EntryWith<Read<typeof defectStepShape>, 'defect-step'>
export type DefectAmendedEntry = EntryWith<Read<typeof defectAmendedShape>, 'defect-amended'>
export type SecondReadEntry = EntryWith<Read<typeof secondReadShape>, 'second-read'>
export type CalculationEntry = EntryWith<Read<typeof calculationKeptShape>, 'calculation-kept'>
export type SignedEntry = EntryWith<Read<typeof signedShape>, 'signed'>
export type ReplacedEntry = EntryWith<Read<typeof replacedShape>, 'replaced'>
export type HandedOverEntry = EntryWith<Read<typeof handedOverShape>, 'handed-over'>
