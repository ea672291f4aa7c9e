import { Site, TAPE, sheet } from './site.testing.js'

/** One unit with one requirement, and what is said of an answer to it. */
function asked(
  requirement: object,
  answer?: object,
  { kind = 'meter', more = {}, record = {} }: { kind?: string; more?: object; record?: object } = {},
): string {
  const of = sheet('U', kind, [{ id: 'r', ...requirement }], more)
  const site = new Site().unit(of, { serial: 'AB-1' })
  const id = site.inspection.checks[0]!.check.id
  return (answer ? site.record(id, answer, record) : site).says(id)
}
const values = (said: Record<string, string | number>) => ({
  values: Object.fromEntries(
    Object.entries(said).map(([key, one]) => [
      key,
      typeof one === 'number' ? { typed: String(one), value: one } : { typed: one },
    ]),
  ),
})

const ROOM = {
  kind: 'listed',
  question: 'Which room?',
  options: ['plant room', 'bedroom'],
  allowed: ['plant room'],
}
const BOX = {
  kind: 'counts',
  items: [
    { id: 'cap', label: 'cap', count: 4 },
    { id: 'pin', label: 'pin', count: 2 },
  ],
}
const PLATE = { kind: 'nameplate', lines: [{ id: 'grid', label: 'grid', expected: '230 V' }] }
const BANK = {
  kind: 'switch-bank',
  switches: [
    { id: '1', label: '1', position: 'on' },
    { id: '2', label: '2', position: 'off' },
  ],
}
const BOLTS = {
  kind: 'tightening-order',
  passes: 2,
  bolts: [
    { id: 'a', label: 'A' },
    { id: 'b', label: 'B' },
  ],
}
const STEPS = {
  kind: 'ordered-steps',
  steps: [
    { id: 'mains', label: 'mains' },
    { id: 'dc', label: 'DC', after: ['mains'], wait: '30 s' },
  ],
}
const LIGHT = {
  kind: 'indicator',
  question: 'What blinks?',
  patterns: [
    { id: 'g', colour: 'green', rhythm: 'steady', means: 'feeding in', good: true },
    { id: 'r', colour: 'red', rhythm: 'two short', means: 'insulation fault', good: false },
  ],
}
const SETTINGS = {
  kind: 'settings',
  settings: [
    { id: 'code', label: 'grid code', rule: { oneOf: ['A', 'B'] } },
    { id: 'limit', label: 'limit', rule: { max: 8 } },
  ],
}
const PHOTOS = {
  kind: 'photo-list',
  wanted: [
    { id: 'plate', label: 'plate' },
    { id: 'cover', label: 'cover' },
  ],
}
const STATED = { kind: 'attestation', statement: 'I waited.' }
const at = (seconds: number) => new Date(Date.UTC(2026, 0, 1, 9, 0, seconds)).toISOString()

