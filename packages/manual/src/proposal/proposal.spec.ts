import { sheetFaults, type Sheet } from '@plumb-mark/core'
import { parse } from 'yaml'
import { FACT_KINDS, type Fact, type FactKind } from '../finders/spot.js'
import { draftSheet, sheetSource } from './draft-sheet.js'
import { figure, idOf, range } from './proposed.js'
import type { Data } from './proposed.js'

const HEAD = {
  maker: 'Nobody',
  model: 'N-1',
  title: 'Box',
  revision: 'A',
  date: '2026-11-30',
  source: 'Manual, edition 1',
}
const BOX = { x0: 60, top: 100, x1: 200, bottom: 112 }
const UNITS: Partial<Record<FactKind, string>> = {
  torque: 'N·m',
  conductor: 'mm²',
  strip: 'mm',
  gland: 'mm',
  mass: 'kg',
  size: 'mm',
  clearance: 'mm',
  temperature: '°C',
  humidity: '%',
  altitude: 'm',
  tilt: '°',
  length: 'm',
  breaker: 'A',
  earth: 'mm²',
  wait: 's',
}
const fact = (kind: FactKind, more: Partial<Fact> = {}): Fact => ({
  kind,
  subject: 'cover',
  unit: UNITS[kind] ?? '',
  page: 4,
  clause: '6.2',
  text: 'Keep the cover as it is.',
  box: BOX,
  ...more,
})
const sheetOf = (...facts: Fact[]) =>
  draftSheet({ facts, device: 'inverter' }, HEAD) as Data & Pick<Sheet, 'requirements'>
const demands = (...facts: Fact[]) => sheetOf(...facts)['requirements'] as unknown as Data[]
const only = (...facts: Fact[]): Data => {
  const all = demands(...facts)
  expect(all).toHaveLength(1)
  return all[0]!
}
/** What of a draft the format does not take yet, by its path. */
const missing = (...facts: Fact[]) => sheetFaults(sheetOf(...facts)).map(({ path }) => path)

/** In the head of a sheet and no demand of it. */
const HEADS: readonly FactKind[] = ['mass', 'size', 'rating']
const demanding = FACT_KINDS.filter((kind) => !HEADS.includes(kind))

describe('each kind of fact', () => {
  it.each(demanding)('“%s” becomes a demand that the format reads, with its clause and its place', (kind) => {
    const subject = { clearance: 'inverter, left', step: '1', alarm: 'E01', indicator: 'green, blinking' }[
      kind as string
    ]
    const made = only(fact(kind, { min: 10, max: 14, ...(subject && { subject }) }))
    expect(made['clause']).toBe('6.2')
    expect(made['printed']).toEqual({ page: 4, box: [60, 100, 200, 112] })
    expect(made['remedy']).toMatch(/\.$/)
    // What a person still has to say is asked for; nothing else is wrong with it.
    const open = missing(fact(kind, { min: 10, max: 14, ...(subject && { subject }) }))
    expect(open.filter((path) => !/clear|good|requirements\[0\]\.(patterns|codes)/.test(path))).toEqual([])
  })

  it.each(HEADS)('“%s” stands in the head, and asks nothing', (kind) => {
    expect(demands(fact(kind, { value: 31 }))).toEqual([])
  })

  it('of which nothing was found is in no sheet', () => {
    const empty = sheetOf()
    expect(empty['requirements']).toEqual([])
    expect(empty['terminals']).toEqual([])
    for (const key of ['mass', 'size']) expect(empty).not.toHaveProperty(key)
  })
})

describe('a figure', () => {
  it.each([
    [{ value: 2.5 }, { min: '2.5 N·m', max: '2.5 N·m' }],
    [
      { min: 2.2, max: 2.8 },
      { min: '2.2 N·m', max: '2.8 N·m' },
    ],
    [{ min: 2.2 }, { min: '2.2 N·m' }],
    [{ max: 0 }, { max: '0 N·m' }],
    [{}, {}],
  ])('%j is written as %j', (figures, written) => {
    expect(range(fact('torque', figures))).toEqual(written)
  })
  it('has no digits that a computer added, and no unit where it has none', () => {
    expect(figure(0.1 + 0.2, 'm')).toBe('0.3 m')
    expect(figure(3, '')).toBe('3')
  })
  it('without a tolerance can be proven by no instrument, and the format says so', () => {
    expect(missing(fact('torque', { value: 2.5 }))).toEqual(['requirements[0]'])
    expect(missing(fact('torque', { min: 2.2, max: 2.8 }))).toEqual([])
  })
  it('that is none leaves the demand without limits, and the format asks for them', () => {
    expect(missing(fact('torque'))).not.toEqual([])
  })
})

