import { sheetId } from '../sheet/ref.js'
import { Site, sheet } from './site.testing.js'
import { differenceWords, sheetDifferences } from './difference.js'
import { adoptionChanges, withSheet } from '../walk/adoption.js'
import { type Sheet } from './sheet.js'

const clear = (top: string) => ({
  id: 'clear',
  kind: 'clearance',
  stage: 'place-and-mount',
  clause: '4.2',
  title: 'Free space',
  clear: { left: '100 mm', right: '100 mm', top, bottom: '100 mm' },
})
const mains = (max: string) => ({
  id: 'mains',
  kind: 'limits',
  clause: '7.1',
  title: 'Mains',
  dimension: 'voltage',
  min: '207 V',
  max,
})
const terminals = (max: string) => ({
  terminals: [
    { id: 'l', label: 'L', side: 'ac', clamp: 'torque', torque: { min: '1 N·m', max } },
    { id: 'n', label: 'N', side: 'ac', clamp: 'spring' },
  ],
})
const OLD = sheet(
  'U',
  'meter',
  [
    clear('420 mm'),
    mains('253 V'),
    { id: 'gone', kind: 'observation', question: 'Old?', clause: '9', title: 'Old thing' },
  ],
  terminals('2 N·m'),
)
const NEW: Sheet = {
  ...sheet(
    'U',
    'meter',
    [
      clear('480 mm'),
      { id: 'new', kind: 'observation', question: 'New?', clause: '8.3', title: 'New thing' },
      mains('250 V'),
    ],
    terminals('2.5 N·m'),
  ),
  revision: '2',
  date: '2026-06-01',
}

it('two revisions differ in the words of a reader, wherever a requirement stands', () => {
  expect(sheetDifferences(OLD, NEW).map(differenceWords)).toEqual([
    'New thing new, clause 8.3',
    'Old thing no longer asked for, clause 9',
    'terminal L: torque, max 2 → 2.5 N·m',
    'Free space: clear, top 420 → 480 mm, clause 4.2',
    'Mains: max 253 → 250 V, clause 7.1',
  ])
})
it('figures that a reader would write alike are told apart, and another unit alone is no difference', () => {
  const of = (top: string) => sheet('U', 'meter', [clear(top)])
  expect(sheetDifferences(of('420 mm'), of('420.04 mm')).map(differenceWords)).toEqual([
    'Free space: clear, top 420 → 420.04 mm, clause 4.2',
  ])
  expect(sheetDifferences(of('11 3/8 in'), of('288.925 mm'))).toEqual([])
})
it('a sheet does not differ from itself', () => expect(sheetDifferences(OLD, OLD)).toEqual([]))

describe('before a revision is adopted', () => {
  const site = new Site().unit(OLD).write({
    kind: 'reading',
    body: { point: 'U/mains/unit', typed: '252 V', value: 252, unit: 'V', relation: '=' },
  })
  const { state, sheets } = site.inspection
  const after = withSheet(state, sheets, sheetId(OLD), NEW)
  it('it is told check by check what would change', () => {
    expect(
      adoptionChanges(site.inspection, after).map(({ kind, checkId, verdictBefore, verdictAfter }) => [
        kind,
        checkId,
        verdictBefore,
        verdictAfter,
      ]),
    ).toEqual([
      ['new', 'U/new/unit', undefined, 'not-inspected'],
      ['changed', 'U/mains/unit', 'not-proven', 'does-not-conform'],
      ['changed', 'U/clear/top', 'not-inspected', 'not-inspected'],
      ['gone', 'U/gone/unit', 'not-inspected', undefined],
    ])
  })
  it('nothing of the job itself has changed', () =>
    expect(site.inspection.state.asBuilt.units[0]!.sheetId).toBe(sheetId(OLD)))
})
