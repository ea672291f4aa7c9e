import { METER, MODULE, Site, TAPE, devices, plane, row, sheet, string } from '../site.testing.js'

const INVERTER = sheet('I', 'string-inverter', [
  { id: 'limits', kind: 'string-limits', minCount: 4, maxCount: 8, maxPower: '3 kW' },
])
const ELECTRONICS = sheet('E', 'module-electronics', [
  {
    id: 'suits',
    kind: 'companion',
    technologies: ['half-cut'],
    cells: { min: 96, max: 144 },
    maxCurrent: '13 A',
  },
  { id: 'safe', kind: 'safe-voltage', perUnit: '1 V', tolerance: '0.1 V' },
  { id: 'ports', kind: 'ports' },
])
const SMALL = sheet('S', 'small-inverter', [
  { id: 'branch', kind: 'branch-limits', unitCurrent: '1.6 A', statedMax: 9 },
  { id: 'ports', kind: 'ports', trunk: true },
])
const LISTENER = sheet('L', 'gateway', [{ id: 'heard', kind: 'serial-map', hears: 'small-inverter' }])
const site = (...columns: Parameters<typeof plane>) =>
  new Site()
    .unit(MODULE)
    .unit(INVERTER)
    .write(plane(...columns))

describe('a string', () => {
  it('within its limits conforms, its power counted along the way', () =>
    expect(
      site(2, 8)
        .write(string(row(6)))
        .says('I/limits/s'),
    ).toBe('conforms: 6 modules, 2400 W'))
  it('too short fails', () =>
    expect(
      site(1, 8)
        .write(string(row(3)))
        .says('I/limits/s'),
    ).toBe('does-not-conform: 3 modules, at least 4'))
  it('too long fails before its power does', () =>
    expect(
      site(1, 10)
        .write(string(row(9)))
        .says('I/limits/s'),
    ).toContain('9 modules, at most 8'))
  it('too strong fails', () =>
    expect(
      site(1, 8)
        .write(string(row(8)))
        .says('I/limits/s'),
    ).toBe('does-not-conform: 3200 W, at most 3000 W'))
  it('over two planes fails unless its sheet lets it', () => {
    const both = string([...row(4), 'q.r1c1'])
    expect(
      site(1, 8)
        .write({ ...plane(1, 2), body: { ...plane(1, 2).body, id: 'q', label: 'East' } as never }, both)
        .says('I/limits/s'),
    ).toContain('modules of South and East in one string')
  })
  it('that passes an empty place fails', () =>
    expect(
      site(1, 8, { empty: ['p.r1c2'] })
        .write(string(row(5)))
        .says('I/limits/s'),
    ).toContain('passes 1 place without a module'))
  it('unequal to the other on one input fails', () =>
    expect(
      site(2, 8)
        .write(
          string(row(6)),
          string(['p.r2c1', 'p.r2c2', 'p.r2c3', 'p.r2c4'], { id: 't', label: 'String B' }),
        )
        .says('I/limits/s'),
    ).toContain('String B on the same input has 4'))
  it('that was only counted leaves its power unproven', () => {
    expect(
      site(1, 8)
        .write(string(row(5), { path: undefined }))
        .says('I/limits/s'),
    ).toContain('not-proven')
  })
})

