import { THING_FAULTS, expired, nextRevision } from '@plumb-mark/practice'
import { pick } from './answers.mjs'

const part = (id, change) => (site) => site.change('part-placed', id, change)
const unit = (id, change) => (site) => site.change('unit-fitted', id, change)
const wall = (change) => (site) => site.change('wall-measured', 'w-inv', change)
const string = (change) => (site) => site.change('string-built', 's1', change)
const drop = (test) => (site) => site.remove(test)
const several = (site) => site.find('unit-fitted', ({ id }) => id.startsWith('inv-')).length > 1
const ends =
  (id) =>
  ({ body }) =>
    body.from === id || body.to === id || body.id === id
const obstruction =
  (of, x, y = 1300, w = 100, h = 100) =>
  (site) => {
    site.write('obstruction-measured', {
      wallId: 'w-inv',
      obstruction: { id: 'thing', label: 'thing', class: of, x, y, w, h },
    })
    return true
  }
const place = (change) => unit('inv-1', ({ place: was }) => ({ place: { ...was, ...change(was) } }))
const bypass =
  (from, to, size = 4) =>
  (site) => {
    const like = site.find('conductor-run', ({ id }) => id === 'c-board-q-1')[0].body
    site.write('conductor-run', { ...like, id: 'extra', from, to, size })
    return true
  }

/** A fault in what stands on site, there before anything is read. */
const BEFORE = [
  ['something stands beside an inverter', obstruction('shelf', 1040)],
  ['something hangs over an inverter', obstruction('shelf', 600, 1900)],
  ['a window too near', obstruction('window', 1300, 1000, 300, 300)],
  ['a window too near, written otherwise', obstruction(' WINDOW', 1500, 1000, 300, 300)],
  ['something of a kind that nobody knows', obstruction('thingummy', 0, 0, 20, 20)],
  ['a low ceiling', wall(() => ({ height: 2150 }))],
  ['two inverters too near', (site) => several(site) && besideIt(site)],
  ['two inverters in one place', (site) => several(site) && place(({ x }) => ({ x: x + 1200 }))(site)],
  ['a wall measured with nothing', wall(() => ({ tape: undefined, instrument: undefined }))],
  ['a wall measured with a tape out of calibration', wall(expired)],
  ['a right corner that nobody measured', wall(() => ({ width: undefined, rightCorner: true }))],
  ['a gap that contradicts the offsets', contradicted],

  ['a way round the breaker', bypass('board', 'p-inv-1')],
  ['a way round the breaker by a thick cable', bypass('board', 'p-inv-1', 70)],
  ['a second way to the grid, over a breaker that is too large', secondWay(250)],
  ['a load on the board without a breaker', bypass('board', 'loads', 1.5)],
  [
    'the main fuse is too large',
    (site) => part('fuse', () => ({ rating: 250 }))(site) && part('grid', () => ({ source: 250 }))(site),
  ],
  ['a cable is not drawn', drop(ends('c-q-1-i-1'))],
  ['an inverter is not traced', drop(ends('p-inv-1'))],
  ['a row of inverters on a thin cable', rowOfInverters],

  [
    'a string too long',
    string(({ path }) => ({
      path: [
        ...path,
        ...path.map((at) => at.replace('r1', 'r2')),
        ...path.map((at) => at.replace('r1', 'r3')),
      ],
    })),
  ],
  ['a string of which half has three times the voltage', mixedModules],
  [
    'a place on two strings',
    (site) => site.change('string-built', 's2', ({ path }) => ({ path: [...path.slice(1), 'south.r1c1'] })),
  ],
  [
    'a string over an empty place',
    (site) => site.change('plane-built', 'south', () => ({ empty: ['south.r1c2'] })),
  ],
  ['an input that nobody spoke of', drop(({ kind, body }) => kind === 'string-built' && body.id === 's2')],
  [
    'nobody said how cold it gets',
    (site) => (site.entries[0].body = { ...site.entries[0].body, coldest: undefined }) && true,
  ],
  [
    'far colder than the inverter stands',
    (site) =>
      (site.entries[0].body = { ...site.entries[0].body, coldest: -45 }) &&
      string(({ path }) => ({ path: [...path, ...path.map((at) => at.replace('r1', 'r2'))], input: 'PV1' }))(
        site,
      ),
  ],

  ['a bond is missing', drop(ends('b-inv-1'))],
  ['the bar is not bonded', drop(ends('b-bar'))],
  ['the core of the supply is landed on nothing', looseCore],
  ['frames that are not bonded', drop(ends('b-frames'))],

  ['a box without a serial', box(() => ({ serial: undefined }))],
  ['a module on two boxes', box((one, others) => ({ feeds: [...one.feeds, others[1].at] }))],
  ['a module on two inputs of one box', box((one) => ({ feeds: [one.feeds[0], one.feeds[0]] }))],
  ['an open port', box(() => ({ idlePorts: 1, cappedPorts: 0 }))],
]

/** A fault that comes after everything was read. */
const AFTER = [
  ['an inverter is exchanged', (site) => later(site, 'unit-fitted', 'inv-1', () => ({ serial: 'NEW-77' }))],
  [
    'a string is wired anew',
    (site) =>
      later(site, 'string-built', 's1', ({ path, count }) => ({ path: path.slice(1), count: count - 1 })),
  ],
  [
    'a bond is made anew',
    (site) => later(site, 'bond-made', 'b-inv-1', () => ({ means: 'copper', size: 10, length: 30 })),
  ],
  ['a revision asks another question', adopted],
  ['a module sheet with another voltage', adoptedModules],
]

