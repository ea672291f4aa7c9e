import type { Instrument } from '../instrument/instrument.js'
import { METER, Site, sheet, string } from '../requirements/site.testing.js'
import { guessMapping, readTesterTable } from './tester-table.js'

const of = sheet('I', 'string-inverter', [
  { id: 'voc', kind: 'string-open-circuit', max: '600 V' },
  { id: 'iso', kind: 'insulation' },
])
const { checks } = new Site()
  .unit(of)
  .write(
    string(['p.r1c1'], { id: 'a', label: 'String A', path: undefined, count: 10 }),
    string(['p.r1c1'], { id: 'b', label: 'String B', path: undefined, count: 10 }),
  ).inspection
const MAPPING = guessMapping(['Name', 'Uoc (V)', 'Voc', 'R iso MOhm', 'Test V', 'T cell', 'Irradiance'])
const read = (rows: Record<string, string>[], decimal: 'point' | 'comma' = 'point') =>
  readTesterTable(rows, MAPPING, checks, { instrument: TESTER, decimal })

const TESTER: Instrument = {
  ...METER,
  kind: 'insulation-tester',
  accuracy: [...METER.accuracy, { dimension: 'insulation', percent: 5, plus: 0 }],
}

it('columns are guessed by the words of their headers', () =>
  expect(MAPPING).toEqual({
    string: 'Name',
    voc: 'Voc',
    insulation: 'R iso MOhm',
    testVoltage: 'Test V',
    cellTemperature: 'T cell',
    irradiance: 'Irradiance',
  }))
it('a row becomes the readings of its string, each with its conditions', () => {
  expect(
    read([
      { Name: 'a', Voc: '392.5', 'R iso MOhm': '> 999', 'Test V': '1000', 'T cell': '22', Irradiance: '710' },
    ]),
  ).toEqual({
    ok: true,
    readings: [
      {
        point: 'I/voc/a',
        typed: '392.5',
        value: 392.5,
        unit: 'V',
        relation: '=',
        conditions: { cellTemperature: 22, irradiance: 710 },
        instrument: TESTER,
      },
      {
        point: 'I/iso/a',
        typed: '> 999',
        value: 999,
        unit: 'MΩ',
        relation: '>',
        conditions: { testVoltage: 1000 },
        instrument: TESTER,
      },
    ],
  })
})
it('the decimal mark is the reader’s own', () =>
  expect(read([{ Name: 'String B', Voc: '392,5' }], 'comma')).toMatchObject({
    ok: true,
    readings: [{ value: 392.5 }],
  }))
it('with faults every row is named, and nothing is taken', () => {
  expect(
    read([
      { Name: 'A', Voc: '390' },
      { Name: 'Z', Voc: '390' },
      { Name: 'B', Voc: '39 apples' },
      { Name: '' },
    ]),
  ).toEqual({
    ok: false,
    faults: [
      { row: 3, column: 'Name', reason: 'no string is called “Z”' },
      { row: 4, column: 'Voc', reason: expect.stringContaining('apples') },
      { row: 5, column: 'Name', reason: 'no string is named' },
    ],
  })
})
it('a file without rows says so', () => expect(read([])).toMatchObject({ ok: false, faults: [{ row: 1 }] }))

describe('what a file of many rows gets wrong', () => {
  const twice = sheet('I', 'string-inverter', [
    { id: 'voc', kind: 'string-open-circuit', max: '600 V' },
    { id: 'isc', kind: 'string-short-circuit' },
  ])
  const named = (id: string, label: string) => string(['p.r1c1'], { id, label, path: undefined, count: 10 })
  const site = new Site()
    .unit(twice)
    .write(named('a', 'String A'), named('b', 'String B'), named('c', 'String B')).inspection.checks
  const said = (rows: Record<string, string>[]) =>
    readTesterTable(rows, guessMapping(['String', 'Voc', 'Isc', 'Light']), site, {
      instrument: METER,
      decimal: 'point',
    })
  it('a string that is read twice', () =>
    expect(
      said([
        { String: 'A', Voc: '390' },
        { String: 'A', Isc: '9' },
        { String: 'A', Voc: '391' },
      ]),
    ).toEqual({ ok: false, faults: [{ row: 4, column: 'Voc', reason: 'is read in row 2 already' }] }))
  it('a name that several strings carry', () =>
    expect(said([{ String: 'B', Voc: '390' }])).toMatchObject({
      ok: false,
      faults: [{ row: 2, reason: 'several strings are called “B”' }],
    }))
  it('a figure that no check asks for', () =>
    expect(
      readTesterTable([{ String: 'A', R: '5' }], { string: 'String', insulation: 'R' }, site, {
        decimal: 'point',
      }),
    ).toMatchObject({ ok: false, faults: [{ reason: 'no check asks for it' }] }))
  it('the current comes with the light; a meter that does not measure it does not vouch for it', () =>
    expect(said([{ String: 'A', Isc: '9.1 A', Light: '700' }])).toEqual({
      ok: true,
      readings: [
        {
          point: 'I/isc/a',
          typed: '9.1 A',
          value: 9.1,
          unit: 'A',
          relation: '=',
          conditions: { irradiance: 700 },
        },
      ],
    }))
})
