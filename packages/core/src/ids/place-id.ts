import type { PlaceId, PlaneId } from './ids.js'

export interface Place {
  id: PlaceId
  planeId: PlaneId
  row: number
  column: number
}

export const placeId = (planeId: PlaneId, row: number, column: number): PlaceId =>
  `${planeId}.r${row}c${column}`

const PLACE = /^(.+)\.r(\d+)c(\d+)$/

/** The plane and the grid position that a place names; undefined when it is none. */
export function readPlace(place: PlaceId): Place | undefined {
  const found = PLACE.exec(place)
  return found
    ? { id: place, planeId: found[1]!, row: Number(found[2]), column: Number(found[3]) }
    : undefined
}

/** The plane that a place lies on; undefined when the name is that of no place. */
export const planeOfPlace = (place: PlaceId): PlaneId | undefined => readPlace(place)?.planeId

/** "row 2, place 5" as people say it on a roof. */
export function placeWords(place: PlaceId): string {
  const found = readPlace(place)
  return found ? `row ${found.row}, place ${found.column}` : place
}
