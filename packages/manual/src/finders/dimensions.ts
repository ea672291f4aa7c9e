import { canonicalUnit, printedUnit, type Dimension } from '@plumb-mark/core'
import type { Fact, FactKind } from './spot.js'

/** What the figures of each kind are about. A rating or a setting may be of anything: its unit says it. */
const DIMENSION_OF_KIND: Record<FactKind, Dimension | undefined> = {
  clearance: 'length',
  torque: 'torque',
  conductor: 'conductor-size',
  strip: 'length',
  gland: 'length',
  mass: 'mass',
  size: 'length',
  rating: undefined,
  temperature: 'temperature',
  humidity: 'percent',
  altitude: 'cable-length',
  tilt: 'angle',
  fixing: 'length',
  wait: 'time',
  length: 'cable-length',
  breaker: 'current',
  earth: 'conductor-size',
  count: 'count',
  setting: undefined,
  indicator: undefined,
  alarm: undefined,
  step: undefined,
  sequence: undefined,
  observation: undefined,
}

/** The unit in which figures of a kind are kept; empty where they have none. */
export const unitOfKind = (kind: FactKind): string => canonicalUnit(DIMENSION_OF_KIND[kind] ?? 'count')

/** What the figures of a fact are about: as its unit says, and a plain number where it has none. */
export function dimensionOf({ kind, unit }: Pick<Fact, 'kind' | 'unit'>): Dimension {
  const usual = DIMENSION_OF_KIND[kind]
  if (usual && canonicalUnit(usual) === unit) return usual
  return (unit !== '' && printedUnit(unit)?.dimension) || 'count'
}
