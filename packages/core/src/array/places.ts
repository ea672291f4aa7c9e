import type { BranchId, DeviceId, PlaceId, PlaneId, UnitId } from '../ids/ids.js'
import { placeId, type Place } from '../ids/place-id.js'
import { proposedField } from '../shape/proposed-field.js'
import { anyText, flag, list, num, object, oneOf, optional, text, whole, type Read } from '../shape/shape.js'

const placesShape = list(text<PlaceId>(), { mayBeEmpty: true })

/** Modules of one tilt and direction, in rows and columns. */
export const planeShape = object({
  id: text<PlaneId>(),
  label: anyText(),
  unitId: text<UnitId>('stands for its modules; its sheet says their size, power and voltage'),
  rows: whole({ min: 1, max: 100 }),
  columns: whole({ min: 1, max: 200 }),
  orientation: oneOf(['portrait', 'landscape'] as const),
  gap: num({ unit: 'mm', sign: 'magnitude', about: 'between modules' }),
  tilt: optional(num({ unit: '°' })),
  azimuth: optional(num({ unit: '°' })),
  empty: placesShape,
  proposed: proposedField,
})
export type PlaneBuilt = Read<typeof planeShape>

/** Module electronics or a small inverter, under the modules. */
export const deviceShape = object({
  id: text<DeviceId>(),
  unitId: text<UnitId>('stands for all of its kind'),
  at: text<PlaceId>(),
  serial: optional(anyText()),
  feeds: placesShape,
  idlePorts: optional(whole({ min: 0, max: 100, about: 'ports without a module' })),
  cappedPorts: optional(whole({ min: 0, max: 100, about: 'how many of those carry a cap' })),
  proposed: proposedField,
})
export type DeviceBuilt = Read<typeof deviceShape>

/** Small inverters on one AC branch, nearest to the board first. */
export const branchShape = object({
  id: text<BranchId>(),
  label: anyText(),
  unitId: text<UnitId>(),
  phases: oneOf([1, 3] as const),
  voltage: num({ unit: 'V', sign: 'divisor', about: 'line to line when there are three phases' }),
  breaker: num({ unit: 'A', sign: 'magnitude' }),
  devices: list(text<DeviceId>(), { mayBeEmpty: true }),
  segments: optional(
    list(
      object({ length: num({ unit: 'm', sign: 'magnitude' }), size: num({ unit: 'mm²', sign: 'divisor' }) }),
      {
        mayBeEmpty: true,
        about: 'cable to each device from the one before, from the board first',
      },
    ),
  ),
  endCapped: optional(flag()),
  proposed: proposedField,
})
export type BranchBuilt = Read<typeof branchShape>

export interface ArrayBuilt {
  planes: PlaneBuilt[]
  devices: DeviceBuilt[]
  branches: BranchBuilt[]
  /** Serials that a unit reports as heard, by that unit. */
  reported: Record<UnitId, string[]>
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
