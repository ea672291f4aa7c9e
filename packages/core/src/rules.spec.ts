import {
  acBranch,
  conductor,
  fixings,
  insulation,
  limitResponse,
  powerBalance,
  protectiveEarth,
  reserve,
  safeVoltage,
  sequence,
  serialMap,
  settings,
  stringColdLimit,
  stringVoltage,
  ctPhasing,
  type ConductorInput,
} from './index.js'
import { oneEditApart } from './array/serial-map.js'

describe('insulation of an array', () => {
  it.each([
    [95, 250, 0.5],
    [96, 500, 1],
    [400, 500, 1],
    [401, 1000, 1],
    [800, 1000, 1],
    [801, 1500, 1],
  ])('of %d V is tested at %d V and must hold %d MΩ', (systemVoltage, requiredTestVoltage, minimum) => {
    expect(
      insulation({ systemVoltage, testVoltage: requiredTestVoltage, measured: { value: 5 } }),
    ).toMatchObject({ requiredTestVoltage, minimum, verdict: 'conforms' })
  })
  it('tested too low, or at a voltage nobody wrote down, a good reading proves nothing but a bad one condemns', () => {
    expect(insulation({ systemVoltage: 400, testVoltage: 250, measured: { value: 900 } }).verdict).toBe(
      'not-proven',
    )
    expect(insulation({ systemVoltage: 400, measured: { value: 900 } }).verdict).toBe('not-proven')
    expect(insulation({ systemVoltage: 400, measured: { value: 0.2 } }).verdict).toBe('does-not-conform')
  })
  it('over range is as good as its figure', () => {
    expect(
      insulation({ systemVoltage: 400, testVoltage: 500, measured: { value: 999, relation: '>' } }).verdict,
    ).toBe('conforms')
    expect(
      insulation({ systemVoltage: 400, testVoltage: 500, measured: { value: 0.5, relation: '>' } }).verdict,
    ).toBe('not-proven')
  })
})

describe('a string of twelve modules', () => {
  const read = (voc: number, more: object = {}) =>
    stringVoltage({
      module: { voc: 38.6, vocTempCoeff: -0.26, cellsInSeries: 54, bypassDiodes: 3 },
      count: 12,
      measured: { voc, uncertainty: 2 },
      conditions: { cellTemperature: 25, irradiance: 1000 },
      ...more,
    })
  it.each([
    [463.2, 'as-designed', 'conforms'],
    [424.6, 'missing-1', 'does-not-conform'],
    [-463, 'reversed-leads', 'does-not-conform'],
    [0.1, 'open', 'does-not-conform'],
    [501.8, 'extra-1', 'does-not-conform'],
    [386, 'reversed-module-1', 'does-not-conform'],
  ])('that reads %d V is most probably %s', (voc, id, verdict) => {
    const result = read(voc)
    expect([result.hypotheses[0]!.id, result.verdict]).toEqual([id, verdict])
  })
  it('that nothing explains puts the reading itself in doubt', () => {
    expect(read(900)).toMatchObject({ explained: false, verdict: 'does-not-conform' })
    expect(read(900).notes.join()).toContain('doubt the reading first')
  })
  it('loses a little voltage as the light falls, and weak light is weak evidence', () => {
    expect(read(463, { conditions: { cellTemperature: 25, irradiance: 500 } }).expected).toBeLessThan(463.2)
    expect(read(463, { conditions: { cellTemperature: 25, irradiance: 150 } }).notes.join()).toContain(
      'weak evidence',
    )
  })
})

it.each([
  [24, 1.02],
  [20, 1.02],
  [19.9, 1.04],
  [0, 1.1],
  [-0.1, 1.12],
  [-5, 1.12],
  [-40, 1.25],
  [25, 1],
  [40, 1],
])('a coldest morning of %d °C has the factor %d', (minTemperature, factor) => {
  expect(
    stringColdLimit({ module: { voc: 40 }, count: 10, minTemperature, inverterMax: 1000, method: 'table' })
      .factor,
  ).toBe(factor)
})

