import { instrumentFor } from './instruments.js'
import type { Kit, Size } from './kits.js'
import type { Site } from './site.js'

/** One wall for each kind of unit, everything far apart: what a fault then moves together stands out. */
export function placeUnits(
  site: Site,
  { inverter, battery }: Kit,
  { inverters, batteries }: Size,
  sheetOf: (name: string) => string,
): void {
  const { chance } = site
  const rows = [
    { name: 'inv', label: 'Inverter', count: inverters, ...inverter },
    { name: 'bat', label: 'Battery', count: batteries, ...battery },
  ].filter(({ count }) => count > 0)
  for (const { name, label, count, sheet, w, h, y, pitch, mounted } of rows) {
    const wallId = `w-${name}`
    const width = 1200 + pitch * count
    site.write('wall-measured', {
      id: wallId,
      title: `${label} wall`,
      width,
      height: 2600,
      leftCorner: true,
      rightCorner: chance.maybe(0.5),
      uncertainty: 2,
      tape: 'Tape',
      instrument: instrumentFor('length')!,
    })
    for (let i = 0; i < count; i++)
      site.write('unit-fitted', {
        id: `${name}-${i + 1}`,
        label: `${label} ${i + 1}`,
        sheetId: sheetOf(sheet),
        serial: `${name.toUpperCase()}-${chance.whole(1000, 9999)}-${i}`,
        place: { wallId, x: 500 + pitch * i + chance.whole(0, 60), y, w, h },
        situation: { placed: 'indoors', mounted },
      })
    site.write('obstruction-measured', {
      wallId,
      obstruction: { id: `pipe-${name}`, label: 'pipe', class: 'pipe', x: 0, y: 2500, w: width, h: 40 },
    })
  }
}
