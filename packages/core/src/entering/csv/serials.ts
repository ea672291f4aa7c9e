import type { DeviceBuilt } from '../../array/places.js'
import type { UnitBuilt } from '../../as-built/unit.js'
import type { CsvColumn, CsvTable } from './table.js'

const SERIAL_COLUMNS: readonly CsvColumn[] = [
  { key: 'place', header: 'place' },
  { key: 'serial', header: 'serial' },
]

/** The serials of the devices on the roof, as the list that is read in there has them, and of the units where they are given. */
export function serialsOut({
  devices,
  units = [],
}: {
  devices: readonly DeviceBuilt[]
  units?: readonly UnitBuilt[]
}): CsvTable {
  const rows = devices.map(({ at, serial = '' }) => ({ place: at, serial }))
  const boxes = units.flatMap(({ label, serial }) => (serial ? [{ place: label, serial }] : []))
  return { columns: SERIAL_COLUMNS, rows: [...rows, ...boxes] }
}
