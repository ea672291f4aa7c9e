import type { AsBuilt } from '../as-built/as-built.js'
import type { DeviceWord } from '../device/word.js'
import type { StringBuilt } from '../as-built/string.js'
import type { UnitBuilt } from '../as-built/unit.js'
import type { PlaceId, PointId, SheetId, UnitId } from '../ids/ids.js'
import { planeOfPlace } from '../ids/place-id.js'

/** The thing that evidence was taken on, as it stood then. */
export interface EvidenceTarget {
  /** The sheet that asked. */
  sheetId: string
  serial: string | undefined
  /** The string, bond, cable, device, branch, plane or part of that name, by its kind. */
  things: Partial<Record<ThingKind, object>>
  /** Of a string: what the modules on its path were, each kind of them once. */
  modules?: readonly ModulesOn[]
  /** Of what a device said: the unit that it was connected as at that time. */
  deviceOf?: UnitId | undefined
}

/** The unit that stands for modules, with its sheet and serial as they were. */
export type ModulesOn = Pick<UnitBuilt, 'id' | 'sheetId' | 'serial'>

export type ThingKind = 'string' | 'bond' | 'conductor' | 'device' | 'branch' | 'plane' | 'part'

export const unitOfPoint = (point: PointId): UnitId => point.slice(0, point.indexOf('/')) as UnitId

/**
 * What stands at a measuring point; undefined where no unit does. `sheetId` is the sheet that asked, where the entry says so: whoever worked
 * without signal answered the one on the device, whatever others had adopted by then.
 */
export function evidenceTargetOf(
  point: PointId,
  asBuilt: AsBuilt,
  { sheetId, word }: { sheetId?: SheetId | undefined; word?: DeviceWord | undefined } = {},
): EvidenceTarget | undefined {
  const unitId = unitOfPoint(point)
  const unit = asBuilt.units.find(({ id }) => id === unitId)
  if (!unit) return undefined
  const things = thingsCalled(point.slice(point.lastIndexOf('/') + 1), asBuilt)
  const path = (things.string as StringBuilt | undefined)?.path
  return {
    sheetId: sheetId ?? unit.sheetId,
    serial: unit.serial,
    things,
    ...(path && { modules: modulesAlong(path, asBuilt) }),
    ...(word && { deviceOf: asBuilt.connections.find(({ id }) => id === word.device.id)?.unitId }),
  }
}

/** The units that stand for the modules on a path. */
export function modulesAlong(path: readonly PlaceId[], { array, units }: AsBuilt): ModulesOn[] {
  const planes = new Set(path.map(planeOfPlace))
  const ids = new Set(array.planes.filter(({ id }) => planes.has(id)).map(({ unitId }) => unitId))
  return units
    .filter(({ id }) => ids.has(id))
    .map(({ id, sheetId, serial }) => ({ id, sheetId, ...(serial !== undefined && { serial }) }))
}

const WHERE = {
  string: ({ strings }) => strings,
  bond: ({ earth }) => earth.bonds,
  conductor: ({ network }) => network.conductors,
  part: ({ network }) => network.parts,
  branch: ({ array }) => array.branches,
  plane: ({ array }) => array.planes,
  device: ({ array }) => array.devices,
} satisfies Record<ThingKind, (asBuilt: AsBuilt) => readonly { id: string }[]>

function thingsCalled(id: string, asBuilt: AsBuilt): EvidenceTarget['things'] {
  if (id === 'unit') return {}
  const things: EvidenceTarget['things'] = {}
  for (const kind of THING_KINDS) {
    const found = thingCalled(kind, id, asBuilt)
    if (found) things[kind] = found
  }
  return things
}

export const thingCalled = (kind: ThingKind, id: string, asBuilt: AsBuilt): object | undefined =>
  WHERE[kind](asBuilt).find((one) => one.id === id)

const THING_KINDS = Object.keys(WHERE) as ThingKind[]

/** Is this the name of a kind of thing that can be exchanged? */
export const isThingKind = (kind: string): kind is ThingKind => kind in WHERE

/** What makes a thing the one that it is. A label or a rating beside it may be corrected; what is listed here may not. */
const IDENTITY_FIELDS = {
  string: ['unitId', 'input', 'path', 'count', 'module.name'],
  bond: ['from', 'to', 'means', 'size', 'length', 'uses'],
  conductor: ['from', 'to', 'size', 'length', 'insulation', 'phases'],
  part: ['kind', 'unitId'],
  branch: ['unitId', 'devices'],
  plane: ['unitId', 'rows', 'columns', 'orientation', 'gap'],
  device: ['unitId', 'serial', 'at', 'feeds'],
} satisfies Record<ThingKind, readonly string[]>

/** Is it still the thing that it was? What was not said then may be said now. */
export function sameThing(kind: ThingKind, was: object, is: object): boolean {
  if (was === is) return true
  return IDENTITY_FIELDS[kind].every((field) => {
    const [before, now] = [at(was, field), at(is, field)]
    return before === undefined || plainly(before) === plainly(now)
  })
}

const at = (thing: object, field: string): unknown =>
  field
    .split('.')
    .reduce<unknown>((part, name) => (part as Record<string, unknown> | undefined)?.[name], thing)

const plainly = (value: unknown): string =>
  typeof value === 'string' ? value.trim().toLowerCase() : JSON.stringify(value ?? null)
