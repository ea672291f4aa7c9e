import type { NetworkBuilt } from '../ac/one-line.js'
import type { ArrayBuilt } from '../array/places.js'
import type { EarthBuilt } from '../earthing/bond.js'
import type { Connection } from './connection.js'
import type { StringBuilt } from './string.js'
import type { UnitBuilt } from './unit.js'
import type { WallBuilt } from './wall.js'

/** What stands on site, folded from entries. All lengths mm. */
export interface AsBuilt {
  units: UnitBuilt[]
  walls: WallBuilt[]
  strings: StringBuilt[]
  array: ArrayBuilt
  earth: EarthBuilt
  network: NetworkBuilt
  /** Devices that can be asked over the network. */
  connections: Connection[]
}

export const NOTHING_BUILT: AsBuilt = {
  units: [],
  walls: [],
  strings: [],
  array: { planes: [], devices: [], branches: [], reported: {} },
  earth: { parts: [], bonds: [] },
  network: { parts: [], conductors: [] },
  connections: [],
}
