import type { Instrument } from '../../instrument/instrument.js'
import { METER, MODULE, Site, plane, sheet, string } from '../site.testing.js'

const TESTER: Instrument = {
  ...METER,
  id: 'n',
  kind: 'insulation-tester',
  accuracy: [{ dimension: 'insulation', percent: 5, plus: 0 }],
}

describe('a string on the DC side', () => {
  const of = sheet('I', 'string-inverter', [
    { id: 'cold', kind: 'cold-limit', max: '500 V' },
    { id: 'alike', kind: 'like-strings', reads: 'voc' },
    { id: 'voc', kind: 'string-open-circuit', point: 'voc', max: '500 V' },
    { id: 'iso', kind: 'insulation' },
  ])
  const built = (n: number, header: object = { coldest: -10 }, more: object = {}) =>
    new Site(header).unit(of).write(
      string(
        Array.from({ length: n }, (_, i) => `p.r1c${i + 1}`),
        { path: undefined, count: n, ...more },
      ),
    )
  it.each<[string, ReturnType<typeof built>, string]>([
    [
      'stays under the limit on the coldest morning',
      built(11),
      'conforms: 486.2 V of 500 V; 11 modules would still do',
    ],
    ['or does not', built(12), 'does-not-conform: 530.4 V of 500 V; 11 modules would still do'],
    [
      'by the table where the string says so',
      built(11, { coldest: -10 }, { coldMethod: 'table' }),
      'does-not-conform: 501.6 V',
    ],
    [
      'and is not proven while nobody knows how cold it gets',
      built(11, {}),
      'not-proven: the coldest morning is not known',
    ],
  ])('%s', (_rule, site, said) => expect(site.says('I/cold/s')).toContain(said))

  const STANDARD = { cellTemperature: 25, irradiance: 1000 }
  const reading = (id: string, value: number, more: object = {}) => ({
    kind: 'reading' as const,
    body: {
      point: `I/voc/${id}`,
      typed: `${value} V`,
      value,
      unit: 'V',
      relation: '=' as const,
      instrument: METER,
      conditions: STANDARD,
      ...more,
    },
  })
  const alike = (...rows: [number, object?][]) =>
    rows.reduce(
      (site, [value, more], i) =>
        site.write(
          string(['p.r1c1'], { id: `s${i}`, label: `String ${i}`, path: undefined, count: 10 }),
          reading(`s${i}`, value, more),
        ),
      new Site().unit(of),
    )
  const three = (...volts: number[]) => alike(...volts.map((value): [number] => [value]))
  it('reads like the like strings, or is named', () => {
    expect(three(400, 401, 399).says('I/alike/unit')).toBe('conforms: 3 strings alike')
    expect(three(400, 401, 360).says('I/alike/unit')).toContain('String 2 differs by −10.1 %')
  })
  it('each by its own temperature and light: a right one read hot is alike, a short one read cold is not', () => {
    const hot = { conditions: { cellTemperature: 55, irradiance: 1000 } }
    const cold = { conditions: { cellTemperature: -8.4, irradiance: 1000 } }
    expect(alike([400], [401], [364, hot]).says('I/alike/unit')).toContain('conforms')
    expect(alike([400], [401], [396, cold]).says('I/alike/unit')).toContain('does-not-conform')
  })
  it.each([
    ['conditions', { conditions: undefined }],
    ['instrument', { instrument: undefined }],
    ['exact figure', { relation: '>' }],
  ])('proves nothing without %s', (_what, more) =>
    expect(alike([400], [401], [399, more]).says('I/alike/unit')).toContain('not-proven'),
  )
  it('without like strings has nothing to be compared with', () =>
    expect(three(400).says('I/alike/unit')).toContain('not-proven'))
  it('of which none is read is not inspected', () =>
    expect(built(10).says('I/alike/unit')).toBe('not-inspected: '))

  const tested = (value: number, relation: '=' | '>', testVoltage?: number) =>
    built(11)
      .write({
        kind: 'reading',
        body: {
          point: 'I/iso/s',
          typed: `${value}`,
          value,
          unit: 'MΩ',
          relation,
          instrument: TESTER,
          ...(testVoltage && { conditions: { testVoltage } }),
        },
      })
      .says('I/iso/s')
  it.each([
    [600, '>', 1000, 'conforms'],
    [600, '>', 500, 'not-proven'],
    [600, '>', undefined, 'not-proven'],
    [0.4, '=', 500, 'does-not-conform'],
    [1.02, '=', 1000, 'not-proven'],
  ] as const)('insulated by %s MΩ (%s) at %s V: %s', (value, relation, at, verdict) =>
    expect(tested(value, relation, at)).toContain(verdict),
  )
})

