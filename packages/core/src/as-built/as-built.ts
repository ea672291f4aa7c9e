import type { ModuleData } from '../dc/module.js'

/** What stands on site, folded from entries. All lengths mm. */
export interface AsBuilt {
  units: UnitBuilt[]
  walls: WallBuilt[]
  strings: StringBuilt[]
}

export interface UnitBuilt {
  id: string
  label: string
  /** Id of a sheet revision that the job pins. */
  sheetId: string
  serial?: string | undefined
  place?: WallPlace | undefined
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
}

export const NOTHING_BUILT: AsBuilt = { units: [], walls: [], strings: [] }
