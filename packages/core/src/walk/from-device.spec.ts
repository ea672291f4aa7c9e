import type { PointRead } from '../device/point.js'
import { Site, sheet } from '../requirements/site.testing.js'
import { carriedWord } from './carried-word.js'
import { answerFromDevice, pointsAsked, serialsHeard } from './from-device.js'

const DEVICE = {
  id: 'd',
  host: '127.0.0.1',
  port: 502,
  unitId: 1,
  maker: 'Nobody',
  model: 'U',
  serial: 'AB-1',
  firmware: '1',
  simulated: true,
}
const read = (points: Record<string, number | string>, at = '2026-06-01T08:00:00Z') => ({
  device: DEVICE,
  at,
  points: Object.fromEntries(
    Object.entries(points).map(([key, value]): [string, PointRead] => [
      key,
      { register: 7, raw: value, exponent: 0, value },
    ]),
  ),
})
const REQUIREMENTS = [
  {
    id: 'settings',
    kind: 'settings',
    settings: [
      { id: 'limit', label: 'limit', rule: { max: 8 }, from: { register: 1, type: 's16', scale: 0.1 } },
      { id: 'mode', label: 'mode', rule: { equals: 'own use' } },
    ],
  },
  {
    id: 'steps',
    kind: 'ordered-steps',
    steps: [
      { id: 'mains', label: 'mains', seen: { from: { register: 2, type: 'u16' }, equals: 1 } },
      { id: 'dc', label: 'DC', after: ['mains'], seen: { from: { register: 3, type: 'u16' }, atLeast: 100 } },
      { id: 'look', label: 'look', after: ['dc'] },
    ],
  },
  {
    id: 'code',
    kind: 'alarm-codes',
    codes: [{ id: '12', means: 'M', next: 'N' }],
    from: { register: 4, type: 'u16' },
  },
  {
    id: 'trace',
    kind: 'trace-test',
    do: ['x'],
    event: 'e',
    watch: { label: 'export', dimension: 'power', of: 'meter', from: { model: 203, point: 'W' } },
    max: '1 W',
    within: '1 s',
    record: '2 s',
  },
  { id: 'plate', kind: 'nameplate', lines: [] },
]
const site = new Site().unit(sheet('U', 'hybrid-inverter', REQUIREMENTS), { serial: 'AB-1' })
const check = (id: string) => site.inspection.checks.find((one) => one.check.id === `U/${id}/unit`)!.check

it('what the sheet maps is put into the answer, with where it was read; the rest stays as it was typed', () => {
  const told = answerFromDevice(
    check('settings'),
    read({ r1: -60 }),
    { values: { mode: { typed: 'own use' } } },
    undefined,
  )!
  expect(told.answer).toEqual({ values: { mode: { typed: 'own use' }, limit: { typed: '-6' } } })
  expect(told.word.points).toEqual([
    { part: 'limit', point: 'register 1', register: 7, raw: '-60', exponent: 0, at: '2026-06-01T08:00:00Z' },
  ])
  expect(told.word).not.toHaveProperty('figures')
})
it('a device that says nothing that is asked answers nothing', () => {
  expect(answerFromDevice(check('settings'), read({ r9: 1 }), undefined, undefined)).toBeUndefined()
})
it('steps are ticked as far as they are seen done, once, and only those that are meant', () => {
  const both = answerFromDevice(check('steps'), read({ r2: 1, r3: 380 }), undefined, undefined)!
  expect(both.answer).toMatchObject({ done: [{ id: 'mains' }, { id: 'dc' }] })
  const before = { done: [{ id: 'mains', at: '2026-06-01T07:00:00Z' }] }
  const next = answerFromDevice(check('steps'), read({ r2: 1, r3: 380 }), before, undefined)!
  expect(next.answer).toEqual({ done: [...before.done, { id: 'dc', at: '2026-06-01T08:00:00Z' }] })
  expect(next.word.points.map(({ part }) => part)).toEqual(['dc'])
  expect(answerFromDevice(check('steps'), read({ r2: 0, r3: 20 }), undefined, undefined)).toBeUndefined()
  expect(
    answerFromDevice(check('steps'), read({ r2: 1, r3: 380 }), undefined, undefined, () => false),
  ).toBeUndefined()
})
it('no alarm is an answer, a code is the code', () => {
  const code = (value: number) =>
    answerFromDevice(check('code'), read({ r4: value }), undefined, undefined)!.answer
  expect([code(0), code(12), code(99)]).toEqual([{ chosen: 'none' }, { chosen: '12' }, { chosen: '99' }])
})
it('the nameplate is read off the open model of the device itself', () => {
  const told = answerFromDevice(check('plate'), read({ '1.Md': 'U', '1.SN': 'AB-1' }), undefined, undefined)!
  expect(told.answer).toEqual({ values: { model: { typed: 'U' }, serial: { typed: 'AB-1' } } })
})
it('a unit is asked for its own points and for those that others name its kind for', () => {
  const { checks } = site.inspection
  const keys = (unit: string, kind: 'meter' | 'hybrid-inverter') =>
    pointsAsked(unit, kind, checks).map(({ register, point }) => register ?? point)
  expect(keys('U', 'hybrid-inverter')).toEqual([1, 2, 3, 4, 'Md', 'SN'])
  expect(keys('other', 'meter')).toEqual(['W'])
})
it('a device whose sheet states no accuracy is no instrument, one whose sheet does is', () => {
  const told = answerFromDevice(check('settings'), read({ r1: 1 }), undefined, [
    { dimension: 'power', percent: 2, plus: 20 },
  ])!
  expect(told.word.figures).toEqual([{ dimension: 'power', percent: 2, plus: 20 }])
})

describe('who said what, when an answer goes on', () => {
  const told = answerFromDevice(check('settings'), read({ r1: -60 }), undefined, undefined)!
  const typed = (limit: string) => ({ values: { limit: { typed: limit }, mode: { typed: 'own use' } } })
  it('what stands as the device gave it stays its word', () => {
    expect(carriedWord(told, typed('-6'))?.points).toHaveLength(1)
  })
  it('what a person changed is theirs', () => {
    expect(carriedWord(told, typed('8'))).toBeUndefined()
  })
  it('another device speaks for itself alone', () => {
    const other = { ...told.word, device: { ...DEVICE, id: 'e' } }
    expect(carriedWord(told, typed('-6'), other)).toBe(other)
  })
})

it('the serials that a listener has heard are those whose minutes it knows; one that was never heard is not among them', () => {
  const from = { first: 10, size: 8, step: 10, most: 3 }
  const listener = new Site().unit(
    sheet('L', 'gateway', [{ id: 'map', kind: 'serial-map', hears: 'small-inverter', from }]),
  )
  const { check: map } = listener.inspection.checks.find(
    ({ check: one }) => one.requirement.kind === 'serial-map',
  )!
  expect(serialsHeard(map, read({ r10: 'A', r18: 2, r20: 'B', r28: 900, r30: 'C' }))).toEqual(['A', 'B'])
})
