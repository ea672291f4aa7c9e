import type { Instrument } from '../instrument/instrument.js'
import { sheetFaults } from './faults.js'
import { unprovableLimits } from './impossible.js'
import { sheet } from './site.testing.js'

const common = { stage: 'identify', clause: '1', severity: 'major', title: 'T', remedy: 'R' }
const file = (requirements: object[], more: object = {}) => ({
  format: 'plumb-mark-sheet',
  version: 1,
  maker: 'Nobody',
  model: 'U',
  kind: 'hybrid-inverter',
  title: 'U',
  revision: '1',
  date: '2026-01-01',
  source: 'none',
  requirements: requirements.map((one, i) => ({ ...common, id: `r${i}`, ...one })),
  ...more,
})
const faults = (requirements: object[], more: object = {}) =>
  sheetFaults(file(requirements, more)).map(({ code, path }) => `${code} at ${path}`)
const limits = (dimension: string, min: string, max?: string) => ({ kind: 'limits', dimension, min, max })
const screw = (torque: object) => ({
  terminals: [{ id: 't', label: 'T', side: 'ac', clamp: 'torque', torque }],
})
const clear = { left: '1 mm', right: '1 mm', top: '1 mm', bottom: '1 mm' }

describe('a demand that nobody could ever show to be met is a fault of the sheet:', () => {
  it.each`
    what                                      | found
    ${limits('torque', '2.2 N·m', '2.2 N·m')} | ${'no-tolerance at requirements[0]'}
    ${limits('voltage', '230 V', '230 V')}    | ${'no-tolerance at requirements[0]'}
    ${limits('length', '-5 mm', '20 mm')}     | ${'negative at requirements[0]'}
    ${limits('torque', '-1 N·m')}             | ${'negative at requirements[0]'}
  `('$what.dimension from $what.min to $what.max', ({ what, found }: { what: object; found: string }) =>
    expect(faults([what])).toEqual([found]),
  )
  it('a tracker window and a start voltage upside down', () => {
    expect(faults([{ kind: 'tracker-window', min: '500 V', max: '200 V' }])).toEqual([
      'min-above-max at requirements[0].min',
    ])
    expect(faults([{ kind: 'string-open-circuit', start: '900 V', max: '600 V' }])).toEqual([
      'min-above-max at requirements[0].start',
    ])
  })
  it('a single torque of a terminal, which asks for its tolerance', () => {
    expect(faults([], screw({ min: '2.2 N·m', max: '2.2 N·m' }))).toEqual([
      'no-tolerance at terminals[0].torque',
    ])
    expect(faults([], screw({ nominal: '2.2 N·m' }))).toEqual([
      'missing at terminals[0].torque.tolerancePercent',
    ])
    expect(faults([], screw({ nominal: '2.2 N·m', tolerancePercent: 6 }))).toEqual([])
  })
})
it('what may well be a single figure is none: a count, a size of conductor, a temperature below zero', () => {
  expect(faults([limits('count', '4', '4')])).toEqual([])
  expect(faults([limits('conductor-size', '16 mm²', '16 mm²')])).toEqual([])
  expect(faults([limits('temperature', '-20 °C', '40 °C')])).toEqual([])
})
it('a single torque comes to a window, and both stay in the sheet', () => {
  const { terminals } = sheet('U', 'meter', [], screw({ nominal: '2 N·m', tolerancePercent: 10 }))
  expect(terminals[0]!.torque).toEqual({ nominal: 2, tolerancePercent: 10, min: 1.8, max: 2.2 })
})
it('house rules refuse what looks at one unit alone, and take what speaks of the whole site', () => {
  const house = { kind: 'installation' }
  expect(faults([{ kind: 'clearance', clear }], house)).toEqual(['out-of-place at requirements[0].kind'])
  expect(
    faults(
      [
        { kind: 'like-strings', reads: 'voc' },
        { kind: 'protection', surge: true },
      ],
      house,
    ),
  ).toEqual([])
})

describe('a window that no instrument at hand can prove', () => {
  const driver = (percent: number, upTo?: number): Instrument => ({
    id: 'd' as Instrument['id'],
    name: 'D',
    kind: 'torque-driver',
    serial: '1',
    calibratedUntil: '2027-01-01',
    accuracy: [{ dimension: 'torque', percent, plus: 0, ...(upTo !== undefined && { upTo }) }],
  })
  const narrow = sheet('U', 'meter', [], screw({ min: '2.15 N·m', max: '2.25 N·m' }))
  it('is told while the sheet is written, with the width that it takes', () => {
    expect(unprovableLimits(narrow, [driver(6), driver(4)])).toEqual([
      { path: 'terminals[0].torque', dimension: 'torque', needs: expect.closeTo(0.176, 6) as number },
    ])
    expect(unprovableLimits(narrow, [driver(6), driver(1)])).toEqual([])
  })
  it('or that lies beyond the range of all of them', () =>
    expect(unprovableLimits(narrow, [driver(1, 2)])).toEqual([
      { path: 'terminals[0].torque', dimension: 'torque', needs: undefined },
    ]))
})
