import { Site, sheet } from '../site.testing.js'

const figure = (value: number, unit = '') => ({ typed: `${value} ${unit}`.trim(), value })
const words = (said: Record<string, string | { typed: string; value: number }>) => ({
  values: Object.fromEntries(
    Object.entries(said).map(([key, one]) => [key, typeof one === 'string' ? { typed: one } : one]),
  ),
})
/** What comes of an answer to the only requirement of a unit. */
function asked(
  requirement: object,
  answer: object,
  { kind = 'hybrid-inverter', others = [] as object[] } = {},
) {
  const site = new Site().unit(sheet('U', kind, [{ id: 'r', stage: 'commission', ...requirement }]))
  for (const other of others) site.unit(other as never)
  return site.record('U/r/unit', answer).says('U/r/unit')
}

const SETTINGS = {
  kind: 'settings',
  settings: [
    {
      id: 'limit',
      label: 'export limit',
      unit: 'kW',
      rule: { min: 0, max: 8 },
      says: { positive: 'may send up to {}', negative: 'may draw up to {} first', zero: 'sends nothing' },
    },
    { id: 'floor', label: 'floor', rule: { min: 10, max: 30 } },
    { id: 'forced', label: 'forced charge', rule: { min: 5, max: 30 } },
    { id: 'region', label: 'region' },
    { id: 'code', label: 'grid code', rule: { oneOf: ['A', 'B'] } },
    { id: 'count', label: 'inverters', rule: { min: 1, max: 3 } },
  ],
  together: [
    { rule: 'below', a: 'forced', b: 'floor', because: 'it would charge every evening' },
    {
      rule: 'goes-with',
      a: 'region',
      b: 'code',
      is: ['north'],
      with: ['B'],
      because: 'the region has its own',
    },
    { rule: 'as-fitted', a: 'count', kind: 'hybrid-inverter', because: 'they share the limit' },
  ],
}
const GOOD = { limit: '8', floor: '20', forced: '12', region: 'North', code: 'B', count: '1' }

describe('settings', () => {
  it.each([
    ['all as asked', {}, 'conforms: as asked'],
    [
      'the wrong sign',
      { limit: '-6' },
      'does-not-conform: export limit not as asked: may draw up to 6 kW first',
    ],
    [
      'forced charge above the floor',
      { forced: '25' },
      'does-not-conform: forced charge and floor do not belong',
    ],
    [
      'another grid code than the region has',
      { code: 'A' },
      'does-not-conform: region and grid code do not belong',
    ],
    ['more than stand there', { count: '2' }, 'does-not-conform: inverters do not belong together'],
    ['a word where a figure is asked', { floor: 'twenty' }, 'does-not-conform: floor not as asked'],
  ])('%s', (_name, change, said) => {
    expect(asked(SETTINGS, words({ ...GOOD, ...change }))).toContain(said)
  })
  it('what was not read proves nothing, alone or together', () => {
    for (const left of ['floor', 'region']) {
      const others = Object.fromEntries(Object.entries(GOOD).filter(([id]) => id !== left))
      expect(asked(SETTINGS, words(others))).toMatch(/^not-proven/)
    }
  })
  it.each([
    ['forced', 'twelve', 'read forced charge and floor as figures'],
    ['floor', '0x20', 'read forced charge and floor as figures'],
    ['count', 'one', 'read inverters as figures'],
  ])('%s read as “%s” is below nothing and equals nothing: not proven', (id, typed, wanting) => {
    const plain = SETTINGS.settings.map(({ rule: _rule, ...setting }) => setting)
    const said = asked({ ...SETTINGS, settings: plain }, words({ ...GOOD, [id]: typed }))
    expect([said.startsWith('not-proven'), said.includes(wanting)]).toEqual([true, true])
  })
  it('a rule over a setting that is not there is refused with its place', () => {
    const together = [{ rule: 'below', a: 'forced', b: 'nobody', because: 'x' }]
    expect(() => asked({ ...SETTINGS, together }, {})).toThrow(
      expect.objectContaining({ path: 'requirements[0].together[0].b' }),
    )
  })
})

const FALLBACK = {
  kind: 'trace-test',
  do: ['unplug it'],
  event: 'the lead is out',
  watch: { label: 'inverter', dimension: 'power' },
  max: '0 W',
  tolerance: '100 W',
  within: '10 s',
  record: '60 s',
}
const SEEN = {
  unit: 'W',
  from: 0,
  widestGap: 1,
  before: { least: 4900, most: 5100 },
  ever: { least: 0, most: 5100 },
}
const TRACE = {
  trace: { id: 't', sha256: 'f', samples: 80, startedAt: '2026-06-01T08:00:00Z', source: 'live' },
  channel: 'inverter',
  eventAt: 12,
  end: 72,
  by: { limit: 0, tolerance: 100, settleWithin: 10, must: 'stay-under' },
  found: { settledAt: 20, secondsOver: 8, peak: 6000, seen: SEEN },
}

