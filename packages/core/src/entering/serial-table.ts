import type { PlaceId } from '../ids/ids.js'
import type { Place } from '../ids/place-id.js'
import type { ArrayBuilt, DeviceBuilt } from '../array/places.js'

/** One line of a serial list: a place and what its device carries. */
export interface SerialRow {
  place: PlaceId
  serial: string
}

export type SerialTable =
  { ok: true; rows: SerialRow[] } | { ok: false; faults: { row: number; reason: string }[] }

/**
 * Reads the rows of a serial list (header row: place, serial) against the devices on the map. Every row is looked at, and nothing is taken
 * when one does not fit; rows count from 2, as a spreadsheet shows them.
 */
export function readSerialTable(
  rows: readonly Record<string, string | undefined>[],
  { devices }: ArrayBuilt,
): SerialTable {
  const places = new Set(devices.map(({ at }) => at))
  const seen = new Set<string>()
  const faults: { row: number; reason: string }[] = []
  const read = rows.map((row, i) => {
    const place = row['place']?.trim() ?? ''
    const serial = row['serial']?.trim() ?? ''
    const reason =
      place === ''
        ? 'no place'
        : serial === ''
          ? `no serial for ${place}`
          : !places.has(place)
            ? `no device on the map at ${place}`
            : seen.has(place)
              ? `${place} stands here twice`
              : undefined
    if (reason) faults.push({ row: i + 2, reason })
    seen.add(place)
    return { place, serial }
  })
  if (rows.length === 0)
    return { ok: false, faults: [{ row: 1, reason: 'no rows below the header “place,serial”' }] }
  return faults.length > 0 ? { ok: false, faults } : { ok: true, rows: read }
}

/** The devices with the serials of a list put on them; devices that the list does not name stay as they are. */
export function withSerials({ devices }: ArrayBuilt, rows: readonly SerialRow[]): DeviceBuilt[] {
  const serials = new Map(rows.map(({ place, serial }) => [place, serial]))
  return devices.flatMap((device) => {
    const serial = serials.get(device.at)
    return serial === undefined || serial === device.serial ? [] : [{ ...device, serial }]
  })
}

/**
 * Devices for modules that have none: `each` modules side by side in a row share one, the last of a row may
 * have fewer, its ports then idle. That every module has one is a proposal, until somebody has looked under them; whether what is idle is
 * capped is not known. Ids come from outside.
 */
export function devicesFor(
  free: readonly Place[],
  { unitId, each, newId }: { unitId: string; each: number; newId: () => string },
): DeviceBuilt[] {
  const rows = new Map<string, Place[]>()
  for (const place of free) {
    const row = `${place.planeId} ${place.row}`
    rows.set(row, [...(rows.get(row) ?? []), place])
  }
  return [...rows.values()].flatMap((row) =>
    Array.from({ length: Math.ceil(row.length / each) }, (_, i): DeviceBuilt => {
      const fed = row.slice(i * each, (i + 1) * each).map(({ id }) => id)
      return {
        id: newId(),
        unitId,
        at: fed[0]!,
        feeds: fed,
        ...portsLeft(each - fed.length),
        proposed: 'default' as const,
      }
    }),
  )
}

const portsLeft = (idlePorts: number): Pick<DeviceBuilt, 'idlePorts' | 'cappedPorts'> =>
  idlePorts === 0 ? { idlePorts, cappedPorts: 0 } : { idlePorts }
