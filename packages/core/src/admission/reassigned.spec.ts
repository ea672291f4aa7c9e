import type { NewEntry } from '../job/entry.js'
import { reassigned, candidates } from './reassigned.js'
import { DRIVER, METER, SampleJob } from './sample-job.testing.js'

const job = () =>
  SampleJob.opened().write('inspector', 'unit-fitted', { id: 'v', label: 'V', sheetId: 'nobody-box-1' })
const AT = '2026-06-01T10:00:00Z'
const reading = (point: string, typed = '2.5 N·m', value = 2.5): NewEntry => ({
  id: 'was',
  kind: 'reading',
  at: AT,
  body: { point, typed, value, unit: 'N·m', relation: '=', instrument: DRIVER },
})
const mending = (inspection: SampleJob['inspection']) => ({
  id: 'now',
  role: 'inspector' as const,
  inspection,
})

it('a reading of a unit that is gone is offered to every screw that would take it, and to nothing else', () => {
  const inspection = job().inspection
  const offered = candidates(reading('gone/torque/a'), 'inspector', inspection)
  expect(offered.map(({ ask }) => ask.kind)).toEqual(offered.map(() => 'reading'))
  expect(offered.length).toBeGreaterThan(0)
  expect(candidates(reading(offered[0]!.point), 'inspector', inspection)).toHaveLength(offered.length - 1)
})

it('handed to another check it keeps its time and its instrument and takes an id of its own', () => {
  const inspection = job().inspection
  const entry = reading('gone/torque/a')
  const [to] = candidates(entry, 'inspector', inspection)
  const answer = reassigned(entry, { point: to!.point }, mending(inspection))
  expect(answer).toMatchObject({
    ok: true,
    entry: { id: 'now', at: AT, body: { point: to!.point, value: 2.5, instrument: DRIVER } },
  })
})

it('what was mistyped is read anew, in the instrument’s figures of today where they changed', () => {
  const inspection = job().inspection
  const [to] = candidates(reading('gone/torque/a'), 'inspector', inspection)
  const instrument = { ...DRIVER, calibratedUntil: '2028-01-01' }
  const answer = reassigned(reading(to!.point), { typed: '2.2', instrument }, mending(inspection))
  expect(answer).toMatchObject({ ok: true, entry: { body: { value: 2.2, unit: 'N·m', instrument } } })
})

it.each([
  ['what reads as no figure', { typed: 'firm' }],
  ['a place that nobody asks at', { point: 'nowhere' }],
])('%s is refused in words', (_what, change) => {
  const inspection = job().inspection
  const [to] = candidates(reading('gone/torque/a'), 'inspector', inspection)
  const answer = reassigned(reading(to!.point), { ...change, instrument: METER }, mending(inspection))
  expect(answer).toMatchObject({ ok: false, message: expect.stringMatching(/\w/) as string })
})

it('what is no evidence belongs to no check', () => {
  const inspection = job().inspection
  expect(
    candidates({ id: 'x', kind: 'unit-removed', at: AT, body: { unitId: 'v' } }, 'inspector', inspection),
  ).toEqual([])
})