describe('free space', () => {
  const side = (name: string, figures: Partial<Fact>) =>
    fact('clearance', { subject: `inverter, ${name}`, ...figures })
  it('to all sides is one demand; of two figures for a side the larger counts', () => {
    const made = only(
      side('left', { min: 100 }),
      side('left', { min: 150 }),
      side('right', { value: 100 }),
      side('above', { min: 300 }),
      fact('clearance', { subject: 'between units', min: 200 }),
      fact('clearance', { subject: 'from an opening, window', min: 500 }),
    )
    expect(made['clear']).toEqual({ left: '150 mm', right: '100 mm', top: '300 mm' })
    expect(made['neighbour']).toEqual({ rule: 'stated', distance: '200 mm' })
    expect(made['keepOut']).toEqual([{ from: 'window', distance: '500 mm' }])
  })
  it('of a side that nobody said is left out, never zero', () => {
    const clear = only(side('left', { min: 100 }))['clear'] as Data
    expect(Object.keys(clear)).toEqual(['left'])
    expect(missing(side('left', { min: 100 })).length).toBeGreaterThan(0)
  })
  it('without a side is a demand of its own', () => {
    expect(only(fact('clearance', { subject: 'in front', min: 800 }))).toMatchObject({
      kind: 'limits',
      min: '800 mm',
    })
  })
})

describe('terminals', () => {
  const row = (label: string, rest: string, ...facts: [FactKind, Partial<Fact>][]): Fact[] =>
    facts.map(([kind, more]) => fact(kind, { subject: label, text: `${label} | ${rest}`, ...more }))
  const L1 = row(
    'L1',
    '2.5 to 6 | 12 | 1.2',
    ['conductor', { min: 2.5, max: 6 }],
    ['strip', { value: 12 }],
    ['torque', { value: 1.2 }],
  )

  it('a row with two windows or more is one; its torque is nominal, since no tolerance is said', () => {
    const [terminal] = sheetOf(...L1)['terminals'] as Data[]
    expect(terminal).toMatchObject({
      id: 'l1',
      label: 'L1',
      side: 'ac',
      clamp: 'torque',
      conductor: { min: '2.5 mm²', max: '6 mm²' },
      strip: { min: '12 mm', max: '12 mm' },
      torque: { nominal: '1.2 N·m' },
    })
    expect(demands(...L1).map(({ title }) => title)).toEqual([
      'Conductor size, AC',
      'Strip length, AC',
      'Tightening torque, AC',
    ])
  })
  it('a single window of a row is a demand by itself, and no terminal', () => {
    const one = row('L1', '1.2', ['torque', { value: 1.2 }])
    expect(sheetOf(...one)['terminals']).toEqual([])
    expect(only(...one)).toMatchObject({ kind: 'limits', title: 'Tightening torque: L1' })
  })
  it.each([
    ['PV1 +', 'dc'],
    ['BAT −', 'ac'],
    ['Battery +', 'battery'],
    ['PE', 'earth'],
    ['RS-485', 'signal'],
    ['N', 'ac'],
  ])('“%s” lies on the side %s', (label, side) => {
    const [terminal] = sheetOf(...row(label, 'x', ['conductor', { value: 6 }], ['strip', { value: 12 }]))[
      'terminals'
    ] as Data[]
    expect(terminal!['side']).toBe(side)
  })
  it('a spring is held by no torque, and none is asked of it', () => {
    const spring = row('N', 'spring | 2.5 | 12', ['conductor', { value: 2.5 }], ['strip', { value: 12 }])
    const sheet = sheetOf(...spring)
    expect((sheet['terminals'] as Data[])[0]).toMatchObject({ clamp: 'spring' })
    expect(demands(...spring).map(({ title }) => title)).not.toContain('Tightening torque, AC')
  })
  it('of one name have ids of their own', () => {
    const two = [...L1, ...L1.map((one) => ({ ...one, page: 5 }))]
    expect((sheetOf(...two)['terminals'] as Data[]).map(({ id }) => id)).toEqual(['l1', 'l1-2'])
  })
})

