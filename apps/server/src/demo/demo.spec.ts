import { sha256 } from '@plumb-mark/archive'
import {
  fold,
  inspect,
  misclosures,
  sheetsById,
  verifyInspectionFile,
  wallEnds,
  type InspectionFile,
  type Stage,
} from '@plumb-mark/core'
import { RunningServer } from '../testing/running-server.testing.js'

let server: RunningServer
const files = new Map<string, InspectionFile>()
let file: InspectionFile

beforeAll(async () => {
  server = await RunningServer.start()
  const inspector = await server.signIn('inspector')
  const jobs = await inspector.jobs()
  for (const { id, title } of jobs)
    files.set(
      title.split(' ')[0]!,
      (await inspector.json<InspectionFile>('GET', `/api/jobs/${id}/inspection.json`)).body,
    )
  file = files.get('Fallowmere')!
})
afterAll(() => server.stop())

/** The faults planted in each site, as its sample file names them where they stand: by check, with the words that tell them. */
const PLANTED = [
  [
    'Fallowmere',
    'does-not-conform',
    {
      'inv-2/nameplate/unit': 'serial is AH8T-26-004432, not AH8T-26-004423',
      'inv-2/accessories/unit': '1 piece of gland insert short',
      'inv-1/clear/right': '350 mm to Inverter 2, short by 50 mm',
      'inv-2/clear/left': '350 mm to Inverter 1, short by 50 mm',
      'bat-2/wall/unit': 'loaded to 162 % of what they may carry',
      'bat-2/tilt/unit': '4 °, must be at most 3 °',
      'inv-2/strings/string-d': 'modules of Lean-to, east and South roof in one string',
      'modules/air-gap/lean-to': '55 mm, must be at least 80 mm',
      'inv-1/earth-size/b-inv-1': '4 mm² fitted, 6 mm² asked for by the sheet',
      'inv-2/bonding/unit':
        'the core of the supply cable is not landed: the second earth terminal is an addition, never instead of it',
      'bat-2/bonding/unit': 'Battery 2: no way to the main earth terminal',
      'inv-1/dc-torque/pv2-minus': '1.6 N·m, must be 2.2 N·m to 2.8 N·m',
      'inv-2/open-circuit/string-c': '−40.3 V from 446.9 V expected',
      'inv-2/alike/unit': 'String C differs by −8.3 %',
      'inv-2/protection/unit': 'Breaker 2 40 A is above 25 A',
      'inv-2/glands/ac': '15.1 mm is outside 9 mm to 13.5 mm with the ring fitted',
      'rules/cables/c-pumps':
        'carries 89 A from Grid, Inverter 1 and Inverter 2, may carry 62 A: the cable carries less than its protective device lets through',
      'bat-1/torque/b-minus': '5.1 N·m, must be 7 N·m to 8 N·m',
      'bat-1/chain/unit': 'no terminator in battery 2 OUT',
      'bat-2/chain/unit': 'no terminator in battery 2 OUT',
      'meter-1/arrow/l3': 'turned round',
      'meter-1/proof/unit':
        'swap the transformers of channels 1 and 2; turn round the transformer of channel 3',
      'site/surge/unit': 'found only on one side',
      'site/two-supplies/unit': 'not so',
      'inv-2/settings/unit':
        'export limit not as asked: may draw up to 6 kW from the grid before it raises its own output',
      'inv-2/fallback/unit': 'settled 45 s after the data lead is unplugged, 10 s are allowed',
      'inv-2/cover/unit': 'bolt 2 was 2, not 4',
      'grid/self-test/unit': 'overvoltage stage 2 not as the code wants it',
      'grid/demand-response/unit': 'DRM 5: the unit did otherwise',
      'grid/generator/unit':
        'generator input and generator in the settings do not belong together: an input without a generator must not be waited for',
      'grid/weather/unit': 'rain or snow while it was open not as asked',
      'grid/lock/unit': 'not so',
      'logger/antenna/unit': 'not so',
      'logger/lights/unit': 'connected to the inverter, no network',
      'logger/network/unit': 'password of the page not as asked',
    },
  ],
  [
    'Fallowmere',
    'not-proven',
    {
      'inv-1/dc-torque/pv2-plus': 'inside by 0.1 N·m',
      'inv-1/insulation/string-b': 'more than 550 MΩ of at least 1 MΩ',
      'iso-1/torque/t1': 'inside by 2 in·lb',
      'iso-1/clear/right': 'DC isolator to window: 400 mm measured, 410 mm by the offsets',
      'inv-2/photos/unit': '1 of 3 not taken',
    },
  ],
  [
    'Juniper',
    'does-not-conform',
    {
      'inverters/ports/branch-2': 'end of the trunk open',
      'inverters/branch/branch-2': '12 inverters where 10 may be: 2 too many',
      'inverters/tension/branch-2': 'not so',
      'listener/serials/unit': 'row 1, place 7: SP38262295 on the map, SP38262259 heard',
      'listener/roll-call/unit': '1 never seen: row 2, place 4',
      'modules/bonding/unit': 'the part at Frames, canopy was fitted 2 times, at most 1',
      // The two inverters too many are too many for the breaker of their branch, on either side of it.
      'rules/cables/c-q-2':
        'carries 18.96 A, may carry 40 A: the protective device is smaller than the design current',
      'rules/cables/c-b-2':
        'carries 18.96 A, may carry 40 A: the protective device is smaller than the design current',
      'rules/cables/c-cars':
        'carries 40 A, may carry 40 A: the terminal at its end is too cool for this current; the cable carries less than its protective device lets through',
      'rules/ratings/n-canopy': 'can carry 80 A of 60 A',
      'rules/isolators/unit': 'not so',
    },
  ],
  ['Juniper', 'not-proven', {}],
] as const

