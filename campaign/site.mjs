import { fold, inspect } from '@plumb-mark/core'
import { variedSheet } from './sheets.mjs'

/** Instruments that measure everything there is; fine enough for the windows of the sheets. */
export const INSTRUMENT = {
  id: 'all',
  name: 'Everything',
  kind: 'multimeter',
  serial: '1',
  calibratedUntil: '2030-01-01',
  accuracy: [
    { dimension: 'length', percent: 0, plus: 0.5 },
    { dimension: 'cable-length', percent: 0, plus: 0.01 },
    { dimension: 'torque', percent: 2, plus: 0 },
    { dimension: 'voltage', percent: 0.3, plus: 0.05 },
    { dimension: 'power', percent: 1, plus: 10 },
    { dimension: 'current', percent: 1, plus: 0.02 },
    { dimension: 'resistance', percent: 1, plus: 0.002 },
    { dimension: 'insulation', percent: 3, plus: 0 },
    { dimension: 'angle', percent: 0, plus: 0.1 },
    { dimension: 'temperature', percent: 0, plus: 0.5 },
    { dimension: 'conductor-size', percent: 1, plus: 0 },
  ],
}

/** A site that is put together entry by entry; a change writes an entry again, later. */
export class Site {
  sheets = new Map()
  entries = []
  constructor(chance) {
    this.chance = chance
  }
  write(kind, body, at) {
    const n = this.entries.length
    const entry = {
      id: `e${String(n).padStart(6, '0')}`,
      jobId: 'job',
      kind,
      body,
      at: at ?? new Date(Date.UTC(2026, 5, 1, 8, 0, n)).toISOString(),
      by: { id: 'i', name: 'I', role: 'inspector' },
      seq: n + 1,
      prev: '',
      hash: '',
    }
    this.entries.push(entry)
    return entry
  }
  find(kind, test = () => true) {
    return this.entries.filter((entry) => entry.kind === kind && test(entry.body))
  }
  /** The entry of a kind that speaks of an id, changed in place: as if it had been entered so from the start. */
  change(kind, id, by) {
    const found = this.find(kind, (body) => body.id === id || body.point === id)
    for (const entry of found) entry.body = { ...entry.body, ...by(entry.body) }
    return found.length > 0
  }
  remove(test) {
    const before = this.entries.length
    this.entries = this.entries.filter((entry) => !test(entry))
    return this.entries.length < before
  }
  /** The modules behind an inverter: how many, their power and its coefficient, by the sheet of the modules. */
  modulesOf(unitId) {
    const { power, pmaxTempCoeff } = [...this.sheets.values()].find(({ kind }) => kind === 'module').module
    const count = this.find('string-built', (body) => body.unitId === unitId).reduce(
      (sum, { body }) => sum + body.count,
      0,
    )
    return { count, pmax: power, coefficient: pmaxTempCoeff }
  }
  inspection() {
    return inspect(fold(this.entries), this.sheets)
  }
}

const pinned = ({ id, sheet }) => ({
  id,
  maker: sheet.maker,
  model: sheet.model,
  revision: sheet.revision,
  fingerprint: 'f',
})

/** A clean installation of random size: inverters, batteries, meter, modules and house rules; everything entered, nothing answered yet. */
export function cleanSite(chance) {
  const site = new Site(chance)
  const three = chance.maybe(0.5)
  const nec = chance.maybe(0.35)
  const inverters = chance.whole(1, 3)
  const batteries = chance.whole(0, 2)
  const names = ['aldervane-ah-8t-c', 'wendlemere-wm-430-b', 'house-ac-rules-a', 'cobblewick-cm-3-d']
  if (batteries > 0) names.push('thrumcap-tb-10-b')
  const electronics = chance.maybe(0.4)
  if (electronics) names.push('sorrelight-me-1-b', 'sorrelight-sl-20-b')
  const sheets = Object.fromEntries(names.map((name) => [name, variedSheet(name, chance)]))
  for (const { id, sheet } of Object.values(sheets)) site.sheets.set(id, sheet)
  site.write('job-opened', {
    number: 'C-1',
    title: 'Campaign',
    site: 'S',
    customer: 'C',
    school: nec ? 'nec' : 'iec',
    units: nec ? 'us' : 'metric',
    rule: 'guarded',
    earthMethod: 'table',
    coldest: chance.whole(-25, 0),
    sheets: Object.values(sheets).map(pinned),
  })
  const sheetOf = (name) => sheets[name].id
  site.write('unit-fitted', { id: 'rules', label: 'Rules', sheetId: sheetOf('house-ac-rules-a') })
  site.write('unit-fitted', { id: 'modules', label: 'Modules', sheetId: sheetOf('wendlemere-wm-430-b') })
  site.write('unit-fitted', {
    id: 'meter',
    label: 'Meter',
    sheetId: sheetOf('cobblewick-cm-3-d'),
    serial: 'M-1',
  })
  if (electronics)
    site.write('unit-fitted', { id: 'listener', label: 'Listener', sheetId: sheetOf('sorrelight-sl-20-b') })
  if (electronics)
    site.write('unit-fitted', {
      id: 'boxes',
      label: 'Boxes',
      sheetId: sheetOf('sorrelight-me-1-b'),
      situation: { placed: 'outdoors', mounted: 'roof' },
    })
  placeUnits(site, { inverters, batteries, sheetOf })
  wireStrings(site, { inverters, electronics })
  earth(site, { inverters, batteries })
  network(site, { inverters, batteries, three, nec })
  return site
}

