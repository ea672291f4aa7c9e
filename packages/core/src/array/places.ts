/** A place for one module: plane, row from the top, column from the left, both from 1: "south.r1c3". */
export type PlaceId = string

/** Modules of one tilt and direction, in rows and columns. */
export interface PlaneBuilt {
  id: string
  label: string
  /** The unit that stands for its modules; its sheet says their size, power and voltage. */
  unitId: string
  rows: number
  columns: number
  orientation: 'portrait' | 'landscape'
  /** Between modules, mm. */
  gap: number
  /** ° */
  tilt?: number | undefined
  azimuth?: number | undefined
  /** Places of the grid where no module lies. */
  empty: PlaceId[]
}

/** A box under the modules: module electronics or a small inverter. */
export interface DeviceBuilt {
  id: string
  /** The unit that stands for all boxes of its kind. */
  unitId: string
  at: PlaceId
  serial?: string | undefined
  /** The modules that are plugged into it. */
  feeds: PlaceId[]
  /** Ports of the box without a module, and how many of those carry a cap. */
  idlePorts: number
  cappedPorts: number
}

/** Small inverters on one AC branch, nearest to the board first. */
export interface BranchBuilt {
  id: string
  label: string
  unitId: string
  phases: 1 | 3
  /** V, line to line when there are three phases. */
  voltage: number
  /** A */
  breaker: number
  devices: string[]
  /** Length (m) and size (mm²) of the cable to each device from the one before, from the board first. */
  segments?: { length: number; size: number }[] | undefined
  endCapped?: boolean | undefined
}

export interface ArrayBuilt {
  planes: PlaneBuilt[]
  devices: DeviceBuilt[]
  branches: BranchBuilt[]
  /** Serials that a unit reports as heard, by that unit. */
  reported: Record<string, string[]>
}

export const placeId = (planeId: string, row: number, column: number): PlaceId =>
  `${planeId}.r${row}c${column}`

export interface Place {
  id: PlaceId
  planeId: string
  row: number
  column: number
}

/** The places of a plane that hold a module, row by row. */
export function placesOf({ id, rows, columns, empty }: PlaneBuilt): Place[] {
  const without = new Set(empty)
  const all: Place[] = []
  for (let row = 1; row <= rows; row++) {
    for (let column = 1; column <= columns; column++) {
      const place = placeId(id, row, column)
      if (!without.has(place)) all.push({ id: place, planeId: id, row, column })
    }
  }
  return all
}

/** The plane and the grid position that a place names; undefined when it is none. */
export function readPlace(place: PlaceId): Place | undefined {
  const found = /^(.+)\.r(\d+)c(\d+)$/.exec(place)
  return found
    ? { id: place, planeId: found[1]!, row: Number(found[2]), column: Number(found[3]) }
    : undefined
}

/** "row 2, 5th" as people say it on a roof. */
export function placeWords(place: PlaceId): string {
  const found = readPlace(place)
  return found ? `row ${found.row}, place ${found.column}` : place
}