/** One of those that can stand so, and does. */
const stands =
  ({ kind, of, changed }) =>
  (site) => {
    const able = site.find(kind, (body) => of.test(body.id) && changed(body) !== undefined)
    if (able.length === 0) return false
    const entry = site.chance.of(able)
    entry.body = changed(entry.body)
    return true
  }

export const BUILT = [
  ...THING_FAULTS.filter(({ crowds }) => !crowds).map((fault) => ({
    name: fault.name,
    plant: stands(fault),
    before: true,
  })),
  ...BEFORE.map(([name, plant]) => ({ name, plant, before: true })),
  ...AFTER.map(([name, plant]) => ({ name, plant })),
]

function later(site, kind, id, change) {
  const was = site.find(kind, (body) => body.id === id).at(-1)
  if (!was) return false
  site.write(kind, { ...was.body, ...change(was.body) })
  return true
}

/** A hand's breadth apart, whatever the sheets of the two demand. */
function besideIt(site) {
  const next = site.find('unit-fitted', ({ id }) => id === 'inv-2')[0].body.place
  return place(({ w }) => ({ x: next.x - w - 60 }))(site)
}

function secondWay(rating) {
  return (site) => {
    const like = site.find('conductor-run', ({ id }) => id === 'c-board-q-1')[0].body
    site.write('part-placed', {
      id: 'q-second',
      label: 'Second breaker',
      kind: 'device',
      rating,
      residual: 'B',
    })
    site.write('conductor-run', { ...like, id: 'second-1', from: 'board', to: 'q-second', size: 150 })
    site.write('conductor-run', { ...like, id: 'second-2', from: 'q-second', to: 'p-inv-1', size: 150 })
    return true
  }
}

/** The plane to which half of a string goes on has modules of another sheet; the typed ones say nothing of them. */
function mixedModules(site) {
  const { body } = site.find('unit-fitted', ({ id }) => id === 'modules')[0]
  const next = nextRevision(site.sheets.get(body.sheetId), (data) => {
    data.model = `${data.model}-H`
    data.module.voc *= 3
  })
  site.sheets.set(next.id, next.sheet)
  const [opened] = site.entries
  const { maker, model, revision } = next.sheet
  opened.body = {
    ...opened.body,
    sheets: [...opened.body.sheets, { id: next.id, maker, model, revision, fingerprint: 'f' }],
  }
  site.write('unit-fitted', { id: 'high', label: 'High modules', sheetId: next.id })
  const plane = site.find('plane-built', ({ id }) => id === 'south')[0].body
  site.write('plane-built', { ...plane, id: 'west', label: 'West', unitId: 'high', rows: 1 })
  return site.change('string-built', 's1', ({ path }) => ({
    path: path.map((at, i) => (i < path.length / 2 ? at : `west.r1c${i + 1}`)),
  }))
}

function contradicted(site) {
  if (!several(site)) return false
  const [a, b] = ['inv-1', 'inv-2'].map(
    (id) => site.find('unit-fitted', (body) => body.id === id)[0].body.place,
  )
  const computed = b.x - a.x - a.w
  const value = Math.round(computed / 4)
  site.write('gap-measured', {
    wallId: 'w-inv',
    gap: { id: 'g', from: 'inv-1', to: 'inv-2', axis: 'across', value, typed: `${value} mm` },
  })
  return true
}

function rowOfInverters(site) {
  const like = site.find('conductor-run', ({ id }) => id === 'c-i-1-p-inv-1')[0].body
  let before = 'p-inv-1'
  for (let i = 0; i < 14; i++) {
    const id = `row-${i}`
    site.write('part-placed', { id, label: id, kind: 'inverter', source: 6 })
    site.write('conductor-run', { ...like, id: `c-${id}`, from: before, to: id })
    before = id
  }
  return true
}

function looseCore(site) {
  site.write('earth-part-found', { id: 'stub', label: 'Stub', kind: 'bar' })
  site.write('bond-made', {
    id: 'b-second',
    from: 'e-inv-1',
    to: 'bar',
    means: 'copper',
    size: 10,
    length: 4,
    lineSize: 10,
  })
  return site.change('bond-made', 'b-inv-1', () => ({ to: 'stub' }))
}

function box(change) {
  return (site) => {
    const [entry] = site.find('devices-fitted')
    if (!entry) return false
    const { devices } = entry.body
    entry.body = { devices: devices.map((one, i) => (i === 0 ? { ...one, ...change(one, devices) } : one)) }
    return true
  }
}

function adopt(site, unitId, change) {
  const { sheetId } = site.find('unit-fitted', ({ id }) => id === unitId).at(-1).body
  const next = nextRevision(site.sheets.get(sheetId), change)
  site.sheets.set(next.id, next.sheet)
  const { maker, model, revision } = next.sheet
  site.write('sheet-adopted', {
    sheet: { id: next.id, maker, model, revision, fingerprint: 'f' },
    replaces: sheetId,
  })
}

function adopted(site) {
  const found = pick(
    site,
    ({ requirement, unit }) => unit.id === 'inv-1' && requirement.kind === 'observation',
  )
  adopt(site, 'inv-1', (data) => {
    data.requirements.find(({ id }) => id === found.check.requirement.id).question =
      'Was something quite different seen here?'
  })
  return true
}

function adoptedModules(site) {
  adopt(site, 'modules', (data) => void (data.module.voc = 49.6))
  return true
}