it.each<[string, object, object | undefined, string]>([
  ['what is not answered is not inspected', ROOM, undefined, 'not-inspected: '],
  ['what is on the list conforms', ROOM, { chosen: 'plant room' }, 'conforms: found plant room'],
  ['what is an option but not allowed fails', ROOM, { chosen: 'bedroom' }, 'does-not-conform: found bedroom'],
  ['as many as asked for, or more, is complete', BOX, values({ cap: 4, pin: 3 }), 'conforms: complete'],
  [
    'one short fails, and says what',
    BOX,
    values({ cap: 3, pin: 2 }),
    'does-not-conform: 1 piece of cap short',
  ],
  ['half a count proves nothing', BOX, values({ cap: 4 }), 'not-proven: 1 not counted yet'],
  [
    'a short count fails even while others are open',
    BOX,
    values({ cap: 1 }),
    'does-not-conform: 3 pieces of cap short',
  ],
  [
    'a plate is compared without case, blanks and hyphens',
    PLATE,
    values({ model: 'u', serial: 'ab 1', grid: '230V' }),
    'conforms: as ordered',
  ],
  [
    'another serial is another unit',
    PLATE,
    values({ model: 'U', serial: 'AB-2', grid: '230 V' }),
    'does-not-conform: serial is AB-2, not AB-1',
  ],
  ['a plate half read proves nothing', PLATE, values({ model: 'U' }), 'not-proven: 2 not read yet'],
  ['switches as drawn', BANK, { positions: { 1: 'on', 2: 'off' } }, 'conforms: as drawn'],
  [
    'one switch the wrong way',
    BANK,
    { positions: { 1: 'off', 2: 'off' } },
    'does-not-conform: 1 the wrong way',
  ],
  ['a switch that nobody looked at', BANK, { positions: { 1: 'on' } }, 'not-proven: 1 not looked at'],
  ['bolts in order, every pass', BOLTS, { done: ['a', 'b', 'a', 'b'] }, 'conforms: in order, 2 passes'],
  ['a bolt out of order', BOLTS, { done: ['a', 'a', 'b', 'b'] }, 'does-not-conform: bolt 2 was A, not B'],
  ['a pass left out', BOLTS, { done: ['a', 'b'] }, 'does-not-conform: stopped before A'],
  [
    'steps in order with their wait',
    STEPS,
    {
      done: [
        { id: 'mains', at: at(0) },
        { id: 'dc', at: at(30) },
      ],
    },
    'conforms: in the maker’s order',
  ],
  [
    'a wait cut short',
    STEPS,
    {
      done: [
        { id: 'mains', at: at(0) },
        { id: 'dc', at: at(20) },
      ],
    },
    'does-not-conform: DC came 10 s too soon after mains',
  ],
  [
    'steps the other way round',
    STEPS,
    {
      done: [
        { id: 'dc', at: at(0) },
        { id: 'mains', at: at(40) },
      ],
    },
    'does-not-conform: DC came before mains',
  ],
  [
    'steps that are not recorded yet prove nothing',
    STEPS,
    { done: [{ id: 'mains', at: at(0) }] },
    'not-proven: DC was not recorded',
  ],
  ['a good pattern', LIGHT, { chosen: 'g' }, 'conforms: feeding in'],
  ['a bad pattern is decoded', LIGHT, { chosen: 'r' }, 'does-not-conform: insulation fault'],
  ['settings as asked', SETTINGS, values({ code: 'b', limit: '7.5' }), 'conforms: as asked'],
  [
    'a setting outside its range',
    SETTINGS,
    values({ code: 'A', limit: '9' }),
    'does-not-conform: limit not as asked',
  ],
  ['a setting that was not read', SETTINGS, values({ code: 'A' }), 'not-proven: 1 not read yet'],
  [
    'photos are complete when each is taken',
    PHOTOS,
    { taken: { plate: { id: 'x', sha256: 'x1' }, cover: { id: 'y', sha256: 'y1' } } },
    'conforms: 2 photos',
  ],
  [
    'a photo that is missing',
    PHOTOS,
    { taken: { plate: { id: 'x', sha256: 'x1' } } },
    'not-proven: 1 of 2 not taken',
  ],
  ['a statement made', STATED, { agreed: true }, 'conforms: stated'],
  ['a statement that could not be made', STATED, { agreed: false }, 'does-not-conform: could not be stated'],
])('%s', (_rule, requirement, answer, said) => expect(asked(requirement, answer)).toBe(said))

describe('the arrow of a transformer points as its own maker means it', () => {
  it.each`
    means          | more                                    | seen       | verdict
    ${'to-grid'}   | ${{}}                                   | ${'grid'}  | ${'conforms'}
    ${'to-grid'}   | ${{}}                                   | ${'loads'} | ${'does-not-conform'}
    ${'to-loads'}  | ${{}}                                   | ${'loads'} | ${'conforms'}
    ${'with-flow'} | ${{ flow: 'import' }}                   | ${'loads'} | ${'conforms'}
    ${'with-flow'} | ${{ flow: 'export' }}                   | ${'grid'}  | ${'conforms'}
    ${'letters'}   | ${{ gridLetter: 'K', loadLetter: 'L' }} | ${'grid'}  | ${'conforms'}
    ${'letters'}   | ${{ gridLetter: 'K', loadLetter: 'L' }} | ${'loads'} | ${'does-not-conform'}
  `('$means: seen towards the $seen, $verdict', ({ means, more, seen, verdict }) => {
    expect(
      asked({ kind: 'arrow-convention', means, transformers: ['L1'], ...more }, { chosen: seen }),
    ).toContain(verdict)
  })
})