/** One wall for each kind, everything far apart: what a fault then moves together stands out. */
function placeUnits(site, { inverters, batteries, sheetOf }) {
  const { chance } = site
  const rows = [
    ['inv', inverters, sheetOf('aldervane-ah-8t-c'), 520, 680, 1150, 1400],
    ['bat', batteries, batteries > 0 && sheetOf('thrumcap-tb-10-b'), 600, 1100, 500, 1400],
  ]
  for (const [name, count, sheetId, w, h, y, pitch] of rows) {
    if (count === 0) continue
    const width = 1200 + pitch * count
    site.write('wall-measured', {
      id: `w-${name}`,
      title: name,
      width,
      height: 2600,
      leftCorner: true,
      rightCorner: chance.maybe(0.5),
      uncertainty: 2,
      tape: 'Tape',
      instrument: { ...INSTRUMENT, name: 'Tape' },
    })
    for (let i = 0; i < count; i++)
      site.write('unit-fitted', {
        id: `${name}-${i + 1}`,
        label: `${name} ${i + 1}`,
        sheetId,
        serial: `${name.toUpperCase()}-${chance.whole(1000, 9999)}-${i}`,
        place: { wallId: `w-${name}`, x: 500 + pitch * i + chance.whole(0, 60), y, w, h },
        situation: { placed: 'indoors', mounted: 'wall' },
      })
    site.write('obstruction-measured', {
      wallId: `w-${name}`,
      obstruction: { id: `pipe-${name}`, label: 'pipe', class: 'pipe', x: 0, y: 2500, w: width, h: 40 },
    })
  }
}

/** Two inputs an inverter, one string on each, on planes of their own rows. */
function wireStrings(site, { inverters, electronics }) {
  const { chance } = site
  const columns = chance.whole(8, 12)
  site.write('plane-built', {
    id: 'south',
    label: 'South',
    unitId: 'modules',
    rows: 2 * inverters,
    columns,
    orientation: 'portrait',
    gap: 20,
    empty: [],
  })
  for (let i = 0; i < 2 * inverters; i++) {
    const path = Array.from({ length: columns }, (_, c) => `south.r${i + 1}c${c + 1}`)
    site.write('string-built', {
      id: `s${i + 1}`,
      label: `String ${i + 1}`,
      unitId: `inv-${Math.floor(i / 2) + 1}`,
      input: `PV${(i % 2) + 1}`,
      count: columns,
      path,
      module: {
        name: 'Wendlemere WM-430',
        voc: 38.6,
        vocTempCoeff: -0.26,
        cellsInSeries: 54,
        bypassDiodes: 3,
      },
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

function earth(site, { inverters, batteries }) {
  site.write('earth-part-found', { id: 'met', label: 'Main earth terminal', kind: 'main-terminal' })
  site.write('earth-part-found', { id: 'bar', label: 'Bar', kind: 'bar' })
  site.write('earth-part-found', { id: 'frames', label: 'Frames', kind: 'frame', unitId: 'modules' })
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
      to: 'bar',
      means: 'supply-cable',
      size: 10,
      length: 12,
      lineSize: 10,
    })
  }
  for (let i = 1; i <= batteries; i++) {
    site.write('earth-part-found', {
      id: `e-bat-${i}`,
      label: `Battery ${i}`,
      kind: 'unit',
      unitId: `bat-${i}`,
    })
    site.write('bond-made', {
      id: `b-bat-${i}`,
      from: `e-bat-${i}`,
      to: 'bar',
      means: 'lug',
      size: 10,
      length: 3,
      lineSize: 10,
    })
  }
}

/** Sizes by gauge or by area that carry what the devices let through. */
const SIZES = {
  iec: { main: 50, branch: 10, dc: 10, loads: 16 },
  nec: { main: 53.49, branch: 8.37, dc: 8.37, loads: 13.3 },
}

function network(site, { inverters, batteries, three, nec }) {
  const size = SIZES[nec ? 'nec' : 'iec']
  const part = (id, kind, more = {}) => site.write('part-placed', { id, label: id, kind, ...more })
  const run = (from, to, mm2, more = {}) =>
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
  part('grid', 'grid', { source: 80 })
  part('fuse', 'device', { rating: 63 })
  part('meter-part', 'meter', { rating: 100, unitId: 'meter' })
  part('board', 'board', { rating: 200, surge: true, labelled: true })
  part('q-loads', 'device', { rating: 32, residual: 'A' })
  part('loads', 'load')
  run('grid', 'fuse', size.main)
  run('fuse', 'meter-part', size.main)
  run('meter-part', 'board', size.main)
  run('board', 'q-loads', size.loads)
  run('q-loads', 'loads', size.loads)
  for (let i = 1; i <= inverters; i++) {
    part(`q-${i}`, 'device', { rating: 25, residual: 'B' })
    part(`i-${i}`, 'isolator', { rating: 40 })
    part(`p-inv-${i}`, 'inverter', { unitId: `inv-${i}`, source: 13 })
    run('board', `q-${i}`, size.branch)
    run(`q-${i}`, `i-${i}`, size.branch)
    run(`i-${i}`, `p-inv-${i}`, size.branch)
  }
  for (let i = 1; i <= batteries; i++) {
    part(`p-bat-${i}`, 'battery', { unitId: `bat-${i}`, source: 25 })
    run(`p-inv-${Math.min(i, inverters)}`, `p-bat-${i}`, size.dc, { phases: 'dc', voltage: 410 })
  }
}