it.each(PLANTED)('of %s, just what was planted %s', (site, verdict, planted) => {
  const found = judge(files.get(site)!).checks.filter(({ outcome }) => outcome.verdict === verdict)
  expect(
    Object.fromEntries(
      found.map(({ check, outcome }) => [check.id, 'finding' in outcome && String(outcome.finding)]),
    ),
  ).toEqual(planted)
})

it.each<[string, readonly Stage[]]>([
  ['Fallowmere', ['identify', 'place-and-mount', 'roof', 'earthing', 'dc', 'ac', 'battery', 'meter']],
  ['Juniper', ['identify', 'place-and-mount', 'roof', 'earthing', 'ac']],
])('of %s, the stages that were walked are answered to the last check', (site, first) => {
  const open = judge(files.get(site)!).checks.filter(
    ({ check, outcome }) => first.includes(check.stage) && outcome.verdict === 'not-inspected',
  )
  expect(open.map(({ check }) => check.id)).toEqual([])
})

it('Skerry Point is clean to the last check, signed, sealed and intact', () => {
  const skerry = files.get('Skerry')!
  const { checks, state } = judge(skerry)
  expect(
    checks.filter(({ outcome }) => outcome.verdict !== 'conforms' && outcome.verdict !== 'not-applicable'),
  ).toEqual([])
  expect(checks.length).toBeGreaterThan(70)
  expect(state.seal?.by.role).toBe('reviewer')
  expect(verifyInspectionFile(skerry, sha256)).toEqual([])
})

it('the silent device is told apart from the mistyped one', () => {
  const { outcome } = judge(files.get('Juniper')!).checks.find(
    ({ check }) => check.id === 'listener/serials/unit',
  )!
  expect('causes' in outcome && outcome.causes).toEqual([
    'row 1, place 7: SP38262295 on the map, SP38262259 heard',
    'silent: row 2, place 4',
  ])
})

it('a gap that was misread shows as a misclosure, and the others close', () => {
  const { state } = judge(file)
  const wall = state.asBuilt.walls.find(({ id }) => id === 'pump-house')!
  const items = [
    ...state.asBuilt.units.flatMap(({ id, place }) => (place?.wallId === wall.id ? [{ ...place, id }] : [])),
    ...wall.obstructions,
    ...wallEnds(wall),
  ]
  expect(
    misclosures(items, wall.gaps, wall.uncertainty).map(({ gapId, misclosure, tooLarge }) => [
      gapId,
      misclosure,
      tooLarge,
    ]),
  ).toEqual([
    ['gap-1', 1, false],
    ['gap-2', 0, false],
    ['gap-3', -10, true],
  ])
})

it('the short string is told to be missing a module before anything else', () => {
  const { outcome } = judge(file).checks.find(({ check }) => check.id === 'inv-2/open-circuit/string-c')!
  expect('causes' in outcome && outcome.causes[0]).toContain('one module is missing')
})

it('the exported record verifies, and one changed figure shows', () => {
  expect(verifyInspectionFile(file, sha256)).toEqual([])
  const spoilt = structuredClone(file)
  const reading = spoilt.entries.find(({ kind }) => kind === 'reading')!
  ;(reading.body as { value: number }).value += 1
  expect(verifyInspectionFile(spoilt, sha256)).toMatchObject([{ fault: 'changed', seq: reading.seq }])
})

it('a sheet exchanged under the record shows', () => {
  const spoilt = structuredClone(file)
  spoilt.sheets[0]!.title = 'another'
  expect(verifyInspectionFile(spoilt, sha256).map(({ fault }) => fault)).toEqual(['sheet-changed'])
})

const judge = ({ entries, sheets }: InspectionFile) => inspect(fold(entries), sheetsById(sheets))
