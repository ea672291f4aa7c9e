import type { Size } from './kits.js'
import type { Site } from './site.js'

/** Everything bonded to one bar, and the bar to the main earth terminal. */
export function bondAll(site: Site, { inverters, batteries }: Size): void {
  site.write('earth-part-found', { id: 'met', label: 'Main earth terminal', kind: 'main-terminal' })
  site.write('earth-part-found', { id: 'bar', label: 'Bar', kind: 'bar' })
  site.write('earth-part-found', { id: 'frames', label: 'Frames', kind: 'frame', unitId: 'modules' })
  const toBar = { to: 'bar', size: 10, lineSize: 10 }
  site.write('bond-made', {
    id: 'b-bar',
    from: 'bar',
    to: 'met',
    means: 'copper',
    size: 16,
    length: 6,
    lineSize: 16,
  })
  site.write('bond-made', { id: 'b-frames', from: 'frames', to: 'bar', means: 'washer', uses: 1 })
  for (let i = 1; i <= inverters; i++) {
    site.write('earth-part-found', {
      id: `e-inv-${i}`,
      label: `Inverter ${i}`,
      kind: 'unit',
      unitId: `inv-${i}`,
    })
    site.write('bond-made', {
      id: `b-inv-${i}`,
      from: `e-inv-${i}`,
      means: 'supply-cable',
      length: 12,
      ...toBar,
    })
  }
  for (let i = 1; i <= batteries; i++) {
    site.write('earth-part-found', {
      id: `e-bat-${i}`,
      label: `Battery ${i}`,
      kind: 'unit',
      unitId: `bat-${i}`,
    })
    site.write('bond-made', { id: `b-bat-${i}`, from: `e-bat-${i}`, means: 'lug', length: 3, ...toBar })
  }
}
