import type { Read } from '../../verdict/shape.js'
import { arrowConvention } from './arrow-convention.js'
import { attestation } from './attestation.js'
import { bonding } from './bonding.js'
import { branchLimits } from './branch-limits.js'
import { bus } from './bus.js'
import { clearanceKind } from './clearance.js'
import { coldLimit } from './cold-limit.js'
import { companion } from './companion.js'
import { conductorSize } from './conductor-size.js'
import { counts } from './counts.js'
import { ctProof } from './ct-proof.js'
import { dataChain } from './data-chain.js'
import { earthContinuity } from './earth-continuity.js'
import { earthSize } from './earth-size.js'
import { fixings } from './fixings.js'
import { gland } from './gland.js'
import { indicator } from './indicator.js'
import { insulation } from './insulation.js'
import type { Common, Kind } from './kind.js'
import { likeStringsKind } from './like-strings.js'
import { limits } from './limits.js'
import { listed } from './listed.js'
import { nameplate } from './nameplate.js'
import { observation } from './observation.js'
import { orderedSteps } from './ordered-steps.js'
import { partRating } from './part-rating.js'
import { photoList } from './photo-list.js'
import { polarity } from './polarity.js'
import { ports } from './ports.js'
import { powerBalanceKind } from './power-balance.js'
import { protection } from './protection.js'
import { railMarksKind } from './rail-marks.js'
import { safeVoltageKind } from './safe-voltage.js'
import { serialMap } from './serial-map.js'
import { settings } from './settings.js'
import { stringLimits } from './string-limits.js'
import { stringOpenCircuit } from './string-open-circuit.js'
import { stringShortCircuit } from './string-short-circuit.js'
import { switchBank } from './switch-bank.js'
import { tighteningOrder } from './tightening-order.js'
import { trackerWindow } from './tracker-window.js'

/** Every kind of requirement. A new kind is one file and one line here. */
export const KINDS = {
  'arrow-convention': arrowConvention,
  attestation,
  bonding,
  'branch-limits': branchLimits,
  bus,
  clearance: clearanceKind,
  'cold-limit': coldLimit,
  companion,
  'conductor-size': conductorSize,
  counts,
  'ct-proof': ctProof,
  'data-chain': dataChain,
  'earth-continuity': earthContinuity,
  'earth-size': earthSize,
  fixings,
  gland,
  indicator,
  insulation,
  'like-strings': likeStringsKind,
  limits,
  listed,
  nameplate,
  observation,
  'ordered-steps': orderedSteps,
  'part-rating': partRating,
  'photo-list': photoList,
  polarity,
  ports,
  'power-balance': powerBalanceKind,
  protection,
  'rail-marks': railMarksKind,
  'safe-voltage': safeVoltageKind,
  'serial-map': serialMap,
  settings,
  'string-limits': stringLimits,
  'string-open-circuit': stringOpenCircuit,
  'string-short-circuit': stringShortCircuit,
  'switch-bank': switchBank,
  'tightening-order': tighteningOrder,
  'tracker-window': trackerWindow,
} as const
export type KindName = keyof typeof KINDS

/** A requirement of a sheet: the common fields and those of its kind. */
export type Requirement = { [K in KindName]: { kind: K } & Read<(typeof KINDS)[K]['shape']> }[KindName]

/** The kind of a requirement, for callers that treat all kinds alike. */
export function kindOf(requirement: Requirement): Kind<Common & Requirement> {
  return KINDS[requirement.kind] as unknown as Kind<Common & Requirement>
}
