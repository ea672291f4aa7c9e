import type { NetworkPart } from '../../ac/one-line.js'
import { Site, TAPE, sheet } from '../site.testing.js'

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
