import { MODULE, METER, Site, TAPE, plane, row, sheet, string } from './site.testing.js'

const reading = (point: string, value: number, more: object = {}) => ({
  kind: 'reading' as const,
  body: { point, typed: `${value}`, value, unit: '', relation: '=' as const, ...more } as never,
})

describe('a string of two kinds of module counts what is built', () => {
  const SIXTY = sheet('M60', 'module', [], {
    size: { width: 1000, height: 1700, depth: 30 },
    module: { voc: 60, vocTempCoeff: -0.3, cellsInSeries: 80, bypassDiodes: 3 },
  })
  const UNKNOWN = sheet('X', 'battery', [], {})
  const BOX = sheet('I', 'hybrid-inverter', [
    { id: 'cold', kind: 'cold-limit', max: '500 V' },
    { id: 'iso', kind: 'insulation' },
  ])
  const mixed = (other: typeof SIXTY) =>
    new Site({ coldest: -10 })
      .unit(MODULE)
      .unit(other)
      .unit(BOX)
      .write(
        plane(1, 5),
        plane(1, 5, { id: 'q', unitId: other.model }),
        string([...row(5), ...row(5).map((place) => place.replace('p.', 'q.'))], { count: 10 }),
      )
  it('on the coldest morning: five of 40 V and five of 60 V are 552 V at −10 °C', () =>
    expect(mixed(SIXTY).says('I/cold/s')).toMatch(/^does-not-conform: 552/))
  it('and for the insulation test: 500 V of them ask for the 1000 V of a tester', () =>
    expect(String(mixed(SIXTY).check('I/iso/s').check.required)).toContain('1000 V'))
  it('one of which nobody knows the voltage proves nothing', () =>
    expect(mixed(UNKNOWN).check('I/cold/s').outcome.verdict).not.toBe('conforms'))
})

describe('of two ways to the grid each must fit', () => {
  const BOX = sheet('I', 'hybrid-inverter', [{ id: 'p', kind: 'protection', device: { max: '20 A' } }])
  const part = (id: string, kind: string, more: object = {}) => ({
    kind: 'part-placed' as const,
    body: { id, label: id, kind, ...more } as never,
  })
  const cable = (from: string, to: string) => ({
    kind: 'conductor-run' as const,
    body: {
      id: `${from}-${to}`,
      from,
      to,
      phases: 1,
      voltage: 230,
      size: 4,
      length: 5,
      insulation: 'pvc',
      method: 'C',
      ambient: 30,
      grouped: 1,
    } as never,
  })
  const site = (second: number) =>
    new Site()
      .unit(BOX)
      .write(
        part('grid', 'grid', { source: 63 }),
        part('board', 'board'),
        part('i', 'inverter', { unitId: 'I', source: 16 }),
      )
      .write(part('A', 'device', { rating: 16 }), part('B', 'device', { rating: second }))
      .write(
        cable('grid', 'board'),
        cable('board', 'A'),
        cable('A', 'i'),
        cable('board', 'B'),
        cable('B', 'i'),
      )
  it('the wrong breaker on the second is found, whichever is looked at first', () => {
    expect(site(63).says('I/p/unit')).toBe('does-not-conform: B 63 A is above 20 A')
    expect(site(20).says('I/p/unit')).toContain('conforms: protected by')
  })
})

describe('sizes of conductors are names', () => {
  const BOX = sheet('U', 'meter', [
    { id: 's', kind: 'limits', dimension: 'conductor-size', max: '8 AWG' },
    { id: 'm', kind: 'limits', dimension: 'conductor-size', min: '4 mm²', max: '6 mm²' },
  ])
  const caliper = {
    ...TAPE,
    kind: 'caliper',
    accuracy: [{ dimension: 'conductor-size', percent: 3, plus: 0.1 }],
  }
  it('8.37 mm² is 8 AWG', () =>
    expect(new Site().unit(BOX).write(reading('U/s/unit', 8.37)).says('U/s/unit')).toContain('conforms'))
  it('a 4 mm² conductor fits a clamp of 4 to 6 mm², however it was read', () => {
    const at = (value: number) =>
      new Site()
        .unit(BOX)
        .write(reading('U/m/unit', value, { instrument: caliper }))
        .check('U/m/unit').outcome.verdict
    expect([at(4), at(6), at(2.5), at(10)]).toEqual([
      'conforms',
      'conforms',
      'does-not-conform',
      'does-not-conform',
    ])
    // Between two sizes it was measured, and its uncertainty counts.
    expect(at(4.1)).toBe('not-proven')
  })
})

