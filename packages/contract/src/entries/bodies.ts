import type { EntryBodies, EntryKind } from '@plumb-mark/core'
import {
  BranchBuiltDto,
  BranchRemovedDto,
  DevicesFittedDto,
  DevicesRemovedDto,
  PlaneBuiltDto,
  PlaneRemovedDto,
  SerialsReportedDto,
  StringBuiltDto,
  StringRemovedDto,
} from './array.dto.js'
import {
  BondMadeDto,
  BondRemovedDto,
  ConductorRemovedDto,
  ConductorRunDto,
  EarthPartFoundDto,
  PartPlacedDto,
  PartRemovedDto,
} from './electrical.dto.js'
import { ConfirmedDto } from './confirmed.dto.js'
import { DeviceConnectedDto, DeviceDisconnectedDto } from './device.dto.js'
import {
  CalculationKeptDto,
  DefectAmendedDto,
  DefectRaisedDto,
  DefectStepDto,
  EvidenceStruckDto,
  HandedOverDto,
  NotApplicableDto,
  ObservationDto,
  PhotosAddedDto,
  ReadingDto,
  RecordDto,
  SignedDto,
  WalkedOverDto,
} from './evidence.dto.js'
import { JobAmendedDto, JobOpenedDto, SharedDto, SheetAdoptedDto, UnsharedDto } from './job.dto.js'
import {
  GapMeasuredDto,
  GapRemovedDto,
  ObstructionMeasuredDto,
  ObstructionRemovedDto,
  ReplacedDto,
  UnitFittedDto,
  UnitRemovedDto,
  WallMeasuredDto,
  WallPhotoRemovedDto,
  WallPhotographedDto,
  WallRemovedDto,
} from './mounting.dto.js'
import { RemarkAnsweredDto, ReturnedDto, SecondReadDto, SecondReaderAskedDto } from './returned.dto.js'
import { PhotosAlignedDto } from './photos-aligned.dto.js'

/** The class that a body of each kind must fit on the wire. */
export const BODY_CLASSES = {
  'job-opened': JobOpenedDto,
  shared: SharedDto,
  unshared: UnsharedDto,
  'job-amended': JobAmendedDto,
  'sheet-adopted': SheetAdoptedDto,
  'unit-fitted': UnitFittedDto,
  'unit-removed': UnitRemovedDto,
  'wall-measured': WallMeasuredDto,
  'wall-removed': WallRemovedDto,
  'obstruction-measured': ObstructionMeasuredDto,
  'obstruction-removed': ObstructionRemovedDto,
  'gap-measured': GapMeasuredDto,
  'gap-removed': GapRemovedDto,
  'wall-photographed': WallPhotographedDto,
  'wall-photo-removed': WallPhotoRemovedDto,
  'string-built': StringBuiltDto,
  'string-removed': StringRemovedDto,
  'plane-built': PlaneBuiltDto,
  'plane-removed': PlaneRemovedDto,
  'devices-fitted': DevicesFittedDto,
  'devices-removed': DevicesRemovedDto,
  'branch-built': BranchBuiltDto,
  'branch-removed': BranchRemovedDto,
  'serials-reported': SerialsReportedDto,
  'earth-part-found': EarthPartFoundDto,
  'earth-part-removed': PartRemovedDto,
  'bond-made': BondMadeDto,
  'bond-removed': BondRemovedDto,
  'part-placed': PartPlacedDto,
  'part-removed': PartRemovedDto,
  'conductor-run': ConductorRunDto,
  'conductor-removed': ConductorRemovedDto,
  'device-connected': DeviceConnectedDto,
  'device-disconnected': DeviceDisconnectedDto,
  reading: ReadingDto,
  observation: ObservationDto,
  'walked-over': WalkedOverDto,
  confirmed: ConfirmedDto,
  replaced: ReplacedDto,
  'photos-added': PhotosAddedDto,
  record: RecordDto,
  'not-applicable': NotApplicableDto,
  'evidence-struck': EvidenceStruckDto,
  'defect-raised': DefectRaisedDto,
  'defect-amended': DefectAmendedDto,
  'defect-step': DefectStepDto,
  'calculation-kept': CalculationKeptDto,
  'photos-aligned': PhotosAlignedDto,
  'handed-over': HandedOverDto,
  returned: ReturnedDto,
  'remark-answered': RemarkAnsweredDto,
  'second-reader-asked': SecondReaderAskedDto,
  'second-read': SecondReadDto,
  signed: SignedDto,
} satisfies Record<EntryKind, new () => object>

/** A type with every field spelt out: whether it may be absent, and what it holds. */
// An id is text on the wire, whatever it names.
type SpeltOut<T> = T extends string
  ? string extends T
    ? string
    : T
  : T extends readonly (infer One)[]
    ? SpeltOut<One>[]
    : T extends object
      ? {
          [K in keyof T]-?: [
            undefined extends T[K] ? 'may be absent' : 'must be there',
            SpeltOut<Exclude<T[K], undefined>>,
          ]
        }
      : T
type Same<A, B> =
  SpeltOut<A> extends SpeltOut<B>
    ? SpeltOut<B> extends SpeltOut<A>
      ? true
      : 'the body lacks a field'
    : 'the class lacks a field'

type Ties = { [K in EntryKind]: Same<InstanceType<(typeof BODY_CLASSES)[K]>, EntryBodies[K]> }
type Tied<T extends Record<EntryKind, true>> = T

/** Each class and the body that core reads have the same fields, in both directions: a field in one alone does not compile here. */
export type BodiesAndClasses = Tied<Ties>
