import { METER, MODULE, Site, plane, sheet, string } from '../requirements/site.testing.js'
import { operatingVoltage } from '../requirements/dc/operating-voltage.js'
import { endOfVoltages, stringChart } from './string-chart.js'

const INVERTER = sheet('I', 'string-inverter', [
  { id: 'voc', kind: 'string-open-circuit', max: '500 V', start: '60 V' },
  { id: 'cold', kind: 'cold-limit', max: '500 V' },
  { id: 'win', kind: 'tracker-window', min: '50 V', max: '90 V' },
])
const module = (data: object) => sheet('M', 'module', [], { module: { ...MODULE.module!, ...data } })
const site = (header: object = { coldest: -15 }, data: object = { vmp: 33, vmpTempCoeff: -0.4 }) =>
  new Site(header)
    .unit(module(data))
    .unit(INVERTER)
    .write(plane(1, 2), string(['p.r1c1', 'p.r1c2']))
const read = (value: number, conditions?: object) => ({
  kind: 'reading' as const,
  body: {
    point: 'I/voc/s',
    typed: `${value} V`,
    value,
    unit: 'V',
    relation: '=' as const,
    instrument: METER,
    ...(conditions && { conditions }),
  },
})

describe('a string on the chart', () => {
  it('before it is read shows what follows from the sheets', () => {
    const [row] = stringChart(site().inspection)
    expect(row).toMatchObject({
      id: 'I/voc/s',
      label: 'String A',
      unitLabel: 'I',
      count: 2,
      limit: 500,
      start: 60,
      measured: undefined,
      band: undefined,
      verdict: 'not-inspected',
    })
    // 2 × 40 V × (1 + 0.003 × 40) on the coldest morning; 2 × 33 V × 0.82 hot, × 1.16 cold.
    expect(row!.cold).toEqual({ voltage: expect.closeTo(89.6, 6), verdict: 'conforms' })
    expect(row!.operating).toMatchObject({
      from: expect.closeTo(54.12, 6),
      to: expect.closeTo(76.56, 6),
      least: 50,
      most: 90,
      verdict: 'conforms',
    })
  })
  it('read with temperature and light, stands beside its band', () => {
    const [row] = stringChart(site().write(read(80, { cellTemperature: 25, irradiance: 1000 })).inspection)
    expect(row!.measured).toBe(80)
    expect(row!.band!.from).toBeLessThan(80)
    expect(row!.band!.to).toBeGreaterThan(80)
    expect(row!.verdict).toBe('conforms')
  })
  it('read without them has a figure and no band', () =>
    expect(stringChart(site().write(read(80)).inspection)[0]).toMatchObject({
      measured: 80,
      band: undefined,
      verdict: 'not-proven',
    }))
  it('says nothing of a morning that nobody knows, and works from standard cells instead', () => {
    const [row] = stringChart(site({}).inspection)
    expect(row!.cold).toBeUndefined()
    expect(row!.operating!.to).toBeCloseTo(66, 9)
  })
  it('has no window where the modules do not say their voltage', () =>
    expect(stringChart(site(undefined, {}).inspection)[0]!.operating).toBeUndefined())
})

it.each([
  ['nothing read yet', site(), 525],
  ['a reading below the limit', site().write(read(480)), 525],
  ['a reading beyond the limit', site().write(read(900)), 945],
  ['a morning so cold that the string is beyond the limit', site({ coldest: -40 }, { voc: 300 }), 753],
])('the axis goes beyond the limit and beyond all that is drawn: %s', (_name, { inspection }, end) =>
  expect(endOfVoltages(stringChart(inspection))).toBe(end),
)

describe('the voltage at the maximum power point', () => {
  const at = (vmp?: number, vmpTempCoeff?: number) => ({ data: { vmp, vmpTempCoeff } }) as never
  it('adds up modules of different kinds, each by its own coefficient', () =>
    expect(operatingVoltage([at(30, -0.4), at(40, -0.3)], { hottestCell: 75, coldest: -25 })).toEqual({
      standard: 70,
      hot: expect.closeTo(24 + 34, 9),
      cold: expect.closeTo(36 + 46, 9),
    }))
  it('is not known where one of them is silent, or none is there', () => {
    expect(operatingVoltage([at(30, -0.4), at(40)], { hottestCell: 70, coldest: 0 })).toBeUndefined()
    expect(operatingVoltage([at(30, -0.4), undefined], { hottestCell: 70, coldest: 0 })).toBeUndefined()
    expect(operatingVoltage([], { hottestCell: 70, coldest: 0 })).toBeUndefined()
  })
})