describe('a firmware is a version', () => {
  const BOX = sheet('U', 'meter', [
    { id: 's', kind: 'settings', settings: [{ id: 'fw', label: 'Firmware', rule: { min: 2 } }] },
  ])
  it.each([
    ['2.1', 'conforms'],
    ['v2.0.3', 'conforms'],
    ['10', 'conforms'],
    ['1.10', 'does-not-conform'],
    ['several', 'does-not-conform'],
  ])('%s against at least 2: %s', (typed, verdict) =>
    expect(
      new Site()
        .unit(BOX)
        .record('U/s/unit', { values: { fw: { typed } } })
        .check('U/s/unit').outcome.verdict,
    ).toBe(verdict),
  )
})

it('a nameplate of 6000 W is one of 6 kW, and a serial with a full stop another serial', () => {
  const BOX = sheet('U', 'meter', [
    { id: 'n', kind: 'nameplate', lines: [{ id: 'p', label: 'power', expected: '6 kW' }] },
  ])
  const plate = (p: string, serial = '10') =>
    new Site()
      .unit(BOX, { serial: '10' })
      .record('U/n/unit', { values: { model: { typed: 'U' }, serial: { typed: serial }, p: { typed: p } } })
      .check('U/n/unit').outcome.verdict
  expect([plate('6000 W'), plate('5 kW'), plate('6 kW', '10.0')]).toEqual([
    'conforms',
    'does-not-conform',
    'does-not-conform',
  ])
})

describe('house rules', () => {
  const HOUSE = sheet('H', 'installation', [
    { id: 'like', kind: 'like-strings', reads: 'voc' },
    { id: 'cont', kind: 'earth-continuity' },
    { id: 'prot', kind: 'protection', label: true },
  ])
  const BOX = sheet('I', 'hybrid-inverter', [{ id: 'voc', kind: 'string-open-circuit', max: '600 V' }])
  it('compare the strings of all units, and ask of every bond and every machine', () => {
    const site = new Site()
      .unit(MODULE)
      .unit(HOUSE)
      .unit(BOX)
      .write(
        plane(2, 5),
        string(row(5)),
        string(
          row(5).map((at) => at.replace('r1', 'r2')),
          { id: 't', input: 'PV2' },
        ),
      )
      .write({ kind: 'earth-part-found', body: { id: 'a', label: 'A', kind: 'unit', unitId: 'I' } as never })
      .write({ kind: 'earth-part-found', body: { id: 'm', label: 'M', kind: 'main-terminal' } as never })
      .write({
        kind: 'bond-made',
        body: { id: 'b', from: 'a', to: 'm', means: 'lug', size: 6, length: 3 } as never,
      })
    for (const id of ['s', 't'])
      site.write(
        reading(`I/voc/${id}`, 200, {
          instrument: METER,
          conditions: { cellTemperature: 25, irradiance: 1000 },
        }),
      )
    expect(site.check('H/like/unit').outcome.verdict).toBe('conforms')
    expect(site.check('H/cont/b').check.ask.kind).toBe('reading')
  })
})

