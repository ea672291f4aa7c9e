import { METER, Site, sheet, string } from '../sheet/kinds/site.testing.js'
import { guessMapping, readTesterTable } from './tester-table.js'

const of = sheet('I', 'string-inverter', [{ id: 'voc', kind: 'string-open-circuit', max: '600 V' }, { id: 'iso', kind: 'insulation' }])
const { checks } = new Site().unit(of).write(string(['p.r1c1'], { id: 'a', label: 'String A', path: undefined, count: 10 }), string(['p.r1c1'], { id: 'b', label: 'String B', path: undefined, count: 10 })).inspection
const MAPPING = guessMapping(['Name', 'Uoc (V)', 'Voc', 'R iso MOhm', 'Test V', 'T cell', 'Irradiance'])
const read = (rows: Record<string, string>[], decimal: 'point' | 'comma' = 'point') => readTesterTable(rows, MAPPING, checks, { instrument: METER, decimal })

it('columns are guessed by the words of their headers', () => expect(MAPPING).toEqual({ string: 'Name', voc: 'Voc', insulation: 'R iso MOhm', testVoltage: 'Test V', cellTemperature: 'T cell', irradiance: 'Irradiance' }))
it('a row becomes the readings of its string, each with its conditions', () => {
  expect(read([{ Name: 'a', Voc: '392.5', 'R iso MOhm': '> 999', 'Test V': '1000', 'T cell': '22', Irradiance: '710' }])).toEqual({
    ok: true,
    readings: [
      { point: 'I/voc/a', typed: '392.5', value: 392.5, unit: 'V', relation: '=', conditions: { cellTemperature: 22, irradiance: 710 }, instrument: METER },
      { point: 'I/iso/a', typed: '> 999', value: 999, unit: 'MΩ', relation: '>', conditions: { testVoltage: 1000 }, instrument: METER },
    ],
  })
})
it('the decimal mark is the reader’s own', () => expect(read([{ Name: 'String B', Voc: '392,5' }], 'comma')).toMatchObject({ ok: true, readings: [{ value: 392.5 }] }))
it('with faults every row is named, and nothing is taken', () => {
  expect(read([{ Name: 'A', Voc: '390' }, { Name: 'Z', Voc: '390' }, { Name: 'B', Voc: '39 apples' }, { Name: '' }])).toEqual({
    ok: false,
    faults: [
      { row: 3, column: 'Name', reason: 'no string is called “Z”' },
      { row: 4, column: 'Voc', reason: expect.stringContaining('apples') },
      { row: 5, column: 'Name', reason: 'no string is named' },
    ],
  })
})
it('a file without rows says so', () => expect(read([])).toMatchObject({ ok: false, faults: [{ row: 1 }] }))
