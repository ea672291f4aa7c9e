import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { parse } from 'yaml'
import {
  fold,
  inspect,
  parseQuantity,
  type Ask,
  type Check,
  type Entry,
  type Requirement,
  type Sheet,
} from '@plumb-mark/core'
import { readSheetText } from './sheet-file.js'

const NAMED = parse(readFileSync('samples/coverage.yaml', 'utf8')) as Record<
  string,
  { thing: string; by: string[] }[]
>
const rows = Object.entries(NAMED).flatMap(([stage, things]) =>
  things.flatMap(({ thing, by }) => by.map((one) => [stage, thing, one] as const)),
)
const sheets = new Map<string, Sheet>()
function sheetNamed(name: string): Sheet {
  const known = sheets.get(name)
  if (known) return known
  const read = readSheetText(readFileSync(`samples/sheets/${name}.yaml`, 'utf8'))
  if (!read.ok) throw new Error(read.faults[0].message)
  sheets.set(name, read.sheet)
  return read.sheet
}

const entry = (kind: string, body: object, seq: number) =>
  ({
    id: `e${seq}`,
    jobId: 'j',
    kind,
    body,
    at: new Date(Date.UTC(2026, 5, 1, 8, seq)).toISOString(),
    by: { id: 'p', name: 'P', role: 'inspector' },
    seq,
    prev: '',
    hash: '',
  }) as Entry

/** What stands around the unit under test: modules with a string, a battery, small inverters on a branch. */
const OTHERS = { m: 'wendlemere-wm-430-b', b: 'thrumcap-tb-10-b', si: 'sorrelight-sp-380-c' }
const module = { name: 'W', voc: 38.6, vocTempCoeff: -0.26, cellsInSeries: 54, bypassDiodes: 3 }
const path = Array.from({ length: 10 }, (_, i) => `p.r1c${i + 1}`)
const box = (id: string, unitId: string, at: string) => ({
  id,
  unitId,
  at,
  serial: `X-${id}`,
  feeds: [at],
  idlePorts: 0,
  cappedPorts: 0,
})

/** Every check of one sheet on two units of it. */
function checksOf(name: string, more: Entry[] = []) {
  const pinned = new Map([name, ...Object.values(OTHERS)].map((id) => [id, sheetNamed(id)]))
  const pins = [...pinned].map(([id, { maker, model, revision }]) => ({
    id,
    maker,
    model,
    revision,
    fingerprint: 'f',
  }))
  const head = {
    number: '1',
    title: 'T',
    site: 'S',
    customer: 'C',
    school: 'iec',
    units: 'metric',
    rule: 'guarded',
  }
  const plane = { id: 'p', label: 'P', rows: 1, columns: 10, orientation: 'portrait', gap: 20, empty: [] }
  const built = [
    ['job-opened', { ...head, coldest: -14, sheets: pins }],
    ['unit-fitted', { id: 'u', label: 'U', sheetId: name, serial: 'S-1' }],
    ['unit-fitted', { id: 'v', label: 'V', sheetId: name, serial: 'S-2' }],
    ...Object.entries(OTHERS).map(([id, sheetId]) => ['unit-fitted', { id, label: id, sheetId }]),
    ['plane-built', { ...plane, unitId: name === OTHERS.m ? 'u' : 'm' }],
    ['devices-fitted', { devices: [box('d', 'u', path[0]!), box('e', 'si', path[1]!)] }],
    [
      'branch-built',
      { id: 'k', label: 'K', unitId: 'u', devices: ['d'], phases: 1, breaker: 20, voltage: 240 },
    ],
    ['string-built', { id: 's', label: 'S', unitId: 'u', input: 'PV1', count: 10, module, path }],
  ] as [string, object][]
  const entries = built.map(([kind, body], i) => entry(kind, body, i + 1))
  return inspect(fold([...entries, ...more]), pinned).checks
}

/** An answer that nobody should take for right, in the form that the check asks for; undefined where it has no form of its own. */
function wrong({ ask, requirement }: Check): { kind: string; body: object } | undefined {
  const instrument = {
    id: 'i',
    name: 'I',
    kind: 'multimeter',
    serial: '1',
    calibratedUntil: '2030-01-01',
    accuracy: ACCURACY,
  }
  if (ask.kind === 'observation') return { kind: 'observation', body: { seen: false } }
  if (ask.kind === 'reading')
    return { kind: 'reading', body: { ...wrongReading(ask, requirement), instrument } }
  if (ask.kind !== 'record') return undefined
  const answer = WRONG[requirement.kind]?.(requirement as never, ask as never)
  return answer && { kind: 'record', body: { answer, instrument } }
}
const ACCURACY = (
  [
    'length',
    'torque',
    'voltage',
    'current',
    'resistance',
    'insulation',
    'temperature',
    'conductor-size',
    'power',
  ] as const
).map((dimension) => ({ dimension, percent: 0.1, plus: 0 }))