describe('a test with a trace', () => {
  it.each([
    ['settled in time', {}, 'conforms: settled 8 s after the lead is out, 10 s are allowed'],
    ['at the last moment', { found: { ...TRACE.found, settledAt: 22 } }, 'conforms'],
    ['too late', { found: { ...TRACE.found, settledAt: 57 } }, 'does-not-conform: settled 45 s after'],
    [
      'never',
      { found: { secondsOver: 60, peak: 6000 } },
      'does-not-conform: still beyond the limit 60 s after',
    ],
    ['too short to tell', { end: 15, found: { secondsOver: 3, peak: 6000 } }, 'not-proven'],
    ['the device fell silent', { lostAt: 30 }, 'not-proven'],
    [
      'too late, and then the device fell silent',
      { lostAt: 60, found: { ...TRACE.found, settledAt: 57 } },
      'does-not-conform',
    ],
    ['judged by another limit', { by: { ...TRACE.by, limit: 500 } }, 'not-proven: judged by other figures'],
  ])('%s', (_name, change, said) => {
    expect(asked(FALLBACK, { ...TRACE, ...change })).toContain(said)
  })
  describe('proves what was recorded:', () => {
    const seen = (more: object = {}, answer: object = {}, sheet: object = {}) =>
      asked(
        { ...FALLBACK, ...sheet },
        { ...TRACE, found: { ...TRACE.found, seen: { ...SEEN, ...more } }, ...answer },
      )
    it.each([
      ['all of it', {}, {}, 'conforms'],
      [
        'three seconds of the sixty',
        {},
        { end: 25 },
        'not-proven: recorded 13 s after the lead is out, and 60 s are asked',
      ],
      ['from the event on', { from: 11 }, {}, 'not-proven: the trace begins 1 s before the lead is out'],
      ['two samples far apart', { widestGap: 58 }, {}, 'not-proven: two samples lie 58 s apart'],
      [
        'another column',
        {},
        { channel: 'Grid voltage L2' },
        'not-proven: “Grid voltage L2” was traced, and the sheet watches “inverter”',
      ],
      ['the same column in another spelling', {}, { channel: ' Inverter' }, 'conforms'],
      [
        'what nobody looked at: its samples and the state before',
        {},
        { found: { settledAt: 20, secondsOver: 8, peak: 6000 } },
        'not-proven: nobody looked at how closely',
      ],
      ['another unit', { unit: 'kW' }, {}, 'not-proven: the column is in kW, and W are judged'],
      [
        'nothing but silence',
        { before: { least: 0, most: 0 }, ever: { least: 0, most: 40 } },
        {},
        'not-proven: inverter was below 0 W all along: nothing was tried',
      ],
    ])('%s', (_what, more, answer, said) => expect(seen(more, answer)).toContain(said))
    it.each([
      ['from enough before it', { min: '3 kW' }, 'conforms'],
      [
        'from too little',
        { min: '6 kW' },
        'not-proven: before it there were only 5100 W, and 6000 W must be there',
      ],
      [
        'from too much',
        { max: '1 kW' },
        'not-proven: before it there were 4900 W, and it must be down to 1000 W',
      ],
    ])('out of the state that the sheet asks for, %s', (_what, start, said) =>
      expect(seen({}, {}, { start })).toContain(said),
    )
    it('what failed has failed, however it was recorded', () =>
      expect(
        asked(FALLBACK, {
          ...TRACE,
          end: 25,
          found: { settledAt: 57, secondsOver: 45, peak: 6000, seen: { ...SEEN, widestGap: 58 } },
        }),
      ).toContain('does-not-conform'))
  })
  it.each([
    [{ max: undefined }, 'requirements[0]'],
    [{ min: '5 W' }, 'requirements[0]'],
    [{ start: { min: 'much' } }, 'requirements[0].start.min'],
    [{ max: 'much' }, 'requirements[0].max'],
  ])('a sheet that says %j is refused at %s', (change, path) => {
    expect(() => asked({ ...FALLBACK, ...change }, TRACE)).toThrow(expect.objectContaining({ path }))
  })
})

const CODES = {
  kind: 'alarm-codes',
  codes: [
    { id: '12', means: 'insulation too low', cause: 'a damp connector', next: 'isolate' },
    { id: '52', means: 'waits for light', next: 'wait', mayStay: true },
  ],
}

it.each([
  ['none', 'conforms: no alarm'],
  ['12', 'does-not-conform: 12: insulation too low'],
  ['52', 'conforms: 52: waits for light'],
  ['77', 'not-proven: code 77 shown'],
])('the code %s shown %s', (chosen, said) => {
  expect(asked(CODES, { chosen })).toContain(said)
})

const BATTERY = sheet('B', 'battery', [], { ratings: [{ name: 'usable energy', value: '10 kWh' }] })
const RESERVE = { kind: 'reserve', backup: '5 kW', loads: ['pump'] }

it.each([
  ['the loads fit', { load: figure(500, 'W') }, 'conforms: 5.7 h for these loads, told to A. Customer'],
  ['the loads are too many', { load: figure(6000, 'W') }, 'does-not-conform: the loads are more than'],
  ['a load is missing', {}, 'not-proven'],
  ['the reserve is a word', { load: figure(500, 'W'), reserve: 'about 30' }, 'not-proven'],
])('a reserve of which %s', (_name, change, said) => {
  const answer = words({ reserve: '30', told: 'A. Customer', ...change })
  expect(asked(RESERVE, answer, { others: [BATTERY] })).toContain(said)
})
it('a battery whose sheet does not say its energy leaves the reserve unknown', () => {
  const silent = sheet('B', 'battery', [])
  const answer = words({ reserve: '30', load: figure(500, 'W'), told: 'A' })
  expect(asked(RESERVE, answer, { others: [silent] })).toMatch(/^not-proven/)
})