describe('a bus', () => {
  const bus = {
    kind: 'bus',
    terminators: 'both-ends',
    shield: ['one-end'],
    maxDevices: 3,
    addresses: { min: 1, max: 99 },
  }
  const device = (name: string, address: number, terminated: boolean) => ({ name, address, terminated })
  const good = {
    devices: [device('inverter', 1, true), device('meter', 2, false), device('controller', 3, true)],
    cable: 'twisted-pair',
    polarity: 'a-to-a',
    shield: 'one-end',
  }
  it.each<[string, object, string]>([
    ['as asked', {}, 'conforms: as asked'],
    ['of single wires', { cable: 'single-wires' }, 'the cable is not a twisted pair'],
    ['with A and B crossed', { polarity: 'crossed' }, 'A and B are crossed'],
    ['with its shield earthed at both ends', { shield: 'both-ends' }, 'shield earthed at both ends'],
    [
      'with one address twice',
      { devices: [device('a', 1, true), device('b', 1, true)] },
      'address 1 is used twice',
    ],
    [
      'with an address outside',
      { devices: [device('a', 1, true), device('b', 200, true)] },
      'address 200 is outside the range',
    ],
    [
      'with a terminator in the middle',
      { devices: [device('a', 1, true), device('b', 2, true), device('c', 3, true)] },
      'a terminator at b, which is not an end',
    ],
    [
      'without a terminator at its end',
      { devices: [device('a', 1, true), device('b', 2, false)] },
      'no terminator at b',
    ],
    [
      'with too many devices',
      { devices: [1, 2, 3, 4].map((n) => device(`d${n}`, n, n === 1 || n === 4)) },
      '4 devices, at most 3',
    ],
  ])('%s', (_how, change, said) => expect(asked(bus, { ...good, ...change })).toContain(said))
})

describe('a data chain', () => {
  const port = (id: string, box: string, direction: string) => ({
    id,
    label: id.toUpperCase(),
    box,
    direction,
  })
  const chain = {
    kind: 'data-chain',
    leads: ['eight-core'],
    otherLeads: ['two-core'],
    ports: [
      port('o', 'inverter', 'out'),
      port('i1', 'battery 1', 'in'),
      port('o1', 'battery 1', 'out'),
      port('i2', 'battery 2', 'in'),
      port('o2', 'battery 2', 'out'),
    ],
  }
  const lead = (from: string, to: string, of = 'eight-core') => ({ from, to, lead: of })
  it.each<[string, object, string]>([
    [
      'unbroken, with its terminator',
      { leads: [lead('o', 'i1'), lead('o1', 'i2')], terminators: ['o2'] },
      'conforms: one unbroken chain',
    ],
    [
      'of the wrong lead',
      { leads: [lead('o', 'i1'), lead('o1', 'i2', 'two-core')], terminators: ['o2'] },
      'two-core between battery 1 O1 and battery 2 I2',
    ],
    [
      'plugged the wrong way round',
      { leads: [lead('o', 'i1'), lead('i2', 'o1')], terminators: ['o2'] },
      'it must go from an outgoing to an incoming port',
    ],
    [
      'that leaves a battery out',
      { leads: [lead('o', 'i1')], terminators: ['o1'] },
      'battery 2 is not in the chain',
    ],
    [
      'without its terminator',
      { leads: [lead('o', 'i1'), lead('o1', 'i2')], terminators: [] },
      'no terminator in battery 2 O2',
    ],
    [
      'with a terminator where none belongs',
      { leads: [lead('o', 'i1'), lead('o1', 'i2')], terminators: ['o2', 'i1'] },
      'a terminator in battery 1 I1, where none belongs',
    ],
  ])('%s', (_how, answer, said) => expect(asked(chain, answer)).toContain(said))

  const boxes = ['A', 'B', 'C']
  const three = {
    kind: 'data-chain',
    ports: boxes.flatMap((box) =>
      ['1', '2', '3'].map((n) => ({ id: `${box}${n}`, label: n, direction: 'both', box })),
    ),
    leads: ['lead'],
    terminator: 'none',
  }
  const led = (...pairs: string[]) => ({
    leads: pairs.map((pair) => {
      const [from, to] = pair.split(' ')
      return { from, to, lead: 'lead' }
    }),
    terminators: [],
  })
  it.each([
    ['a line', led('A1 B1', 'B2 C1'), 'conforms: one unbroken chain'],
    ['a ring', led('A1 B1', 'B2 C1', 'C2 A2'), 'does-not-conform: the leads close to a ring'],
    ['a star', led('A1 B1', 'A2 C1', 'A3 B2'), 'does-not-conform'],
    ['a loop of one', led('A1 B1', 'B2 C1', 'C2 C3'), 'a lead goes from C back to itself'],
    ['two leads in one port', led('A1 B1', 'B1 C1'), 'B 1 carries two leads'],
  ])('that is %s', (_what, answer, said) => expect(asked(three, answer)).toContain(said))
})

