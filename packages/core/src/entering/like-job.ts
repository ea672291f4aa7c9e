import type { AsBuilt } from '../as-built/as-built.js'
import type { UnitId } from '../ids/ids.js'
import type { Change } from '../job/entry.js'
import { COPIED } from '../shape/proposed-field.js'

/**
 * What was built at an earlier job, as a proposal for one that is built like it: the array, strings, bonds, and the one-line with its
 * cables, as far as they belong to units that the new job has too. What is its own, or has to be looked at, is left out: serials, caps,
 * walls, places, gaps, devices on the network, and all that was read. Each stands as copied until a person has seen it on site.
 */
export function likeJob({ array, strings, earth, network }: AsBuilt, units: ReadonlySet<UnitId>): Change[] {
  const ofUnit = <T extends { unitId?: UnitId | undefined }>({ unitId }: T) =>
    unitId === undefined || units.has(unitId)
  const joined = (parts: readonly { id: string }[]) => {
    const ids = new Set(parts.map(({ id }) => id))
    return ({ from, to }: { from: string; to: string }) => ids.has(from) && ids.has(to)
  }
  const planes = array.planes.filter(ofUnit)
  const onPlanes = new Set(planes.map(({ id }) => id))
  const stands = (place: string) => onPlanes.has(place.slice(0, place.lastIndexOf('.')))
  const devices = array.devices
    .filter((device) => ofUnit(device) && stands(device.at))
    .map(({ serial: _own, idlePorts: _idle, cappedPorts: _caps, ...device }) => ({ ...device, ...COPIED }))
  const earthParts = earth.parts.filter(ofUnit)
  const parts = network.parts.filter(ofUnit)
  return [
    ...planes.map((plane): Change => ({ kind: 'plane-built', body: { ...plane, ...COPIED } })),
    ...(devices.length > 0 ? [{ kind: 'devices-fitted', body: { devices } } as const] : []),
    ...array.branches.filter(ofUnit).map(({ endCapped: _seen, ...branch }): Change => ({
      kind: 'branch-built',
      body: { ...branch, ...COPIED },
    })),
    ...strings
      .filter((string) => ofUnit(string) && (string.path ?? []).every(stands))
      .map((string): Change => ({ kind: 'string-built', body: { ...string, ...COPIED } })),
    ...earthParts.map((part): Change => ({ kind: 'earth-part-found', body: { ...part, ...COPIED } })),
    ...earth.bonds
      .filter(joined(earthParts))
      .map((bond): Change => ({ kind: 'bond-made', body: { ...bond, ...COPIED } })),
    ...parts.map(({ labelled: _seen, ...part }): Change => ({
      kind: 'part-placed',
      body: { ...part, ...COPIED },
    })),
    ...network.conductors
      .filter(joined(parts))
      .map((cable): Change => ({ kind: 'conductor-run', body: { ...cable, ...COPIED } })),
  ]
}