describe('conductors', () => {
  const iec: Extract<ConductorInput, { school: 'iec' }> = {
    school: 'iec',
    phases: 1,
    voltage: 230,
    sources: [
      { name: 'grid', amps: 63 },
      { name: 'inverter', amps: 32 },
    ],
    protectiveDevice: 63,
    size: 16,
    length: 9,
    material: 'copper',
    insulation: 'pvc',
    method: 'C',
    ambient: 30,
    groupedCircuits: 1,
  }
  it('fed from two sources carry their sum, whatever the supply fuse', () => {
    expect(conductor(iec)).toMatchObject({ designCurrent: 95, verdict: 'does-not-conform' })
  })
  it('name the source that was forgotten and the size that would do', () => {
    const notes = conductor({ ...iec, protectiveDevice: 100, size: 16 }).notes.join('\n')
    expect(notes).toContain('the next size that passes every check is 25 mm²')
    expect(
      conductor({
        ...iec,
        sources: [
          { name: 'grid', amps: 63 },
          { name: 'inverter', amps: 22 },
        ],
      }).notes.join('\n'),
    ).toContain('without inverter (22 A) it would pass')
  })
  it('are limited by a device downstream, whose rating a PV source does not raise', () => {
    expect(conductor({ ...iec, downstreamDevice: 80, pvSource: true }).designCurrent).toBe(80)
    expect(conductor({ ...iec, pvSource: true }).working.join()).toContain('1.25')
  })
  it.each(['14', '12', '10'] as const)('of %s AWG take no device above their own ceiling', (size) => {
    const most = { '14': 15, '12': 20, '10': 30 }[size]
    const nec: ConductorInput = {
      school: 'nec',
      phases: 1,
      voltage: 240,
      sources: [{ name: 'i', amps: 8 }],
      size,
      length: 10,
      insulationTemp: 90,
      terminationTemp: 75,
      ambient: 30,
      currentCarrying: 3,
      continuous: true,
    }
    const device = (rating: number) =>
      conductor({ ...nec, protectiveDevice: rating }).checks.find(({ id }) => id === 'cable-carries-device')!
        .verdict
    expect([device(most), device(most + 5)]).toEqual(['conforms', 'does-not-conform'])
  })
  it('without any device are checked against their own current', () => {
    expect(conductor({ ...iec, protectiveDevice: undefined }).checks.map(({ id }) => id)).toEqual([
      'cable-carries-design',
    ])
  })
})

it.each([
  [10, 10],
  [16, 16],
  [25, 16],
  [35, 16],
  [50, 25],
  [95, 47.5],
])('a line of %d mm² wants a protective conductor of %d mm² by the table', (lineSize, required) => {
  expect(protectiveEarth({ method: 'table', lineSize, fitted: 120 }).required).toBe(required)
})
it('the sheet’s own minimum governs only when it is the larger', () => {
  expect(protectiveEarth({ method: 'table', lineSize: 6, sheetMinimum: 10, fitted: 6 })).toMatchObject({
    governing: 'sheet',
    verdict: 'does-not-conform',
  })
  expect(protectiveEarth({ method: 'table', lineSize: 10, sheetMinimum: 10, fitted: 10 })).toMatchObject({
    governing: 'method',
    verdict: 'conforms',
  })
})
it('a conductor that is thick enough but broken does not conform', () => {
  expect(
    protectiveEarth({ method: 'table', lineSize: 10, fitted: 10, continuity: { measured: 0.4, length: 10 } })
      .verdict,
  ).toBe('does-not-conform')
})

it('a branch without segments says that its rise was not judged', () => {
  expect(
    acBranch({ phases: 1, voltage: 230, unitCurrent: 1.5, units: 4, breaker: 20 }).notes.join(),
  ).toContain('was not judged')
})

it('safe voltage: reversed leads never conform, a released string warns', () => {
  const read = (value: number) =>
    safeVoltage({ perUnit: 1, perUnitTolerance: 0.1, count: 10, measured: { value, uncertainty: 0.1 } })
  expect(read(-10)).toMatchObject({ reversed: true, unitsSeen: 10, verdict: 'does-not-conform' })
  expect(read(300).notes.join()).toContain('treat the string as live')
  expect(read(9).notes.join()).toContain('1 unit does not show')
})