describe('module electronics', () => {
  const roof = (n = 4) =>
    new Site()
      .unit(MODULE)
      .unit(INVERTER)
      .unit(ELECTRONICS)
      .write(plane(1, 6), devices('E', n), string(row(n)))
  const read = (...volts: number[]) => ({ values: volts.map((value) => ({ typed: `${value} V`, value })) })
  it('suit the module by cells, technology and current', () =>
    expect(roof().says('E/suits/unit')).toContain('conforms: suits'))
  it('of another kind of module fail, and say why', () => {
    const thin = sheet('M', 'module', [], {
      size: { width: 1000, height: 1700, depth: 30 },
      module: {
        voc: 40,
        vocTempCoeff: -0.3,
        cellsInSeries: 54,
        bypassDiodes: 3,
        cells: 108,
        isc: 14,
        technology: 'thin-film',
      },
    })
    const { outcome } = new Site()
      .unit(thin)
      .unit(ELECTRONICS)
      .write(plane(1, 2), devices('E', 2))
      .check('E/suits/unit')
    expect(outcome).toMatchObject({
      verdict: 'does-not-conform',
      finding: 'Nobody M: technology thin-film and Nobody M: short-circuit current 14 A',
    })
  })
  it('beside a module whose sheet says too little are not proven', () => {
    const silent = sheet('M', 'module', [], {
      module: { voc: 40, vocTempCoeff: -0.3, cellsInSeries: 54, bypassDiodes: 3 },
    })
    expect(
      new Site().unit(silent).unit(ELECTRONICS).write(plane(1, 2), devices('E', 2)).says('E/suits/unit'),
    ).toContain('not-proven')
  })
  it('raise the safe voltage by one step each', () =>
    expect(
      roof()
        .record('E/safe/s', read(1, 2, 3, 4), { instrument: METER })
        .says('E/safe/s'),
    ).toBe('conforms: 4 V after 4 of 4 devices'))
  it('so far so good is not proven', () =>
    expect(roof().record('E/safe/s', read(1, 2), { instrument: METER }).says('E/safe/s')).toBe(
      'not-proven: 2 V after 2 of 4 devices',
    ))
  it('the first that does not raise it is the likely gap', () => {
    const { outcome } = roof()
      .record('E/safe/s', read(1, 2, 2.02), { instrument: METER })
      .check('E/safe/s')
    expect(outcome).toMatchObject({
      verdict: 'does-not-conform',
      finding: 'device 3 did not raise the voltage',
      causes: [
        expect.stringContaining('between device 2 and device 3'),
        expect.anything(),
        expect.anything(),
      ],
    })
  })
  it('with plus and minus exchanged fail at once', () =>
    expect(roof().record('E/safe/s', read(-1), { instrument: METER }).says('E/safe/s')).toBe(
      'does-not-conform: plus and minus are exchanged',
    ))
  it('that serve two modules each are counted as devices, not as modules', () => {
    const pairs = new Site()
      .unit(MODULE)
      .unit(INVERTER)
      .unit(ELECTRONICS)
      .write(
        plane(1, 6),
        devices('E', 2, (i) => ({ at: `p.r1c${2 * i - 1}`, feeds: [`p.r1c${2 * i - 1}`, `p.r1c${2 * i}`] })),
        string(row(4)),
      )
    expect(pairs.record('E/safe/s', read(1, 2), { instrument: METER }).says('E/safe/s')).toBe(
      'conforms: 2 V after 2 of 2 devices',
    )
  })
  it('a port without a cap, or a module on two inputs, fails', () => {
    const open = (more: (i: number) => object) =>
      new Site()
        .unit(MODULE)
        .unit(ELECTRONICS)
        .write(plane(1, 4), devices('E', 2, more))
    expect(open((i) => (i === 1 ? { idlePorts: 2, cappedPorts: 1 } : {})).says('E/ports/b1')).toBe(
      'does-not-conform: 1 port without a cap',
    )
    expect(open((i) => (i === 2 ? { feeds: ['p.r1c2', 'p.r1c1'] } : {})).says('E/ports/b2')).toContain(
      'the module at row 1, place 1 is plugged into two inputs',
    )
  })
})