describe('what goes together', () => {
  it('steps stand in their order, each after the one before; a number that comes twice counts once', () => {
    const made = only(
      fact('step', { subject: '1', text: 'Close the main switch' }),
      fact('step', { subject: '2', text: 'Wait' }),
      fact('step', { subject: '2', text: 'Wait again' }),
      fact('step', { subject: '3', text: 'Switch on' }),
    )
    expect(made['steps']).toEqual([
      { id: 'step-1', label: 'Close the main switch' },
      { id: 'step-2', label: 'Wait', after: ['step-1'] },
      { id: 'step-3', label: 'Switch on', after: ['step-2'] },
    ])
    expect(made['severity']).toBe('stop')
  })
  it('settings keep a figure of nought as a figure', () => {
    const made = only(
      fact('setting', { subject: 'Export limit', value: 0, unit: 'W' }),
      fact('setting', { subject: 'Wait', min: 60, max: 300, unit: 's' }),
      fact('setting', { subject: 'Export limit', max: 10, unit: '%' }),
    )
    expect(made['settings']).toEqual([
      { id: 'export-limit', label: 'Export limit', unit: 'W', rule: { equals: 0 } },
      { id: 'wait', label: 'Wait', unit: 's', rule: { min: 60, max: 300 } },
      { id: 'export-limit-2', label: 'Export limit', unit: '%', rule: { max: 10 } },
    ])
  })
  it('a code without a name is none, and one that comes twice counts once', () => {
    const made = only(
      fact('alarm', { subject: '', text: 'Fault' }),
      fact('alarm', { subject: 'E01', text: 'Overvoltage' }),
      fact('alarm', { subject: 'E01', text: 'Again' }),
    )
    expect(made['codes']).toMatchObject([{ id: 'E01', means: 'Overvoltage' }])
    expect(demands(fact('alarm', { subject: '' }))).toEqual([])
  })
  it('of a lamp nobody has said yet whether it is a good sign', () => {
    const made = only(fact('indicator', { subject: 'green, twice a second', text: 'Running' }))
    expect(made['patterns']).toEqual([
      { id: 'green-twice-a-second', colour: 'green', rhythm: 'twice a second', means: 'Running' },
    ])
  })
})

describe('odd figures', () => {
  it('an earth conductor beyond every table is asked as a question', () => {
    expect(only(fact('earth', { min: 16 }))).toMatchObject({ kind: 'earth-size', minimum: '16 mm²' })
    expect(only(fact('earth', { min: 2000 }))).toMatchObject({ kind: 'observation' })
    expect(only(fact('earth'))).toMatchObject({ kind: 'observation', severity: 'major' })
  })
  it('modules to a string are whole, or not said', () => {
    const string = (figures: Partial<Fact>) =>
      only(fact('count', { subject: 'modules per string', ...figures }))
    expect(string({ min: 5, max: 12 })).toMatchObject({ kind: 'string-limits', minCount: 5, maxCount: 12 })
    for (const odd of [{ min: 0 }, { min: 2.5 }, {}]) expect(string(odd)).not.toHaveProperty('minCount')
  })
  it('a box has a size only with all three edges', () => {
    const edge = (name: string) => fact('size', { subject: `inverter ${name}`, value: 500 })
    expect(sheetOf(edge('width'), edge('height'))).not.toHaveProperty('size')
    expect(sheetOf(edge('width'), edge('height'), edge('depth'))['size']).toEqual({
      width: '500 mm',
      height: '500 mm',
      depth: '500 mm',
    })
  })
})

it('ids are words of the demand, short, and never the same twice', () => {
  const taken = new Set<string>()
  expect(idOf('Tightening torque: L1 / L2', taken)).toBe('tightening-torque-l1-l2')
  expect(idOf('Tightening torque: L1 / L2', taken)).toBe('tightening-torque-l1-l2-2')
  expect(idOf('!!!', taken)).toBe('demand')
  expect(idOf('x'.repeat(90), taken).length).toBeLessThanOrEqual(40)
})

it('as text it is read again as what it was', () => {
  const data = sheetOf(
    fact('torque', { value: 2.5, subject: 'cover: “left”, # 1' }),
    fact('wait', { text: 'Wait: 5 min' }),
  )
  expect(parse(sheetSource(data))).toEqual(JSON.parse(JSON.stringify(data)))
})
