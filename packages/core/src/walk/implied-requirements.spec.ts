import { cable, part } from '../ac/network.testing.js'
import type { Scope } from '../job/scope.js'
import { MODULE, Site, sheet } from '../requirements/site.testing.js'
import { serialOf } from './serial-found.js'

const TERMINALS = ['PV1 +', 'PV1 −', 'PV2 +', 'PV2 −'].map((label, i) => ({
  id: `t${i}`,
  label,
  side: 'dc',
  clamp: 'click',
}))
const INVERTER = sheet('I', 'hybrid-inverter', [], { terminals: TERMINALS })
const BATTERY = sheet('B', 'battery', [{ id: 'x', kind: 'protection', photo: true }])

const asked = (site: Site) =>
  site.inspection.checks
    .filter(
      ({ check, outcome }) => check.requirement.kind === 'presence' && outcome.verdict === 'not-inspected',
    )
    .map(({ check }) => check.id)
const site = (scope?: Scope) => new Site(scope ? { scope } : {}).unit(INVERTER).unit(BATTERY).unit(MODULE)
const wired = (input: string) => ({
  kind: 'string-built' as const,
  body: {
    id: input,
    label: input,
    unitId: 'I',
    input,
    count: 10,
    module: { name: 'M', voc: 40, vocTempCoeff: -0.3, cellsInSeries: 54, bypassDiodes: 3 },
  },
})

it('what a kind of unit brings and nobody entered is asked for', () =>
  expect(asked(site()).sort()).toEqual([
    'B/entered-bonds/unit',
    'B/entered-one-line/unit',
    'B/entered-serials/unit',
    'B/photo-x/unit',
    'I/entered-bonds/unit',
    'I/entered-one-line/unit',
    'I/entered-serials/unit',
    'I/entered-strings/pv1',
    'I/entered-strings/pv2',
    'M/entered-bonds/unit',
  ]))

it('what is entered is not asked for any more, whatever else is missing', () => {
  const entered = site().write(
    wired('pv1'),
    { kind: 'unit-fitted', body: { id: 'I', label: 'I', sheetId: 'nobody-i-1', serial: 'A1' } },
    ...[
      part('grid', 'grid', { source: 40 }),
      part('q', 'device', { rating: 40 }),
      part('i', 'inverter', { unitId: 'I', source: 16 }),
    ].map((body) => ({ kind: 'part-placed' as const, body })),
    ...[cable('grid', 'q'), cable('q', 'i')].map((body) => ({ kind: 'conductor-run' as const, body })),
  )
  expect(asked(entered)).toEqual(expect.arrayContaining(['I/entered-strings/pv2', 'B/entered-one-line/unit']))
  for (const id of ['I/entered-strings/pv1', 'I/entered-one-line/unit', 'I/entered-serials/unit'])
    expect(asked(entered)).not.toContain(id)
})

it('a part that leads to no grid is not traced', () => {
  const loose = site().write({
    kind: 'part-placed',
    body: part('i', 'inverter', { unitId: 'I', source: 16 }),
  })
  expect(asked(loose)).toContain('I/entered-one-line/unit')
})

it('there is none only where somebody says so with a reason', () => {
  const point = 'I/entered-strings/pv2'
  const said = (typed: string) =>
    site()
      .record(point, { values: { reason: { typed } } })
      .says(point)
  expect(said('idle, capped')).toBe('conforms: none: idle, capped')
  expect(said('  ')).toBe('not-inspected: ')
})

it('a photo of what is read off a drawing is not there before it is shown', () => {
  const seen = (photos?: { id: string; sha256: string }[]) =>
    site()
      .write({
        kind: 'observation',
        body: { point: 'B/photo-x/unit', seen: true, ...(photos && { photos }) },
      })
      .check('B/photo-x/unit').outcome.verdict
  expect([seen(), seen([{ id: 'p', sha256: 'f' }])]).toEqual(['not-proven', 'conforms'])
})

it('what lies outside the scope of a job is not asked for', () =>
  expect(
    asked(site({ outside: ['strings', 'bonds', 'serials', 'photos'], reason: 'a battery was added' })),
  ).toEqual(['B/entered-one-line/unit', 'I/entered-one-line/unit'].reverse()))

it('a serial that was read is the serial of its unit; one that stands on two plates proves neither', () => {
  const read = (unit: string, typed: string, on = site()) =>
    on.record(`${unit}/entered-serials/unit`, { values: { serial: { typed } } })
  const one = read('B', 'AB-77')
  expect(one.says('B/entered-serials/unit')).toBe('conforms: serial AB-77')
  const { checks, state } = one.inspection
  expect(
    serialOf(
      state.asBuilt.units.find(({ id }) => id === 'B')!,
      checks,
    ).found,
  ).toBe('AB-77')
  const both = read('I', 'ab 77', read('B', 'AB-77'))
  expect(both.says('I/entered-serials/unit')).toBe('not-proven: serial ab 77 is that of B too')
  expect(both.says('B/entered-serials/unit')).toBe('not-proven: serial AB-77 is that of I too')
})