describe('fixings', () => {
  const wall = {
    kind: 'fixings',
    count: 4,
    topRow: 2,
    overhang: '100 mm',
    leverArm: '400 mm',
    depth: { min: '60 mm' },
    walls: [
      { wall: 'brick', tension: '2 kN', shear: '3 kN' },
      { wall: 'hollow', tension: '0.4 kN', shear: '0.5 kN', derate: 0.5 },
    ],
  }
  const hung = (said: Record<string, string | number>, tape: object = { instrument: TAPE }) =>
    asked(
      wall,
      {
        values: {
          ...values(said).values,
          ...('depth' in said && { depth: { typed: `${said['depth']} mm`, value: said['depth'] } }),
        },
      },
      { kind: 'battery', more: { mass: '60 kg' }, record: tape },
    )
  it('carry the unit in a wall that can', () =>
    expect(hung({ wall: 'brick', count: 4, depth: 70 })).toMatch(/^conforms: loaded to \d+ %/))
  it('do not in one that cannot', () =>
    expect(hung({ wall: 'hollow', count: 4, depth: 70 })).toMatch(/^does-not-conform: loaded to \d{3} %/))
  it('too few of them fail', () =>
    expect(hung({ wall: 'brick', count: 3, depth: 70 })).toBe(
      'does-not-conform: 3 fixings where 4 are asked for',
    ))
  it('in a wall that the sheet does not know fail', () =>
    expect(hung({ wall: 'another kind', count: 4, depth: 70 })).toContain(
      'no capacity for this kind of wall',
    ))
  it('a hole too shallow fails', () =>
    expect(hung({ wall: 'brick', count: 4, depth: 50 })).toBe(
      'does-not-conform: hole depth 50 mm is outside by 10 mm',
    ))
  it('a depth within the tape’s uncertainty proves nothing, nor does one without a tape', () => {
    expect(hung({ wall: 'brick', count: 4, depth: 60.5 })).toContain('not-proven')
    expect(hung({ wall: 'brick', count: 4, depth: 70 }, {})).toContain('not-proven')
  })
})

describe('what a sheet asks only under a condition', () => {
  const when = (condition: object, unit: object = {}, header: object = {}) => {
    const of = sheet('U', 'meter', [{ id: 'r', kind: 'observation', question: 'Q?', when: condition }])
    return new Site(header).unit(of, unit).says('U/r/unit')
  }
  it.each<[string, object, object, object, string]>([
    [
      'outdoors, and it stands indoors',
      { placed: 'outdoors' },
      { situation: { placed: 'indoors' } },
      {},
      'not-applicable: it stands indoors',
    ],
    [
      'outdoors, and it does',
      { placed: 'outdoors' },
      { situation: { placed: 'outdoors' } },
      {},
      'not-inspected: ',
    ],
    ['outdoors, and nobody knows', { placed: 'outdoors' }, {}, {}, 'not-inspected: '],
    [
      'hung off the floor, and it stands on it',
      { mounted: 'wall' },
      { situation: { mounted: 'floor' } },
      {},
      'not-applicable: it stands on the floor',
    ],
    ['with a battery, and there is none', { battery: true }, {}, {}, 'not-applicable: no battery is fitted'],
    [
      'with several alike, and it is alone',
      { several: true },
      {},
      {},
      'not-applicable: it is the only one of its kind',
    ],
    ['under other rules', { school: 'nec' }, {}, {}, 'not-applicable: the job follows IEC-style rules'],
    ['under these rules', { school: 'nec' }, {}, { school: 'nec' }, 'not-inspected: '],
    [
      'beside a gateway, and there is none',
      { fitted: 'gateway' },
      {},
      {},
      'not-applicable: no gateway on this job',
    ],
  ])('%s', (_when, condition, unit, header, said) => expect(when(condition, unit, header)).toBe(said))
})

it('where a photo is asked for, nothing is proven without one', () => {
  const of = sheet('U', 'meter', [{ id: 'r', kind: 'observation', question: 'Q?', photo: true }])
  const seen = (photos: object[]) =>
    new Site()
      .unit(of)
      .write({ kind: 'observation', body: { point: 'U/r/unit', seen: true, photos: photos as never } })
      .says('U/r/unit')
  expect(seen([])).toBe('not-proven: seen')
  expect(seen([{ id: 'p', sha256: 'x' }])).toBe('conforms: seen')
})

it('an answer given under an older revision that no longer fits answers nothing', () => {
  const of = sheet('U', 'meter', [{ id: 'r', ...ROOM }])
  expect(new Site().unit(of).record('U/r/unit', { chosen: 'attic' }).says('U/r/unit')).toBe('not-inspected: ')
})
