import type { NetworkPart } from '../ac/one-line.js'
import type { Instrument } from '../instrument/instrument.js'
import { METER, MODULE, Site, TAPE, plane, sheet, string } from './site.testing.js'

const TESTER: Instrument = {
  ...METER,
  id: 'n',
  kind: 'insulation-tester',
  accuracy: [{ dimension: 'insulation', percent: 5, plus: 0 }],
}
const part = (id: string, kind: NetworkPart['kind'], more: Partial<NetworkPart> = {}) => ({
  kind: 'part-placed' as const,
  body: { id, label: id, kind, ...more },
})
const cable = (from: string, to: string, more: object = {}) => ({
  kind: 'conductor-run' as const,
  body: {
    id: `${from}-${to}`,
    from,
    to,
    phases: 1 as const,
    voltage: 230,
    size: 10,
    length: 5,
    insulation: 'pvc' as const,
    method: 'C' as const,
    ambient: 30,
    grouped: 1,
    ...more,
  },
})

describe('what protects a unit', () => {
  const asked = {
    id: 'p',
    kind: 'protection',
    device: { min: '16 A', max: '25 A' },
    residual: ['B'],
    surge: true,
    isolator: true,
    label: true,
  }
  const traced = (
    breaker: Partial<NetworkPart>,
    board: Partial<NetworkPart> = { surge: true, labelled: true },
    isolator: NetworkPart['kind'] = 'isolator',
  ) =>
    new Site()
      .unit(sheet('U', 'string-inverter', [asked]))
      .write(
        part('grid', 'grid', { source: 63 }),
        part('board', 'board', board),
        part('breaker', 'device', breaker),
        part('iso', isolator),
        part('inv', 'inverter', { unitId: 'U', source: 16 }),
        cable('grid', 'board'),
        cable('board', 'breaker'),
        cable('breaker', 'iso'),
        cable('iso', 'inv'),
      )
      .says('U/p/unit')
  it.each<[string, Parameters<typeof traced>, string]>([
    ['all of it', [{ rating: 20, residual: 'B' }], 'conforms: protected by breaker, 20 A'],
    ['a device too large', [{ rating: 32, residual: 'B' }], 'breaker 32 A is above 25 A'],
    ['a device too small', [{ rating: 10, residual: 'B' }], 'breaker 10 A is below 16 A'],
    ['a device whose rating nobody entered', [{ residual: 'B' }], 'not-proven: the rating of breaker'],
    [
      'another kind of residual-current device',
      [{ rating: 20, residual: 'AC' }],
      'residual-current protection is AC',
    ],
    ['none', [{ rating: 20, residual: 'none' }], 'residual-current protection is missing'],
    [
      'a kind that nobody read',
      [{ rating: 20 }],
      'not-proven: the kind of residual-current protection of breaker',
    ],
    [
      'no surge protection',
      [
        { rating: 20, residual: 'B' },
        { surge: false, labelled: true },
      ],
      'does-not-conform: surge protection is missing',
    ],
    [
      'surge protection that nobody looked for',
      [{ rating: 20, residual: 'B' }, { labelled: true }],
      'not-proven: whether surge protection is on a board',
    ],
    [
      'no label of two supplies',
      [
        { rating: 20, residual: 'B' },
        { surge: true, labelled: false },
      ],
      'the label of two supplies is missing',
    ],
    ['no isolator', [{ rating: 20, residual: 'B' }, { surge: true, labelled: true }, 'meter'], 'no isolator'],
  ])('%s', (_what, said, found) => expect(traced(...said)).toContain(found))
  it('is no further device where a way leads round the first one, and is asked of every part of the unit', () => {
    const doubled = (more: Parameters<typeof part>[2]) =>
      new Site()
        .unit(sheet('U', 'string-inverter', [{ id: 'p', kind: 'protection', device: { max: '25 A' } }]))
        .write(
          part('grid', 'grid', { source: 63 }),
          part('board', 'board'),
          part('b1', 'device', { rating: 20 }),
          part('b2', 'device', more),
          part('one', 'inverter', { unitId: 'U', source: 16 }),
          part('two', 'inverter', { unitId: 'U', source: 16 }),
          cable('grid', 'board'),
          cable('board', 'b1'),
          cable('b1', 'one'),
          cable('board', 'b2'),
          cable('b2', 'two'),
        )
    expect(doubled({ rating: 20 }).says('U/p/unit')).toContain('conforms')
    expect(doubled({ rating: 40 }).says('U/p/unit')).toBe('does-not-conform: b2 40 A is above 25 A')
    expect(doubled({ rating: 20 }).write(cable('board', 'one')).says('U/p/unit')).toBe(
      'does-not-conform: no protective device between it and the grid',
    )
  })
  it('is not inspected before anything is traced', () =>
    expect(new Site().unit(sheet('U', 'string-inverter', [asked])).says('U/p/unit')).toBe('not-inspected: '))
})

