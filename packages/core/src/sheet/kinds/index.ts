import type { Read } from '../../verdict/shape.js'
import { clearanceKind } from './clearance.js'
import type { Common, Kind } from './kind.js'
import { limits } from './limits.js'
import { observation } from './observation.js'
import { polarity } from './polarity.js'
import { stringOpenCircuit } from './string-open-circuit.js'

/** Every kind of requirement. A new kind is one file and one line here. */
export const KINDS = {
  clearance: clearanceKind,
  limits,
  observation,
  polarity,
  'string-open-circuit': stringOpenCircuit,
} as const
export type KindName = keyof typeof KINDS

/** A requirement of a sheet: the common fields and those of its kind. */
export type Requirement = { [K in KindName]: { kind: K } & Read<(typeof KINDS)[K]['shape']> }[KindName]

/** The kind of a requirement, for callers that treat all kinds alike. */
export function kindOf(requirement: Requirement): Kind<Common & Requirement> {
  return KINDS[requirement.kind] as unknown as Kind<Common & Requirement>
}
