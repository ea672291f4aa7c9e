import { traceFacts, type AnswerOf } from '@plumb-mark/core'
import { whereOf, type Found } from '../found/answer.js'
import type { ThingFound } from '../found/things.js'
import { WITH_NEIGHBOURS, made } from '../made.testing.js'
import { inspectWith } from '../scenario/base.js'
import type { Scenario } from '../scenario/scenario.js'
import { inspectedBy } from '../score/inspectors.js'
import { scoreOf } from '../score/score.js'
import { besides, look } from './hold.js'
import type { Probe } from './probes.js'
import { edgesOf, taped, wallsOf } from './tape.js'
import { traceOf } from './traced.js'
import { wiringAt } from './wiring.js'

const modulesIn = ({ entries }: Scenario) =>
  entries.reduce((sum, { kind, body }) => sum + (kind === 'string-built' ? body.count : 0), 0)

describe('a string is measured', () => {
  const at = (seed: number) => {
    const scenario = made({ seed, level: 'dc', kit: 'string', faults: ['inv-1/click/pv-plus'] })
    const there = scenario.truth.get('inv-1/string-voltage/s1')!
    return { scenario, there, body: there.kind === 'reading' ? there.body : undefined! }
  }
  const verdictOf = ({ scenario }: ReturnType<typeof at>, found: Found, id: string) =>
    inspectWith(scenario.entries, [found], scenario.sheets).checks.find(({ check }) => check.id === id)!
      .outcome.verdict
  it('on another day in other light, colder cells at a higher voltage, and conforms all the same', () => {
    const days = Array.from({ length: 30 }, (_, seed) => at(seed))
    for (const day of days) expect(verdictOf(day, day.there, 'inv-1/open-circuit/s1')).toBe('conforms')
    const [cold, ...warmer] = days
      .map(
        ({ body, scenario }) => [scenario.weather.cellTemperature, body.value / modulesIn(scenario)] as const,
      )
      .sort(([a], [b]) => a - b)
    expect(warmer.at(-1)![0] - cold![0]).toBeGreaterThan(15)
    expect(warmer.at(-1)![1]).toBeLessThan(cold![1])
  })
  it('and while clouds come and go, with what was when it was read', () => {
    const { scenario, body } = at(1)
    const { point } = body
    const later = look(scenario, point, {}, 3.5).body as typeof body
    expect(later.conditions!.irradiance).toBeLessThan(body.conditions!.irradiance!)
    expect(later.value).not.toBe(body.value)
    const found: Found = { kind: 'reading', body: { ...later, instrument: body.instrument } }
    expect(verdictOf({ scenario } as ReturnType<typeof at>, found, 'inv-1/open-circuit/s1')).toBe('conforms')
  })
  it('with the probes turned round it seems to be crossed, against earth or from one string to another it shows nothing', () => {
    const { scenario, body } = at(1)
    const { point } = body
    const read = (red: Probe, black: Probe) => look(scenario, point, { red, black })
    const plus: Probe = { at: point, end: 'plus' }
    const minus: Probe = { at: point, end: 'minus' }
    const right = read(plus, minus).body as typeof body
    expect(right.value).toBeCloseTo(body.value, -1)
    expect(read(minus, plus).body).toMatchObject({ value: -right.value })
    expect(verdictOf({ scenario } as ReturnType<typeof at>, read(minus, plus), 'inv-1/polarity/s1')).toBe(
      'does-not-conform',
    )
    for (const elsewhere of [{ end: 'earth' }, { at: 'another', end: 'minus' }, plus] as const)
      expect(read(plus, elsewhere).body).toMatchObject({ value: 0, typed: '0 V' })
  })
})