it('fixings: more of them share the weight, and the top row alone takes the tension', () => {
  const hung = (count: number, topRow: number) =>
    fixings({
      mass: 40,
      centreOfGravity: 150,
      fixings: { count, topRow, leverArm: 400 },
      capacity: { tension: 2, shear: 2 },
    })
  expect(hung(8, 2).shear).toBeCloseTo(hung(4, 2).shear / 2, 9)
  expect(hung(8, 2).tension).toBe(hung(4, 2).tension)
  expect(hung(4, 4).tension).toBeCloseTo(hung(4, 2).tension / 2, 9)
})

it('power balance: only one story with every sign as it stands conforms', () => {
  const run = (samples: { grid: number; solar: number; battery: number; load?: number }[]) =>
    powerBalance({ samples, loadRange: { min: 200, max: 2000 }, uncertainty: 50 }).verdict
  expect(run([{ grid: -3000, solar: 5000, battery: -1500 }])).toBe('conforms')
  expect(run([{ grid: 3000, solar: 5000, battery: -1500 }])).toBe('does-not-conform')
  expect(run([{ grid: 500, solar: 0, battery: 0 }])).toBe('not-proven')
  expect(run([{ grid: -3000, solar: 5000, battery: -1500, load: 900 }])).toBe('not-proven')
})

describe('steps in order', () => {
  const steps = [
    { id: 'off' },
    { id: 'wait', after: ['off'], waitSeconds: 300 },
    { id: 'open', after: ['wait'] },
  ]
  const at = (...times: [string, string][]) =>
    sequence({ steps, recorded: times.map(([id, time]) => ({ id, at: `2026-01-01T${time}` })) }).violations
  it('count by their times, not by their place in the list', () =>
    expect(at(['open', '10:10:00Z'], ['wait', '10:05:00Z'], ['off', '10:00:00Z'])).toEqual([]))
  it('equal times are in order, and a wait that is just met is met', () =>
    expect(at(['off', '10:00:00'], ['wait', '10:05:00Z'], ['open', '10:05:00+00:00'])).toEqual([]))
  it('offsets are heeded', () =>
    expect(at(['off', '10:00:00+02:00'], ['wait', '10:00:00Z'], ['open', '11:00:00Z'])).toEqual([]))
  it('too soon is told in seconds', () =>
    expect(at(['off', '10:00:00Z'], ['wait', '10:04:30Z'], ['open', '10:05:00Z'])).toEqual([
      { kind: 'too-soon', id: 'wait', other: 'off', secondsShort: 30 },
    ]))
  it('of a repeated step the first counts', () =>
    expect(
      at(['off', '10:00:00Z'], ['off', '10:04:00Z'], ['wait', '10:05:00Z'], ['open', '10:06:00Z']),
    ).toEqual([{ kind: 'repeated', id: 'off' }]))
  it('a step whose predecessor is missing is not out of order as well', () =>
    expect(at(['wait', '10:05:00Z'], ['open', '10:06:00Z'])).toEqual([{ kind: 'missing', id: 'off' }]))
})

describe('bolts in passes', () => {
  const run = (recorded: string[]) =>
    sequence({ order: ['1', '3', '2', '4'], passes: 2, recorded }).violations
  it('tightened in their order twice conform', () =>
    expect(run(['1', '3', '2', '4', '1', '3', '2', '4'])).toEqual([]))
  it('one out of order is named where it happened', () =>
    expect(run(['1', '2', '3', '4', '1', '3', '2', '4'])).toEqual([
      { kind: 'out-of-order', index: 1, expected: '3', found: '2' },
    ]))
  it('one pass too few is missing', () =>
    expect(run(['1', '3', '2', '4'])).toEqual([{ kind: 'missing', index: 4, expected: '1' }]))
  it('one too many has nothing that was expected', () =>
    expect(run(['1', '3', '2', '4', '1', '3', '2', '4', '1'])).toEqual([
      { kind: 'out-of-order', index: 8, found: '1' },
    ]))
})