describe('a branch of small inverters', () => {
  const branch = (n: number, more: object = {}) =>
    new Site()
      .unit(MODULE)
      .unit(SMALL)
      .write(plane(1, 14), devices('S', 14), {
        kind: 'branch-built',
        body: {
          id: 'br',
          label: 'Branch 1',
          unitId: 'S',
          phases: 1,
          voltage: 240,
          breaker: 20,
          devices: Array.from({ length: n }, (_, i) => `b${i + 1}`),
          ...more,
        },
      })
  const cable = (n: number, size: number) => ({
    segments: Array.from({ length: n }, () => ({ length: 2, size })),
  })
  it('within breaker, maker and rise conforms', () =>
    expect(branch(8, cable(8, 4)).says('S/branch/br')).toMatch(/^conforms: 8 inverters, rise/))
  it('beyond the maker’s own number fails', () =>
    expect(branch(11, cable(11, 6)).says('S/branch/br')).toBe(
      'does-not-conform: 11 inverters where 9 may be: 2 too many',
    ))
  it('whose cable nobody measured is not proven', () =>
    expect(branch(8).says('S/branch/br')).toContain('not-proven: the rise is not known'))
  it('with a thin cable rises too far', () =>
    expect(branch(9, cable(9, 0.75)).says('S/branch/br')).toContain('does-not-conform'))
  it.each([
    [true, 'conforms: end capped'],
    [false, 'does-not-conform: end of the trunk open'],
    [undefined, 'not-inspected: '],
  ])('its end capped: %s', (endCapped, said) =>
    expect(branch(3, endCapped === undefined ? {} : { endCapped }).says('S/ports/br')).toBe(said),
  )
})

describe('what the listener hears', () => {
  const serial = (i: number) => ({ serial: `SN-10${i}` })
  const heard = (serials: string[], named = serial) =>
    new Site()
      .unit(MODULE)
      .unit(SMALL)
      .unit(LISTENER)
      .write(plane(1, 4), devices('S', 4, named), {
        kind: 'serials-reported',
        body: { unitId: 'L', serials },
      })
  const all = ['SN101', 'SN102', 'SN103', 'SN104']
  it('is every device, and no other', () =>
    expect(heard(all).says('L/heard/unit')).toBe('conforms: 4 of 4 heard'))
  it('a silent one fails, named by its place', () =>
    expect(heard(all.slice(1)).says('L/heard/unit')).toBe('does-not-conform: silent: row 1, place 1'))
  it('a slip of the pen is told apart from a silent device', () =>
    expect(heard(['SN101', 'SN102', 'SN103', 'SN140']).says('L/heard/unit')).toBe(
      'does-not-conform: row 1, place 4: SN104 on the map, SN140 heard',
    ))
  it('a stranger fails', () =>
    expect(heard([...all, 'ZZ999']).says('L/heard/unit')).toBe('does-not-conform: 1 stranger heard'))
  it('a device without a serial leaves it unproven', () =>
    expect(
      heard(all.slice(0, 3), (i) => (i === 4 ? {} : serial(i)) as ReturnType<typeof serial>).says(
        'L/heard/unit',
      ),
    ).toContain('not-proven'))
})

describe('marks along the rail', () => {
  const of = sheet('M', 'module', [{ id: 'marks', kind: 'rail-marks', tolerance: '5 mm' }], {
    size: { width: 1000, height: 1700, depth: 30 },
    module: { voc: 40, vocTempCoeff: -0.3, cellsInSeries: 54, bypassDiodes: 3 },
  })
  const read = (values: number[], more: object = {}, how: object = { instrument: TAPE }) =>
    new Site()
      .unit(of)
      .write(plane(1, 3, more))
      .record('M/marks/p', { values: values.map((value) => ({ typed: `${value} mm`, value })) }, how)
      .says('M/marks/p')
  it('half a module in, then every module and gap', () =>
    expect(read([500, 1520, 2540])).toBe('conforms: 3 of 3 marks within 5 mm'))
  it('of modules lying down go by their length', () =>
    expect(read([850, 2570, 4290], { orientation: 'landscape' })).toContain('conforms'))
  it('one off fails, and says which', () =>
    expect(read([500, 1520, 2560])).toBe('does-not-conform: mark 3 is off by 20 mm'))
  it('not all read, or without a tape, prove nothing', () => {
    expect(read([500, 1520])).toContain('not-proven')
    expect(read([500, 1520, 2540], {}, {})).toContain('not-proven')
  })
})