describe('the tape is put to two edges of the wall as it really is', () => {
  const scenario = made({
    seed: WITH_NEIGHBOURS,
    level: 'walls',
    kit: 'hybrid',
    faults: ['unit-fitted:inv-1'],
  })
  const there = scenario.truth.get('unit-fitted:inv-1')! as ThingFound & { kind: 'unit-fitted' }
  const { x, y } = there.body.place!
  const wall = wallsOf(scenario).find(({ wall: { id } }) => id === 'w-inv')!
  const edges = new Map(edgesOf(wall, (id) => id).map((edge) => [edge.id, edge]))
  const read = (a: string, b: string) => taped(edges.get(a)!, edges.get(b)!, scenario.seed)
  it('and shows what is between them, the same each time, within what a tape leaves', () => {
    expect(Math.abs(read('left-end', 'inv-1 left')! - x)).toBeLessThanOrEqual(1)
    expect(Math.abs(read('inv-1 bottom', 'floor')! - y)).toBeLessThanOrEqual(1)
    expect(read('left-end', 'inv-1 left')).toBe(read('inv-1 left', 'left-end'))
  })
  it('but not from an upright edge to a level one', () => expect(read('floor', 'inv-1 left')).toBeUndefined())
  it.each`
    off    | found
    ${3}   | ${true}
    ${100} | ${false}
  `('and a unit written down $off mm off is found: $found', ({ off, found }) => {
    const place = { ...there.body.place!, x: x + off }
    const written = inspectedBy(scenario, 'perfect').map((one) =>
      whereOf(one) === 'unit-fitted:inv-1' ? { ...there, body: { ...there.body, place } } : one,
    )
    expect(scoreOf(scenario, written, []).found).toHaveLength(found ? 1 : 0)
  })
})

it('a driver that is put to another screw says what is there', () => {
  const scenario = made({ seed: 4, level: 'dc', kit: 'hybrid', faults: ['inv-1/dc-torque/pv1-plus'] })
  const torque = scenario.checks.find(({ check }) => check.id === 'inv-1/dc-torque/pv1-plus')!.check
  const other = besides(scenario, torque).find(({ id }) => id !== torque.id)!
  const at = (screw: string) =>
    look(scenario, torque.point, { screw }).body as { value: number; point: string }
  expect(at(other.point)).toMatchObject({ point: torque.point })
  expect(at(other.point).value).not.toBe(at(torque.point).value)
})

describe('the transformers of a meter sit', () => {
  const at = (seed: number) => {
    const scenario = made({ seed, level: 'meter', kit: 'hybrid', faults: ['meter/proof/unit'] })
    const { check } = scenario.checks.find((one) => one.check.id === 'meter/proof/unit')!
    return { fault: scenario.planted[0]!.what, sits: wiringAt(scenario, check) }
  }
  const seeds = Array.from({ length: 12 }, (_, i) => at(i + 1))
  it.each`
    fault                               | wiring
    ${'a transformer is turned round'}  | ${['0+', '1+', '2-']}
    ${'two transformers are exchanged'} | ${['1+', '0+', '2+']}
  `('where $fault: $wiring', ({ fault, wiring }) => {
    const found = seeds.find((one) => one.fault === fault)!
    expect(found.sits!.map(({ on, turned }) => `${on}${turned ? '-' : '+'}`)).toEqual(wiring)
  })
})

it.each(['export-limit', 'fallback', 'come-back', 'ramp'])(
  'the trace of %s is drawn as it was judged',
  (test) => {
    const { truth, checks } = made({ seed: 4, level: 'power-up', kit: 'hybrid', difficulty: 'hard' })
    const { check } = checks.find((one) => one.check.id === `inv-1/${test}/unit`)!
    const there = truth.get(check.point)!
    const answer = (there.body as { answer: AnswerOf<'trace'> }).answer
    const samples = traceOf(answer)
    const facts = traceFacts(
      { t: samples.map(({ t }) => t), values: samples.map(({ value }) => value) },
      answer.eventAt,
      answer.by,
    )
    expect(
      Math.abs((facts.settledAt ?? answer.end) - (answer.found.settledAt ?? answer.end)),
    ).toBeLessThanOrEqual(0.5)
  },
)