describe('house rules', () => {
  const rules = sheet('R', 'installation', [{ id: 'c', kind: 'conductor-size' }])
  it('speak of every cable, wherever it ends', () => {
    const { checks } = new Site()
      .unit(rules)
      .write(
        part('grid', 'grid', { source: 40 }),
        part('fuse', 'device', { rating: 40 }),
        part('b', 'load'),
        cable('grid', 'fuse'),
        cable('fuse', 'b'),
      ).inspection
    expect(checks.map(({ check, outcome }) => [check.id, outcome.verdict])).toEqual([
      ['R/c/grid-fuse', 'conforms'],
      ['R/c/fuse-b', 'conforms'],
    ])
  })
  it('name every source of a cable that is too small', () =>
    expect(
      new Site()
        .unit(rules)
        .write(
          part('grid', 'grid', { source: 40 }),
          part('fuse', 'device', { rating: 40 }),
          part('pv', 'generation', { source: 30 }),
          part('a', 'board'),
          part('b', 'load'),
          cable('grid', 'fuse'),
          cable('fuse', 'a'),
          cable('pv', 'a'),
          cable('a', 'b'),
        )
        .says('R/c/a-b'),
    ).toBe(
      'does-not-conform: carries 70 A from grid and pv, may carry 63 A: the cable carries less than its protective device lets through',
    ))
  it('cannot say anything of a cable that nothing feeds', () =>
    expect(
      new Site().unit(rules).write(part('a', 'board'), part('b', 'load'), cable('a', 'b')).says('R/c/a-b'),
    ).toContain('not-proven: nothing is entered that feeds it'))
})

describe('a gland', () => {
  const of = sheet('U', 'string-inverter', [
    {
      id: 'g',
      kind: 'gland',
      glands: [
        {
          id: 'ac',
          label: 'AC',
          without: { min: '13 mm', max: '18 mm' },
          withRing: { min: '9 mm', max: '13 mm' },
        },
      ],
    },
  ])
  const seen = (
    diameter: number,
    ring: string,
    instrument: object = {
      instrument: { ...TAPE, accuracy: [{ dimension: 'length', percent: 0, plus: 0.1 }] },
    },
  ) =>
    new Site()
      .unit(of)
      .record(
        'U/g/ac',
        { values: { diameter: { typed: `${diameter} mm`, value: diameter }, ring: { typed: ring } } },
        instrument,
      )
      .check('U/g/ac').outcome
  it('holds a thin cable with its inner ring, a thick one without', () =>
    expect([seen(11, 'fitted').verdict, seen(15, 'taken out').verdict]).toEqual(['conforms', 'conforms']))
  it('with the wrong ring fails, and says what to do about it', () => {
    expect(seen(15, 'fitted')).toMatchObject({
      verdict: 'does-not-conform',
      notes: ['take the inner ring out'],
    })
    expect(seen(11, 'taken out')).toMatchObject({
      verdict: 'does-not-conform',
      notes: ['put the inner ring in'],
    })
  })
  it('for no cable of this size says nothing of the ring', () =>
    expect(seen(22, 'taken out')).toMatchObject({ verdict: 'does-not-conform', notes: [] }))
  it('measured without a named caliper proves nothing', () =>
    expect(seen(15, 'taken out', {}).verdict).toBe('not-proven'))
})

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

