import type { Sheet } from '@plumb-mark/core'
import type { Kit, Size } from './kits.js'
import type { Site } from './site.js'

/** A string on each input of each inverter, on rows of modules of their own, with a box at every module where there are any. */
export function wireStrings(
  site: Site,
  { inverter: { inputs } }: Kit,
  { inverters, electronics }: Size,
  { module, maker, model }: Sheet,
): void {
  const columns = site.chance.whole(8, 12)
  const { voc, vocTempCoeff, cellsInSeries, bypassDiodes } = module!
  site.write('plane-built', {
    id: 'south',
    label: 'South',
    unitId: 'modules',
    rows: inputs * inverters,
    columns,
    orientation: 'portrait',
    gap: 20,
    empty: [],
  })
  for (let i = 0; i < inputs * inverters; i++) {
    const path = Array.from({ length: columns }, (_, c) => `south.r${i + 1}c${c + 1}`)
    site.write('string-built', {
      id: `s${i + 1}`,
      label: `String ${i + 1}`,
      unitId: `inv-${Math.floor(i / inputs) + 1}`,
      input: `PV${(i % inputs) + 1}`,
      count: columns,
      path,
      module: { name: `${maker} ${model}`, voc, vocTempCoeff: vocTempCoeff!, cellsInSeries, bypassDiodes },
    })
    if (electronics)
      site.write('devices-fitted', {
        devices: path.map((at, c) => ({
          id: `box-${i}-${c}`,
          unitId: 'boxes',
          at,
          serial: `BX${i}${String(c).padStart(2, '0')}`,
          feeds: [at],
          idlePorts: 0,
          cappedPorts: 0,
        })),
      })
  }
}
