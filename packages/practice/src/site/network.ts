import type { EntryBodies } from '@plumb-mark/core'
import type { Kit, Size } from './kits.js'
import type { Site } from './site.js'

/** Sizes by gauge or by area that carry what the devices let through, mm². */
const SIZES = {
  iec: { main: 50, branch: 10, dc: 10, loads: 16 },
  nec: { main: 53.49, branch: 8.37, dc: 8.37, loads: 13.3 },
}

type Part = EntryBodies['part-placed']
type Cable = EntryBodies['conductor-run']

/** From the grid through the board to every inverter, its battery behind it. */
export function traceNetwork(
  site: Site,
  { inverter }: Kit,
  { inverters, batteries, three, nec }: Size,
): void {
  const size = SIZES[nec ? 'nec' : 'iec']
  const part = (id: string, label: string, kind: Part['kind'], more: Partial<Part> = {}) =>
    site.write('part-placed', { id, label, kind, ...more })
  const run = (from: string, to: string, mm2: number, more: Partial<Cable> = {}) =>
    site.write('conductor-run', {
      id: `c-${from}-${to}`,
      from,
      to,
      phases: three ? 3 : 1,
      voltage: nec ? 240 : three ? 400 : 230,
      size: mm2,
      length: site.chance.whole(1, 6),
      insulation: 'xlpe',
      method: 'C',
      ambient: 30,
      grouped: 1,
      ...more,
    })
  part('grid', 'Grid', 'grid', { source: 80 })
  part('fuse', 'Main fuse', 'device', { rating: 63 })
  part('meter-part', 'Meter', 'meter', { rating: 100, unitId: 'meter' })
  part('board', 'Board', 'board', { rating: 200, surge: true, labelled: true })
  part('q-loads', 'Breaker loads', 'device', { rating: 32, residual: 'A' })
  part('loads', 'Loads', 'load')
  run('grid', 'fuse', size.main)
  run('fuse', 'meter-part', size.main)
  run('meter-part', 'board', size.main)
  run('board', 'q-loads', size.loads)
  run('q-loads', 'loads', size.loads)
  for (let i = 1; i <= inverters; i++) {
    part(`q-${i}`, `Breaker inverter ${i}`, 'device', { rating: 25, residual: 'B' })
    part(`i-${i}`, `Isolator inverter ${i}`, 'isolator', { rating: 40 })
    part(`p-inv-${i}`, `Inverter ${i}`, 'inverter', { unitId: `inv-${i}`, source: inverter.source })
    run('board', `q-${i}`, size.branch)
    run(`q-${i}`, `i-${i}`, size.branch)
    run(`i-${i}`, `p-inv-${i}`, size.branch)
  }
  for (let i = 1; i <= batteries; i++) {
    part(`p-bat-${i}`, `Battery ${i}`, 'battery', { unitId: `bat-${i}`, source: 25 })
    run(`p-inv-${Math.min(i, inverters)}`, `p-bat-${i}`, size.dc, { phases: 'dc', voltage: 410 })
  }
}