describe('an instrument vouches as far as it reaches, on the days of the site', () => {
  const short = { ...TAPE, accuracy: [{ dimension: 'length' as const, percent: 0, plus: 1, upTo: 5000 }] }
  const RAIL = sheet('R', 'module', [{ id: 'r', kind: 'rail-marks', tolerance: '5 mm' }], {
    size: { width: 1000, height: 1700, depth: 30 },
    module: { voc: 40, vocTempCoeff: -0.3, cellsInSeries: 54, bypassDiodes: 3 },
  })
  it('a tape of 5 m proves no mark at 12 m', () => {
    const marks = Array.from({ length: 13 }, (_, i) => 500 + i * 1020)
    const site = (instrument: object) =>
      new Site()
        .unit(RAIL)
        .write(plane(1, 13, { unitId: 'R' }))
        .record('R/r/p', { values: marks.map((value) => ({ typed: `${value}`, value })) }, { instrument })
        .check('R/r/p').outcome.verdict
    expect([site(TAPE), site(short)]).toEqual(['conforms', 'not-proven'])
  })
  it('nor a gap that far out on a wall', () => {
    const BOX = sheet('U', 'dc-isolator', [
      { id: 'c', kind: 'clearance', clear: { left: '1 mm', right: '1 mm', top: '1 mm', bottom: '0 mm' } },
    ])
    const wall = { id: 'w', title: 'W', leftCorner: true, rightCorner: false, uncertainty: 1, tape: 'T' }
    const at = (x: number) =>
      new Site()
        .write({ kind: 'wall-measured', body: { ...wall, instrument: short } })
        .unit(BOX, { place: { wallId: 'w', x, y: 900, w: 400, h: 400 } as never })
        .says('U/c/left')
    expect(at(4000)).toContain('conforms')
    expect(at(12_110)).toContain('not-proven')
  })
  it('the last day of a calibration is one at the site', () => {
    const BOX = sheet('U', 'meter', [{ id: 'l', kind: 'limits', dimension: 'voltage', max: '250 V' }])
    const on = (timeZone: string, calibratedUntil: string) =>
      new Site({ timeZone })
        .unit(BOX)
        // 08:02 in Greenwich on the first of June.
        .write(reading('U/l/unit', 230, { instrument: { ...METER, calibratedUntil } }))
        .check('U/l/unit').outcome.verdict
    expect(on('Pacific/Auckland', '2026-05-31')).toBe('not-proven')
    expect(on('Pacific/Honolulu', '2026-05-31')).toBe('conforms')
  })
})

describe('one conductor, drawn and read at its terminal', () => {
  const BOX = sheet(
    'I',
    'meter',
    [
      { id: 'cab', kind: 'conductor-size' },
      { id: 'size', kind: 'limits', each: 'terminal', window: 'conductor' },
    ],
    {
      terminals: [
        { id: 'l1', label: 'L1', side: 'ac', clamp: 'spring', conductor: { min: '1 mm²', max: '16 mm²' } },
      ],
    },
  )
  const part = (id: string, kind: string, more: object = {}) => ({
    kind: 'part-placed' as const,
    body: { id, label: id, kind, ...more } as never,
  })
  const cable = (from: string, to: string, size: number) => ({
    kind: 'conductor-run' as const,
    body: {
      id: `${from}-${to}`,
      from,
      to,
      phases: 1,
      voltage: 230,
      size,
      length: 2,
      insulation: 'xlpe',
      method: 'C',
      ambient: 30,
      grouped: 1,
    } as never,
  })
  const site = (drawn: number, read?: number) =>
    new Site()
      .unit(BOX)
      .write(
        part('grid', 'grid', { source: 10 }),
        part('q', 'device', { rating: 10 }),
        part('i', 'inverter', { unitId: 'I', source: 10 }),
      )
      .write(cable('grid', 'q', 4), cable('q', 'i', drawn))
      .write(...(read === undefined ? [] : [reading('I/size/l1', read)]))
  it('contradict each other, and say so, where they are not of one size', () => {
    expect(site(1.5).says('I/cab/q-i')).toContain('conforms')
    expect(site(1.5, 8).says('I/cab/q-i')).toBe(
      'not-proven: the diagram says 1.5 mm², and 8 mm² was read at terminal L1 of I',
    )
    expect(site(6, 6).says('I/cab/q-i')).toContain('conforms')
    // One size by two names is one size.
    expect(site(8.37, 8.3656).says('I/cab/q-i')).toContain('conforms')
  })
})