it.each([
  ['AB12', 'AB13', true],
  ['AB12', 'AB1', true],
  ['AB12', 'AB123', true],
  ['AB12', 'BA12', true],
  ['AB12', 'A1B2', true],
  ['AB12', '1B A2'.replace(' ', ''), false],
  ['AB12', 'AB12', false],
  ['AB12', 'AB', false],
  ['AA', 'AAA', true],
  ['ABCD', 'BADC', false],
])('%s and %s are one slip apart: %s', (a, b, apart) => {
  expect([oneEditApart(a, b), oneEditApart(b, a)]).toEqual([apart, apart])
})
it('each unknown serial explains one slip only', () => {
  expect(
    serialMap({
      planned: [
        { position: 'A', serial: 'X11' },
        { position: 'B', serial: 'X12' },
      ],
      reported: ['X13'],
    }).likelyTypos,
  ).toEqual([{ position: 'A', planned: 'X11', reported: 'X13' }])
})

describe('a limit and its trace', () => {
  const run = (powers: number[], settleWithin = 2) =>
    limitResponse({
      samples: powers.map((power, t) => ({ t, power })),
      limit: 100,
      tolerance: 5,
      eventAt: 1,
      settleWithin,
    })
  it('exactly limit and tolerance is not over', () =>
    expect(run([200, 105, 105])).toMatchObject({ settledAt: 1, secondsOver: 0, verdict: 'conforms' }))
  it('over again later has not settled before', () =>
    expect(run([0, 200, 100, 200, 100, 100])).toMatchObject({
      settledAt: 4,
      secondsOver: 2,
      verdict: 'does-not-conform',
    }))
  it('a record that ends too soon proves nothing', () =>
    expect(run([0, 200, 200], 5)).toMatchObject({
      settledAt: null,
      secondsToSettle: null,
      verdict: 'not-proven',
    }))
  it('still over when the time is up fails', () =>
    expect(run([0, 200, 200, 200, 200])).toMatchObject({ verdict: 'does-not-conform' }))
})

it('settings: a figure in words is that figure, other words fail a range, and nothing expected asks nothing', () => {
  const run = (rule: object, value: unknown) =>
    settings({ expected: { a: rule as never }, recorded: { a: value as never } }).items[0]!.verdict
  expect(run({ min: 10, max: 30 }, ' 20 ')).toBe('conforms')
  expect(run({ min: 10, max: 30 }, 'twenty')).toBe('does-not-conform')
  expect(run({ oneOf: [50, 60] }, '50')).toBe('conforms')
  expect(run({ equals: true }, 'TRUE')).toBe('conforms')
  expect(settings({ expected: {}, recorded: { b: 1 } })).toMatchObject({
    verdict: 'not-applicable',
    extra: ['b'],
  })
})

it('the reserve lasts its energy over its load, and a load above the rating is an overload', () => {
  expect(reserve({ capacityKwh: 10, reservePercent: 20, loadKw: 0.5, inverterKw: 5 })).toMatchObject({
    usableKwh: 1.9,
    hours: 3.8,
    overloaded: false,
  })
  expect(reserve({ capacityKwh: 10, reservePercent: 20, loadKw: 6, inverterKw: 5 }).overloaded).toBe(true)
})

describe('what to do about transformers', () => {
  const angles = [0, -120, 120]
  const fix = (phases: number[], signs: number[]) => {
    const watts = [1000, 2000, 3000]
    const readings = phases.map((j, k) => {
      const turn = ((angles[k]! - angles[j - 1]!) * Math.PI) / 180
      return { p: signs[k]! * watts[j - 1]! * Math.cos(turn), q: signs[k]! * watts[j - 1]! * Math.sin(turn) }
    })
    return ctPhasing({
      voltages: angles.map((angle) => ({ magnitude: 230, angle })),
      truth: watts.map((p) => ({ p, q: 0 })),
      readings,
      uncertainty: 20,
    }).fix
  }
  it('is nothing when all is well', () => expect(fix([1, 2, 3], [1, 1, 1])).toEqual([]))
  it('is one swap for two exchanged', () =>
    expect(fix([1, 3, 2], [1, 1, 1])).toEqual(['swap the transformers of channels 2 and 3']))
  it('is to turn the reversed ones', () =>
    expect(fix([1, 2, 3], [-1, 1, -1])).toEqual(['turn round the transformer of channels 1 and 3']))
  it('is both where both are wrong', () =>
    expect(fix([2, 1, 3], [1, 1, -1])).toEqual([
      'swap the transformers of channels 1 and 2',
      'turn round the transformer of channel 3',
    ]))
  it('names each place when all three moved on', () => expect(fix([2, 3, 1], [1, 1, 1])).toHaveLength(3))
})
