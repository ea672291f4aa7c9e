import type { PlaceId } from '../ids/ids.js'
import { placesOf, type DeviceBuilt, type PlaneBuilt } from '../array/places.js'
import { heardDevices } from '../requirements/array/serial-map.js'
import { serialMap } from '../array/serial-map.js'
import type { Inspection } from '../walk/inspect.js'

export interface DrawnPlace {
  id: PlaceId
  /** Upper left corner within the plane, mm, y down. */
  x: number
  y: number
  /** 0-based number of the string that passes here, and where in its order, from 1. */
  string: number | undefined
  order: number | undefined
  device: DeviceBuilt | undefined
  /** What its device says of itself: heard, silent, or heard under a serial that is one slip away. */
  heard: 'heard' | 'silent' | 'typo' | undefined
}

export interface DrawnPlane {
  id: string
  label: string
  /** Where the plane lies in the drawing, mm. */
  x: number
  y: number
  w: number
  h: number
  /** Size of one module as it lies, mm. */
  moduleW: number
  moduleH: number
  places: DrawnPlace[]
}

export interface ArrayDrawing {
  planes: DrawnPlane[]
  strings: { id: string; label: string; number: number; path: { x: number; y: number }[]; count: number }[]
  branches: { id: string; label: string; path: { x: number; y: number }[]; endCapped: boolean | undefined }[]
  w: number
  h: number
}

const UNKNOWN_MODULE = { width: 1100, height: 1700 }
const BETWEEN_PLANES = 1300

/** The array map: planes beside each other, every module in its place and to scale, strings and branches as lines through the middles. */
export function arrayDrawing({ context, checks }: Pick<Inspection, 'context' | 'checks'>): ArrayDrawing {
  const { asBuilt, sheetOf } = context
  const { planes, devices, branches } = asBuilt.array
  const deviceAt = new Map(devices.map((device) => [device.at, device]))
  const onString = new Map(
    asBuilt.strings.flatMap(({ path }, number) =>
      (path ?? []).map((place, i) => [place, { number, order: i + 1 }] as const),
    ),
  )
  const heard = heardStates(context, checks)
  const sized = planes.map((plane): DrawnPlane => {
    const [moduleW, moduleH] = lying(plane, sheetOf(plane.unitId)?.size ?? UNKNOWN_MODULE)
    return {
      id: plane.id,
      label: plane.label,
      x: 0,
      y: 0,
      moduleW,
      moduleH,
      w: plane.columns * (moduleW + plane.gap) - plane.gap,
      h: plane.rows * (moduleH + plane.gap) - plane.gap,
      places: placesOf(plane).map(({ id, row, column }) => ({
        id,
        x: (column - 1) * (moduleW + plane.gap),
        y: (row - 1) * (moduleH + plane.gap),
        string: onString.get(id)?.number,
        order: onString.get(id)?.order,
        device: deviceAt.get(id),
        heard: heard.get(id),
      })),
    }
  })
  const drawn = inRows(sized)
  const middle = middles(drawn)
  return {
    planes: drawn,
    strings: asBuilt.strings.map(({ id, label, path, count }, number) => ({
      id,
      label,
      number,
      count: path?.length ?? count,
      path: (path ?? []).flatMap((place) => middle.get(place) ?? []),
    })),
    branches: branches.map(({ id, label, devices: ids, endCapped }) => ({
      id,
      label,
      endCapped,
      path: ids.flatMap((deviceId) => middle.get(devices.find((one) => one.id === deviceId)?.at ?? '') ?? []),
    })),
    w: Math.max(1, ...drawn.map(({ x, w }) => x + w)),
    h: Math.max(1, ...drawn.map(({ y, h }) => y + h)),
  }
}

/** Width to height of the room that a map usually has. */
const ROOM = 1.3

/** Planes beside each other while the row is not wider than suits the room, else beneath. */
function inRows(planes: readonly DrawnPlane[]): DrawnPlane[] {
  const area = planes.reduce((sum, { w, h }) => sum + (w + BETWEEN_PLANES) * (h + BETWEEN_PLANES), 0)
  const widest = Math.max(Math.sqrt(area * ROOM), ...planes.map(({ w }) => w))
  let [x, y, rowHeight] = [0, 0, 0]
  return planes.map((plane) => {
    if (x > 0 && x + plane.w > widest) [x, y, rowHeight] = [0, y + rowHeight + BETWEEN_PLANES, 0]
    const placed = { ...plane, x, y }
    x += plane.w + BETWEEN_PLANES
    rowHeight = Math.max(rowHeight, plane.h)
    return placed
  })
}

const lying = (
  { orientation }: PlaneBuilt,
  { width, height }: { width: number; height: number },
): [number, number] => {
  const [short, long] = [Math.min(width, height), Math.max(width, height)]
  return orientation === 'portrait' ? [short, long] : [long, short]
}

function middles(planes: readonly DrawnPlane[]): Map<PlaceId, { x: number; y: number }> {
  return new Map(
    planes.flatMap(({ x, y, moduleW, moduleH, places }) =>
      places.map(
        (place) => [place.id, { x: x + place.x + moduleW / 2, y: y + place.y + moduleH / 2 }] as const,
      ),
    ),
  )
}

/** What the listening units say of each device, as the check of their serial map compares them. */
function heardStates(
  context: Inspection['context'],
  checks: Inspection['checks'],
): Map<PlaceId, 'heard' | 'silent' | 'typo'> {
  const states = new Map<PlaceId, 'heard' | 'silent' | 'typo'>()
  for (const { check } of checks) {
    if (check.requirement.kind !== 'serial-map') continue
    const reported = context.asBuilt.array.reported[check.unit.id]
    const named = heardDevices(check.requirement.hears, context).filter(({ serial }) => serial)
    if (!reported || named.length === 0) continue
    const { missing, likelyTypos } = serialMap({
      planned: named.map(({ at, serial }) => ({ position: at, serial: serial! })),
      reported,
    })
    for (const { at } of named) states.set(at, 'heard')
    for (const place of missing) states.set(place, 'silent')
    for (const { position } of likelyTypos) states.set(position, 'typo')
  }
  return states
}