describe('the tracker window', () => {
  const modules = (data: object) => sheet('M', 'module', [], { module: { ...MODULE.module!, ...data } })
  const judged = (
    range: object,
    header: object = { coldest: -15 },
    data: object = { vmp: 33, vmpTempCoeff: -0.4 },
    drawn = true,
  ) =>
    new Site(header)
      .unit(modules(data))
      .unit(sheet('I', 'string-inverter', [{ id: 'w', kind: 'tracker-window', ...range }]))
      .write(plane(1, 2), string(['p.r1c1', 'p.r1c2'], drawn ? {} : { path: undefined }))
      .says('I/w/s')
  // 2 × 33 V; hot, at 70 °C, × 0.82; cold, at −15 °C, × 1.16
  it.each<[string, string, string]>([
    ['holds the string hot and cold', judged({ min: '54.1 V', max: '76.6 V' }), 'conforms: 54.12 V when hot'],
    ['is left below when hot', judged({ min: '54.2 V' }), 'does-not-conform: 54.12 V when hot, below 54.2 V'],
    [
      'is left above when cold',
      judged({ min: '40 V', max: '76.5 V' }),
      'does-not-conform: 76.56 V when cold, above 76.5 V',
    ],
    [
      'by the heat that the sheet names',
      judged({ min: '54.2 V', hottestCell: '60 °C' }),
      'conforms: 56.76 V when hot',
    ],
    [
      'is not proven where the modules do not say their voltage',
      judged({ min: '40 V' }, {}, {}),
      'not-proven: the voltage at the maximum power point is not known',
    ],
    [
      'nor where the string is not drawn',
      judged({ min: '40 V' }, {}, { vmp: 33, vmpTempCoeff: -0.4 }, false),
      'not-proven: the voltage at the maximum power point is not known',
    ],
    [
      'nor while nobody knows how cold it gets',
      judged({ min: '40 V', max: '80 V' }, {}),
      'not-proven: the coldest morning is not known',
    ],
  ])('%s', (_rule, said, wanted) => expect(said).toContain(wanted))
})

describe('the short-circuit current of a string', () => {
  const inverter = sheet('I', 'string-inverter', [{ id: 'isc', kind: 'string-short-circuit' }])
  const clamp: Instrument = {
    ...METER,
    kind: 'clamp-meter',
    accuracy: [{ dimension: 'current', percent: 1, plus: 0 }],
  }
  const read = (value: number, irradiance?: number, path: string[] | undefined = ['p.r1c1', 'p.r1c2']) =>
    new Site()
      .unit(MODULE)
      .unit(inverter)
      .write(plane(1, 2), string(['p.r1c1', 'p.r1c2'], { path }), {
        kind: 'reading',
        body: {
          point: 'I/isc/s',
          typed: `${value}`,
          value,
          unit: 'A',
          relation: '=',
          instrument: clamp,
          ...(irradiance && { conditions: { irradiance } }),
        },
      })
      .says('I/isc/s')
  it.each([
    [8.4, 700, 'conforms: 8.4 A of 8.4 A expected'],
    [4.2, 700, 'does-not-conform: 4.2 A of 8.4 A expected'],
    [9.2, 700, 'not-proven'],
    [8.4, undefined, 'not-proven'],
  ])('%s A in %s W/m²: %s', (value, light, said) => expect(read(value, light)).toContain(said))
})
