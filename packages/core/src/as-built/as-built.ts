import type { MOUNTED, PLACED } from '../sheet/terms.js'
import type { ArrayBuilt, PlaceId } from '../array/places.js'
import type { EarthBuilt } from '../earthing/bond.js'
import type { NetworkBuilt } from '../ac/one-line.js'
import type { ModuleData } from '../dc/module.js'

/** What stands on site, folded from entries. All lengths mm. */
export interface AsBuilt {
  units: UnitBuilt[]
  walls: WallBuilt[]
  strings: StringBuilt[]
  array: ArrayBuilt
  earth: EarthBuilt
  network: NetworkBuilt
}

export interface UnitBuilt {
  id: string
  label: string
  /** Id of a sheet revision that the job pins. */
  sheetId: string
  serial?: string | undefined
  place?: WallPlace | undefined
  /** Where it stands, as far as somebody said so: what sheets ask depends on it. */
  situation?: Situation | undefined
}

export interface Situation {
  placed?: (typeof PLACED)[number] | undefined
  /** `wall` hangs off the floor, `floor` stands on it. */
  mounted?: (typeof MOUNTED)[number] | undefined
}

/** Lower left corner on a wall, from the datum and from finished floor; the size as measured when it is not the sheet's. */
export interface WallPlace {
  wallId: string
  x: number
  y: number
  w: number
  h: number
  /** What was typed for each figure. */
  typed?: Partial<Record<'x' | 'y' | 'w' | 'h', string>> | undefined
}

export interface WallBuilt {
  id: string
  title: string
  width?: number | undefined
  height?: number | undefined
  leftCorner: boolean
  rightCorner: boolean
  /** Of a gap measured with the tape that was named, k = 2; 0 when none was. */
  uncertainty: number
  /** The tape, as it was when the wall was measured. */
  tape?: string | undefined
  obstructions: ObstructionBuilt[]
  /** Gaps that were measured one by one, beside the offsets from the datum. */
  gaps: GapMeasured[]
}

/** A gap between two things on a wall, or from a thing to a corner, mm. `from` stands left of or below `to`. */
export interface GapMeasured {
  id: string
  from: string
  to: string
  axis: 'across' | 'up'
  value: number
  typed: string
}

export interface ObstructionBuilt {
  id: string
  label: string
  class: string
  x: number
  y: number
  w: number
  h: number
}

export interface StringBuilt {
  id: string
  label: string
  unitId: string
  /** Tracker input on the unit. */
  input: string
  module: ModuleData & { name: string }
  count: number
  /** The module places in walking order from plus to minus, where the string was drawn on the array map. */
  path?: PlaceId[] | undefined
  /** School of the coldest morning for this string; the coefficient of its module when nobody chose. */
  coldMethod?: 'coefficient' | 'table' | undefined
}

export const NOTHING_BUILT: AsBuilt = {
  units: [],
  walls: [],
  strings: [],
  array: { planes: [], devices: [], branches: [], reported: {} },
  earth: { parts: [], bonds: [] },
  network: { parts: [], conductors: [] },
}
