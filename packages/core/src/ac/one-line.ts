import type { ConductorId, PartId, UnitId } from '../ids/ids.js'
import { anyText, flag, num, object, oneOf, optional, text, whole, type Read } from '../shape/shape.js'

export const PART_KINDS = [
  'grid',
  'meter',
  'board',
  'device',
  'isolator',
  'gateway',
  'inverter',
  'battery',
  'generation',
  'load',
] as const
export type PartKind = (typeof PART_KINDS)[number]
export const PART_WORDS = {
  grid: 'grid supply',
  meter: 'meter',
  board: 'board',
  device: 'protective device',
  isolator: 'isolator',
  gateway: 'gateway',
  inverter: 'inverter',
  battery: 'battery',
  generation: 'existing generation',
  load: 'loads',
} satisfies Record<PartKind, string>

/** Kinds that can drive a current of their own; the others have a rating. */
export const DRIVING_KINDS: readonly PartKind[] = ['grid', 'inverter', 'battery', 'generation']

export const RESIDUAL_KINDS = ['none', 'AC', 'A', 'F', 'B'] as const
export type ResidualKind = (typeof RESIDUAL_KINDS)[number]

/** A part of the electrical installation, as one traces it from the grid fuse inwards. */
export const networkPartShape = object({
  id: text<PartId>(),
  label: anyText(),
  kind: oneOf(PART_KINDS),
  unitId: optional(text<UnitId>()),
  source: optional(
    num({
      unit: 'A',
      sign: 'magnitude',
      about: 'what it can drive into the rest: a grid fuse, the output of an inverter',
    }),
  ),
  rating: optional(num({ unit: 'A', sign: 'magnitude', about: 'of a protective device or an isolator' })),
  residual: optional(oneOf(RESIDUAL_KINDS, 'kind of residual-current protection in this part')),
  surge: optional(flag('surge protection is fitted here')),
  labelled: optional(flag('the warning of two supplies is on it')),
})
export type NetworkPart = Read<typeof networkPartShape>

export const INSULATIONS = ['pvc', 'xlpe'] as const
export const CABLE_METHODS = ['A1', 'B1', 'B2', 'C'] as const
export const CABLE_PHASES = [1, 3, 'dc'] as const

/** A cable between two parts. */
export const networkConductorShape = object({
  id: text<ConductorId>(),
  from: text<PartId>(),
  to: text<PartId>(),
  phases: oneOf(CABLE_PHASES),
  voltage: num({ unit: 'V', sign: 'divisor', about: 'line to line when there are three phases' }),
  size: num({ unit: 'mm²', sign: 'divisor' }),
  length: num({ unit: 'm', sign: 'magnitude', about: 'one way' }),
  insulation: oneOf(INSULATIONS),
  method: oneOf(CABLE_METHODS),
  ambient: num({ unit: '°C' }),
  grouped: whole({ min: 1, about: 'circuits that run together' }),
})
export type NetworkConductor = Read<typeof networkConductorShape>

export interface NetworkBuilt {
  parts: NetworkPart[]
  conductors: NetworkConductor[]
}

/**
 * A cable into which a part is put: what ran from end to end now ends at the part, and a short piece of the
 * same kind goes on from there.
 */
export function cutInTwo(
  cable: NetworkConductor,
  partId: string,
  { newId }: { newId: string },
): [NetworkConductor, NetworkConductor] {
  return [
    { ...cable, to: partId },
    { ...cable, id: newId, from: partId, length: SHORT_PIECE },
  ]
}

/** m */
const SHORT_PIECE = 1
