/** How a part is bonded. The core of the supply cable earths a unit by its own protective terminal. */
export const BOND_MEANS = ['washer', 'plate', 'lug', 'copper', 'supply-cable'] as const
export type BondMeans = (typeof BOND_MEANS)[number]
export const BOND_WORDS = {
  washer: 'toothed washer',
  plate: 'bonding plate',
  lug: 'lug on copper',
  copper: 'separate copper conductor',
  'supply-cable': 'core of the supply cable',
} satisfies Record<BondMeans, string>

export const EARTH_PART_KINDS = ['frame', 'rail', 'unit', 'bar', 'main-terminal'] as const
export type EarthPartKind = (typeof EARTH_PART_KINDS)[number]
export const EARTH_PART_WORDS = {
  frame: 'module frames',
  rail: 'rail',
  unit: 'unit',
  bar: 'earth bar',
  'main-terminal': 'main earth terminal',
} satisfies Record<EarthPartKind, string>

/** Something that is bonded, or that bonds lead to. */
export interface EarthPart {
  id: string
  label: string
  kind: EarthPartKind
  /** The unit that it belongs to; for frames the unit that stands for the modules. */
  unitId?: string | undefined
}

/** A bond from a part towards the main earth terminal. */
export interface Bond {
  id: string
  from: string
  to: string
  means: BondMeans
  /** mm², where it is a conductor. */
  size?: number | undefined
  /** m */
  length?: number | undefined
  /** How often the part that makes the bond has been fitted, this time included. */
  uses?: number | undefined
  /** mm², of the line conductor that the protective conductor goes with: for the table. */
  lineSize?: number | undefined
  /** A and s: for the adiabatic equation. */
  faultCurrent?: number | undefined
  clearingTime?: number | undefined
}

export interface EarthBuilt {
  parts: EarthPart[]
  bonds: Bond[]
}