describe('the electrical proof of the transformers', () => {
  const of = sheet('U', 'meter', [{ id: 'p', kind: 'ct-proof', uncertainty: '40 VA' }])
  const cos = (degrees: number) => Math.cos((degrees * Math.PI) / 180)
  const sin = (degrees: number) => Math.sin((degrees * Math.PI) / 180)
  /** What a meter shows whose channel k carries the transformer of phase[k], turned where the sign says so. */
  const wired = (phases: number[], signs: number[], loads = [2000, 1000, 500]) => {
    const values: Record<string, { typed: string; value: number }> = {}
    const say = (id: string, value: number, unit: string) =>
      (values[id] = { typed: `${value} ${unit}`, value })
    phases.forEach((phase, k) => {
      const turn = -120 * k + 120 * (phase - 1)
      say(`v${k + 1}`, 230, 'V')
      say(`p${k + 1}`, loads[k]!, 'W')
      say(`r${k + 1}`, Math.round(signs[k]! * loads[phase - 1]! * cos(turn)), 'W')
      say(`q${k + 1}`, Math.round(signs[k]! * loads[phase - 1]! * sin(turn)), 'var')
    })
    return new Site().unit(of).record('U/p/unit', { values }).says('U/p/unit')
  }
  it.each<[string, Parameters<typeof wired>, string]>([
    [
      'as intended',
      [
        [1, 2, 3],
        [1, 1, 1],
      ],
      'conforms: each on its own phase, the right way round',
    ],
    [
      'two swapped and one turned round',
      [
        [2, 1, 3],
        [1, 1, -1],
      ],
      'does-not-conform: swap the transformers of channels 1 and 2; turn round the transformer of channel 3',
    ],
    [
      'all moved on by one',
      [
        [2, 3, 1],
        [1, 1, 1],
      ],
      'move it to phase 1',
    ],
    [
      'without any load nothing can be told',
      [
        [1, 2, 3],
        [1, 1, 1],
        [0, 0, 0],
      ],
      'not-proven',
    ],
  ])('%s', (_how, said, found) => expect(wired(...said)).toContain(found))
  it('half entered proves nothing', () =>
    expect(
      new Site()
        .unit(of)
        .record('U/p/unit', { values: { v1: { typed: '230 V', value: 230 } } })
        .says('U/p/unit'),
    ).toBe('not-proven: not complete'))
})

describe('meter and machines tell one story', () => {
  const of = sheet('U', 'meter', [
    { id: 'b', kind: 'power-balance', load: { min: '100 W', max: '6 kW' }, uncertainty: '60 W' },
  ])
  const told = (...moments: [number, number, number][]) =>
    new Site()
      .unit(of)
      .record('U/b/unit', {
        values: Object.fromEntries(
          moments.flatMap((moment, i) =>
            ['grid', 'solar', 'battery'].map((side, k) => [
              `${side}${i + 1}`,
              { typed: `${moment[k]} W`, value: moment[k] },
            ]),
          ),
        ),
      })
      .says('U/b/unit')
  it('over moments that differ', () =>
    expect(told([-1800, 2600, 0], [900, 0, 0], [0, 3400, -3000])).toBe('conforms: one story over 3 moments'))
  it('or a side reads the wrong way round', () =>
    expect(told([1800, 2600, 0], [-900, 0, 0], [0, 3400, -3000])).toBe(
      'does-not-conform: grid read the wrong way round',
    ))
  it('one moment alone leaves several stories', () => expect(told([900, 500, 0])).toContain('not-proven'))
})