function wrongReading(ask: Extract<Ask, { kind: 'reading' }>, requirement: Requirement) {
  const high =
    'max' in requirement && requirement.max
      ? parseQuantity(String(requirement.max), ask.dimension)
      : undefined
  const low = {
    insulation: 0.01,
    resistance: 900,
    voltage: requirement.kind === 'polarity' ? -380 : 5,
    current: 0.1,
  }
  const value = high?.ok
    ? high.quantity.value * 2 + 1
    : (low[ask.dimension as 'voltage'] ?? (ask.dimension === 'conductor-size' ? 0.5 : 0.2))
  const conditions = { cellTemperature: 25, irradiance: 800, testVoltage: 1500 }
  return {
    typed: `${value}`,
    value,
    unit: ask.unit ?? '',
    relation: '=',
    conditions: Object.fromEntries(ask.conditions.map((name) => [name, conditions[name]])),
  }
}

const figure = (value: number, unit = '') => ({ typed: `${value} ${unit}`.trim(), value })
type Answers = {
  [K in Requirement['kind']]?: (requirement: Extract<Requirement, { kind: K }>, ask: never) => object
}
const WRONG: Answers = {
  listed: ({ options, allowed }) => ({ chosen: options.find((one) => !allowed.includes(one)) }),
  counts: ({ items }) => ({ values: Object.fromEntries(items.map(({ id }) => [id, figure(0)])) }),
  nameplate: ({ lines }) => ({
    values: Object.fromEntries(
      ['model', 'serial', ...lines.map(({ id }) => id)].map((id) => [id, { typed: 'ZZ' }]),
    ),
  }),
  attestation: () => ({ agreed: false }),
  'ordered-steps': ({ steps }) => ({
    done: steps.map(({ id }, i) => ({ id, at: new Date(Date.UTC(2026, 5, 1, 12, 0, 0, -i)).toISOString() })),
  }),
  'tightening-order': ({ bolts }) => ({ done: [...bolts].reverse().map(({ id }) => id) }),
  'switch-bank': ({ switches }) => ({
    positions: Object.fromEntries(switches.map(({ id, position }) => [id, position === 'on' ? 'off' : 'on'])),
  }),
  'photo-list': () => ({ taken: {} }),
  indicator: ({ patterns }) => ({ chosen: patterns.find(({ good }) => !good)!.id }),
  'alarm-codes': ({ codes }) => ({ chosen: codes.find(({ mayStay }) => !mayStay)!.id }),
  'self-test': ({ rows }) => ({
    values: Object.fromEntries(
      rows.flatMap(({ id, dimension }) => [
        [`${id}-at`, figure(1, dimension === 'voltage' ? 'V' : 'Hz')],
        [`${id}-in`, figure(9, 's')],
      ]),
    ),
  }),
  'demand-response': () => ({ values: { wiring: { typed: 'open' } } }),
  settings: ({ settings }) => ({
    values: Object.fromEntries(settings.map(({ id }) => [id, { typed: 'something else' }])),
  }),
  fixings: ({ spacing }) => ({
    values: {
      wall: { typed: 'hollow block' },
      count: figure(1),
      diameter: figure(4, 'mm'),
      depth: figure(10, 'mm'),
      ...(spacing && { spacing: figure(20, 'mm') }),
    },
  }),
  gland: () => ({ values: { diameter: figure(60, 'mm'), ring: { typed: 'taken out' } } }),
  'arrow-convention': ({ means }) => ({ chosen: means === 'to-loads' ? 'grid' : 'loads' }),
  'rail-marks': () => ({ values: [figure(3, 'mm'), figure(9000, 'mm')] }),
  'safe-voltage': () => ({ values: [figure(0, 'V')] }),
  'roll-call': () => ({ values: { ever: figure(0), lately: figure(0) } }),
  reserve: () => ({ values: { reserve: { typed: '30' }, load: figure(90_000, 'W'), told: { typed: 'X' } } }),
  production: () => ({ values: { power: figure(10, 'W'), irradiance: figure(800), cell: figure(25) } }),
  'data-chain': ({ ports, otherLeads = [] }) => ({
    leads: [{ from: ports[0]!.id, to: ports[1]!.id, lead: otherLeads[0] ?? 'two-core lead' }],
    terminators: [],
  }),
  bus: () => ({
    devices: [
      { name: 'A', address: 1, terminated: false },
      { name: 'B', address: 1, terminated: false },
    ],
    cable: 'single-wires',
    polarity: 'crossed',
    shield: 'not-earthed',
  }),
  'ct-proof': ({ phases }) => ({
    values: Object.fromEntries(
      Array.from({ length: phases }, (_, i) => [
        [`v${i + 1}`, figure(230, 'V')],
        [`p${i + 1}`, figure(1000 * (i + 1), 'W')],
        [`r${i + 1}`, figure(-1000 * (i + 1), 'W')],
        [`q${i + 1}`, figure(0, 'var')],
      ]).flat(),
    ),
  }),
  'power-balance': () => ({
    values: Object.fromEntries(
      [
        [-1800, 2600, 0],
        [-900, 0, 0],
        [-400, 1500, 900],
      ].flatMap(([grid, solar, battery], i) => [
        [`grid${i + 1}`, figure(-grid!, 'W')],
        [`solar${i + 1}`, figure(-solar!, 'W')],
        [`battery${i + 1}`, figure(battery!, 'W')],
      ]),
    ),
  }),
  'trace-test': ({ watch, within, max, min, tolerance, start }) => ({
    trace: { id: 't', sha256: 'f', samples: 9, startedAt: '2026-06-01T12:00:00Z', source: 'typed' },
    channel: watch.label,
    eventAt: 0,
    end: within + 900,
    by: {
      limit: (parseQuantity((max ?? min)!, watch.dimension) as { quantity: { value: number } }).quantity
        .value,
      tolerance: tolerance
        ? (parseQuantity(tolerance, watch.dimension) as { quantity: { value: number } }).quantity.value
        : 0,
      settleWithin: within,
      ...(start?.within !== undefined && { lookBack: start.within }),
      must: max === undefined ? 'stay-over' : 'stay-under',
    },
    found: { secondsOver: within + 900, peak: 1 },
  }),
}

