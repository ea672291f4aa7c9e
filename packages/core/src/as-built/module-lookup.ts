import { planeOfPlace } from '../ids/place-id.js'
import type { UnitBuilt } from './unit.js'
import type { StringBuilt } from './string.js'
import type { PlaceId } from '../ids/ids.js'
import { placesOf, type ArrayBuilt, type PlaneBuilt } from '../array/places.js'
import type { SheetHead } from '../sheet/head.js'

/** The data of the module at a place, by the sheet of the unit that stands for its plane. */
export interface ModuleAt {
  place: PlaceId
  plane: PlaneBuilt
  sheetId: string | undefined
  data: NonNullable<SheetHead['module']> | undefined
}

export interface ArrayLookup {
  moduleAt(place: PlaceId): ModuleAt | undefined
  planes: readonly PlaneBuilt[]
}

/** Makes the modules of an array easy to find by their place. */
export function lookUpArray(
  { planes }: ArrayBuilt,
  units: readonly UnitBuilt[],
  sheetOf: (unitId: string) => SheetHead | undefined,
): ArrayLookup {
  const byId = new Map(planes.map((plane) => [plane.id, plane]))
  const sheetIds = new Map(units.map(({ id, sheetId }) => [id, sheetId]))
  const filled = new Map(planes.map((plane) => [plane.id, new Set(placesOf(plane).map(({ id }) => id))]))
  return {
    planes,
    moduleAt(place) {
      const plane = byId.get(planeOfPlace(place) ?? '')
      if (!plane || !filled.get(plane.id)!.has(place)) return undefined
      return { place, plane, sheetId: sheetIds.get(plane.unitId), data: sheetOf(plane.unitId)?.module }
    },
  }
}

/** What a string is made of: counted along its path where it was drawn, else as it was entered. Power in W where every module says it. */
export function stringMakeUp(
  string: StringBuilt,
  lookup: ArrayLookup,
): {
  count: number
  power: number | undefined
  planes: PlaneBuilt[]
  sheetIds: string[]
  strangers: PlaceId[]
} {
  if (!string.path) return { count: string.count, power: undefined, planes: [], sheetIds: [], strangers: [] }
  const found = string.path.map((place) => ({ place, module: lookup.moduleAt(place) }))
  const there = found.flatMap(({ module }) => (module ? [module] : []))
  const powers = there.map(({ data }) => data?.power)
  return {
    count: there.length,
    power: powers.every((power) => power !== undefined)
      ? powers.reduce((sum: number, power) => sum + power!, 0)
      : undefined,
    planes: [...new Set(there.map(({ plane }) => plane))],
    sheetIds: [...new Set(there.flatMap(({ sheetId }) => (sheetId ? [sheetId] : [])))],
    strangers: found.filter(({ module }) => !module).map(({ place }) => place),
  }
}
