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
export interface NetworkPart {
  id: string
  label: string
  kind: PartKind
  unitId?: string | undefined
  /** A, that it can drive into the rest: a grid fuse, the output of an inverter. */
  source?: number | undefined
  /** A, of a protective device or an isolator. */
  rating?: number | undefined
  /** Kind of residual-current protection in this part. */
  residual?: ResidualKind | undefined
  /** Surge protection is fitted here. */
  surge?: boolean | undefined
  /** The warning of two supplies is on it. */
  labelled?: boolean | undefined
}

/** A cable between two parts. */
export interface NetworkConductor {
  id: string
  from: string
  to: string
  phases: 1 | 3 | 'dc'
  /** V, line to line when there are three phases. */
  voltage: number
  /** mm² */
  size: number
  /** m, one way. */
  length: number
  insulation: 'pvc' | 'xlpe'
  method: 'A1' | 'B1' | 'B2' | 'C'
  /** °C */
  ambient: number
  /** Circuits that run together. */
  grouped: number
}

export interface NetworkBuilt {
  parts: NetworkPart[]
  conductors: NetworkConductor[]
}

/** A cable into which a part is put: what ran from end to end now ends at the part, and a short piece of the same kind goes on from there. */
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
