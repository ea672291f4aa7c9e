import type { BondId, EarthPartId, UnitId } from '../ids/ids.js'
import { proposedField } from '../shape/proposed-field.js'
import { anyText, num, object, oneOf, optional, text, whole, type Read } from '../shape/shape.js'

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
export const earthPartShape = object({
  id: text<EarthPartId>(),
  label: anyText(),
  kind: oneOf(EARTH_PART_KINDS),
  unitId: optional(
    text<UnitId>('the unit that it belongs to; for frames the unit that stands for the modules'),
  ),
  proposed: proposedField,
})
export type EarthPart = Read<typeof earthPartShape>

/** A bond from a part towards the main earth terminal. */
export const bondShape = object({
  id: text<BondId>(),
  from: text<EarthPartId>(),
  to: text<EarthPartId>(),
  means: oneOf(BOND_MEANS),
  size: optional(num({ unit: 'mm²', sign: 'divisor', about: 'where it is a conductor' })),
  length: optional(num({ unit: 'm', sign: 'magnitude' })),
  uses: optional(
    whole({ min: 1, about: 'how often the part that makes the bond has been fitted, this time included' }),
  ),
  lineSize: optional(
    num({ unit: 'mm²', sign: 'divisor', about: 'of the line conductor that it goes with: for the table' }),
  ),
  faultCurrent: optional(num({ unit: 'A', sign: 'magnitude', about: 'for the adiabatic equation' })),
  clearingTime: optional(num({ unit: 's', sign: 'magnitude', about: 'for the adiabatic equation' })),
  proposed: proposedField,
})
export type Bond = Read<typeof bondShape>

export interface EarthBuilt {
  parts: EarthPart[]
  bonds: Bond[]
}