/** Kinds whose facts are drawn, or follow from drawings: specs of core and the planted faults of the campaign find them wrong. */
const DRAWN: readonly Requirement['kind'][] = [
  'clearance',
  'string-limits',
  'branch-limits',
  'ports',
  'serial-map',
  'companion',
  'bonding',
  'earth-size',
  'cold-limit',
  'tracker-window',
  'like-strings',
  'protection',
  'conductor-size',
  'part-rating',
  // What they are answered about is drawn first: bonds, branches, boxes.
  'earth-continuity',
]

it('the list in docs/coverage.md is that of the sheets (node scripts/coverage.mjs writes it)', () => {
  const before = readFileSync('docs/coverage.md', 'utf8')
  execFileSync(process.execPath, ['scripts/coverage.mjs'])
  execFileSync(process.execPath, [
    'node_modules/prettier/bin/prettier.cjs',
    '--write',
    '--log-level',
    'warn',
    'docs/coverage.md',
  ])
  expect(readFileSync('docs/coverage.md', 'utf8')).toBe(before)
})

it.each(rows)('%s: %s is asked by %s, and found wrong when it is', (_stage, _thing, named) => {
  const [name, id] = named.split('/') as [string, string]
  const requirement = sheetNamed(name).requirements.find((one) => one.id === id)
  expect(requirement).toBeDefined()
  if (DRAWN.includes(requirement!.kind)) return
  const check = checksOf(name).find(
    ({ check }) => check.requirement.id === id && check.because === undefined,
  )?.check
  if (!check) throw new Error(`${named} makes no check`)
  const answer = wrong(check)
  if (!answer) throw new Error(`nobody knows how ${named} is answered wrongly`)
  const given = entry(answer.kind, { point: check.point, ...answer.body }, 40)
  const after = checksOf(name, [given]).find((one) => one.check.id === check.id)!
  // A photo that is missing shows nothing wrong: it leaves open what it should have shown.
  const expected = requirement!.kind === 'photo-list' ? 'not-proven' : 'does-not-conform'
  expect([named, after.outcome.verdict]).toEqual([named, expected])
})
