import type { ConductorId, PartId, UnitId } from '../ids/ids.js'
import { proposedField } from '../shape/proposed-field.js'
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
  proposed: proposedField,
})
export type NetworkPart = Read<typeof networkPartShape>

export const INSULATIONS = ['pvc', 'xlpe'] as const
export const CABLE_METHODS = ['A1', 'B1', 'B2', 'C'] as const
export const CABLE_PHASES = [1, 3, 'dc'] as const

/** A cable between two parts. A figure that nobody read is left out: it is neither nothing nor the usual one. */
export const networkConductorShape = object({
  id: text<ConductorId>(),
  from: text<PartId>(),
  to: text<PartId>(),
  phases: optional(oneOf(CABLE_PHASES)),
  voltage: optional(num({ unit: 'V', sign: 'divisor', about: 'line to line when there are three phases' })),
  size: optional(num({ unit: 'mm²', sign: 'divisor' })),
  length: optional(num({ unit: 'm', sign: 'magnitude', about: 'one way' })),
  insulation: optional(oneOf(INSULATIONS)),
  method: optional(oneOf(CABLE_METHODS)),
  ambient: optional(num({ unit: '°C' })),
  grouped: optional(whole({ min: 1, about: 'circuits that run together' })),
  proposed: proposedField,
})
export type NetworkConductor = Read<typeof networkConductorShape>

/** What has to be known of a cable for it to be judged, as it is called where it is asked for. */
export const CABLE_FIGURES = {
  size: 'its size',
  length: 'its length',
  phases: 'its phases',
  voltage: 'its voltage',
  insulation: 'its insulation',
  method: 'how it is laid',
  ambient: 'the temperature of its warmest place',
  grouped: 'how many circuits run together with it',
} as const
export type CableFigure = keyof typeof CABLE_FIGURES

/** A cable of which everything is known. */
export type KnownConductor = NetworkConductor & { [F in CableFigure]: NonNullable<NetworkConductor[F]> }

export const unknownFigures = (cable: NetworkConductor): CableFigure[] =>
  (Object.keys(CABLE_FIGURES) as CableFigure[]).filter((figure) => cable[figure] === undefined)

export interface NetworkBuilt {
  parts: NetworkPart[]
  conductors: NetworkConductor[]
}

/**
 * A cable into which a part is put: what ran from end to end now ends at the part, and a piece of the same kind goes on from there. How long
 * either of them is nobody has measured.
 */
export function cutInTwo(
  cable: NetworkConductor,
  partId: string,
  { newId }: { newId: string },
): [NetworkConductor, NetworkConductor] {
  const kind = { ...cable, length: undefined }
  return [
    { ...kind, to: partId },
    { ...kind, id: newId, from: partId },
  ]
}
