import type { Read } from '../../shape/shape.js'
import {
  branchBuilt,
  branchRemoved,
  devicesFitted,
  devicesRemoved,
  planeBuilt,
  planeRemoved,
  serialsReported,
} from './array.js'
import { calculationKept } from './calculation.js'
import { confirmed } from './confirmed.js'
import { deviceConnected, deviceDisconnected } from './connection.js'
import { defectAmended, defectRaised, defectStep } from './defect.js'
import { bondMade, bondRemoved, earthPartFound, earthPartRemoved } from './earth.js'
import type { EntryKindRow } from './entry-kind.js'
import {
  evidenceStruck,
  notApplicable,
  observation,
  photosAdded,
  reading,
  record,
  walkedOver,
} from './evidence.js'
import { jobAmended, jobOpened, shared, sheetAdopted, unshared } from './job.js'
import { conductorRemoved, conductorRun, partPlaced, partRemoved } from './network.js'
import { handedOver } from './handed-over.js'
import { photosAligned } from './photos-aligned.js'
import { remarkAnswered, returned, secondRead, secondReaderAsked } from './returned.js'
import { replaced } from './replaced.js'
import { signed } from './signature.js'
import { stringBuilt, stringRemoved } from './string.js'
import { unitFitted, unitRemoved } from './unit.js'
import {
  gapMeasured,
  gapRemoved,
  obstructionMeasured,
  obstructionRemoved,
  wallMeasured,
  wallPhotographed,
  wallPhotoRemoved,
  wallRemoved,
} from './wall.js'

/** Everything that can be written into a job. A kind is a row in the file of its thing, and one line here. */
export const ENTRY_ROWS = {
  'job-opened': jobOpened,
  shared,
  unshared,
  'unit-fitted': unitFitted,
  'unit-removed': unitRemoved,
  'job-amended': jobAmended,
  'sheet-adopted': sheetAdopted,
  'wall-measured': wallMeasured,
  'wall-removed': wallRemoved,
  'obstruction-measured': obstructionMeasured,
  'obstruction-removed': obstructionRemoved,
  'gap-measured': gapMeasured,
  'gap-removed': gapRemoved,
  'wall-photographed': wallPhotographed,
  'wall-photo-removed': wallPhotoRemoved,
  'string-built': stringBuilt,
  'string-removed': stringRemoved,
  'plane-built': planeBuilt,
  'plane-removed': planeRemoved,
  'devices-fitted': devicesFitted,
  'devices-removed': devicesRemoved,
  'branch-built': branchBuilt,
  'branch-removed': branchRemoved,
  'serials-reported': serialsReported,
  'earth-part-found': earthPartFound,
  'earth-part-removed': earthPartRemoved,
  'bond-made': bondMade,
  'bond-removed': bondRemoved,
  'part-placed': partPlaced,
  'part-removed': partRemoved,
  'conductor-run': conductorRun,
  'conductor-removed': conductorRemoved,
  'device-connected': deviceConnected,
  'device-disconnected': deviceDisconnected,
  reading,
  observation,
  'walked-over': walkedOver,
  confirmed,
  replaced,
  'photos-added': photosAdded,
  record,
  'not-applicable': notApplicable,
  'evidence-struck': evidenceStruck,
  'defect-raised': defectRaised,
  'defect-amended': defectAmended,
  'defect-step': defectStep,
  'calculation-kept': calculationKept,
  'photos-aligned': photosAligned,
  'handed-over': handedOver,
  returned,
  'remark-answered': remarkAnswered,
  'second-reader-asked': secondReaderAsked,
  'second-read': secondRead,
  signed,
}
export type EntryKind = keyof typeof ENTRY_ROWS
export const ENTRY_KINDS = Object.keys(ENTRY_ROWS) as EntryKind[]

/** What an entry of each kind holds. */
export type EntryBodies = { [K in EntryKind]: Read<(typeof ENTRY_ROWS)[K]['schema']> }

/** The row of a kind, for callers that treat all kinds alike; undefined for a kind that is none of ours. */
export function entryRow(kind: string): EntryKindRow<object> | undefined {
  return Object.hasOwn(ENTRY_ROWS, kind) ? (ENTRY_ROWS[kind as EntryKind] as EntryKindRow<never>) : undefined
}
