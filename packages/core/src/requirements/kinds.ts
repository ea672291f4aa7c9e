import type { Read } from '../shape/shape.js'
import { alarmCodes } from './commissioning/alarm-codes.js'
import { arrowConvention } from './meter/arrow-convention.js'
import { attestation } from './general/attestation.js'
import { bonding } from './earthing/bonding.js'
import { branchLimits } from './array/branch-limits.js'
import { bus } from './meter/bus.js'
import { clearanceKind } from './mounting/clearance.js'
import { coldLimit } from './dc/cold-limit.js'
import { compatibility } from './array/compatibility.js'
import { conductorSize } from './ac/conductor-size.js'
import { counts } from './general/counts.js'
import { ctProof } from './meter/ct-proof.js'
import { dataChain } from './battery/data-chain.js'
import { demandResponse } from './commissioning/demand-response.js'
import { selfTest } from './commissioning/self-test.js'
import { earthContinuity } from './earthing/earth-continuity.js'
import { earthSize } from './earthing/earth-size.js'
import { fixings } from './mounting/fixings.js'
import { gland } from './ac/gland.js'
import { indicator } from './commissioning/indicator.js'
import { insulation } from './dc/insulation.js'
import type { Common, Kind } from './kind.js'
import { likeStringsKind } from './dc/like-strings.js'
import { limits } from './general/limits.js'
import { listed } from './general/listed.js'
import { nameplate } from './general/nameplate.js'
import { observation } from './general/observation.js'
import { orderedSteps } from './commissioning/ordered-steps.js'
import { partRating } from './ac/part-rating.js'
import { photoList } from './general/photo-list.js'
import { presence } from './general/presence.js'
import { production } from './commissioning/production.js'
import { polarity } from './dc/polarity.js'
import { ports } from './array/ports.js'
import { powerBalanceKind } from './meter/power-balance.js'
import { protection } from './ac/protection.js'
import { railMarksKind } from './array/rail-marks.js'
import { reserveKind } from './commissioning/reserve.js'
import { deviceEnumerationKind } from './commissioning/device-enumeration.js'
import { safeVoltageKind } from './array/safe-voltage.js'
import { serialMap } from './array/serial-map.js'
import { settings } from './commissioning/settings.js'
import { stringLimits } from './array/string-limits.js'
import { stringOpenCircuit } from './dc/string-open-circuit.js'
import { stringShortCircuit } from './dc/string-short-circuit.js'
import { switchBank } from './commissioning/switch-bank.js'
import { tighteningOrder } from './general/tightening-order.js'
import { traceTest } from './commissioning/trace-test.js'
import { trackerWindow } from './dc/tracker-window.js'

/** Every kind of requirement. A new kind is one file and one line here. */
export const KINDS = {
  'alarm-codes': alarmCodes,
  'arrow-convention': arrowConvention,
  attestation,
  bonding,
  'branch-limits': branchLimits,
  bus,
  clearance: clearanceKind,
  'cold-limit': coldLimit,
  // The word of the format: sheets and sealed records are written with it.
  companion: compatibility,
  'conductor-size': conductorSize,
  counts,
  'ct-proof': ctProof,
  'data-chain': dataChain,
  'demand-response': demandResponse,
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
  presence,
  ports,
  'power-balance': powerBalanceKind,
  production,
  protection,
  'rail-marks': railMarksKind,
  reserve: reserveKind,
  'roll-call': deviceEnumerationKind,
  'safe-voltage': safeVoltageKind,
  'self-test': selfTest,
  'serial-map': serialMap,
  settings,
  'string-limits': stringLimits,
  'string-open-circuit': stringOpenCircuit,
  'string-short-circuit': stringShortCircuit,
  'switch-bank': switchBank,
  'tightening-order': tighteningOrder,
  'trace-test': traceTest,
  'tracker-window': trackerWindow,
} as const
export type KindName = keyof typeof KINDS

/** A requirement of a sheet: the common fields and those of its kind. */
export type Requirement = { [K in KindName]: { kind: K } & Read<(typeof KINDS)[K]['shape']> }[KindName]

/** The kind of a requirement, for callers that treat all kinds alike. */
export function kindOf(requirement: Requirement): Kind<Common & Requirement> {
  const kind: Kind<never> = KINDS[requirement.kind]
  return kind
}
