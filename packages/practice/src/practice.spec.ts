import { readFileSync, readdirSync } from 'node:fs'
import { readSheet, sheetId } from '@plumb-mark/core'
import { parse } from 'yaml'
import { inspectWith } from './base.js'
import { besides, look } from './hold.js'
import { doneBy, inspectedBy, INSPECTORS } from './inspectors.js'
import { LEVEL_NAMES, levelCalled, type Level } from './levels.js'
import { madeUp } from './made-up.js'
import type { Probe } from './probes.js'
import { SAFETY_STEPS, isHandsOn, unsafeIn, type Done } from './safety.js'
import { readScenarioFile } from './scenario-file.js'
import { whereOf, type Found } from './answer.js'
import { DIFFICULTIES, hidingPlaces, scenarioOf, type Difficulty, type Scenario } from './scenario.js'
import { scoreOf } from './score.js'
import type { KitName } from './site/index.js'
import { edgesOf, taped, wallsOf } from './tape.js'
import type { ThingFound } from './things.js'

const FOLDER = 'samples/sheets'
const LIBRARY = new Map(
  readdirSync(FOLDER).map((name) => {
    const sheet = readSheet(parse(readFileSync(`${FOLDER}/${name}`, 'utf8')))
    return [sheetId(sheet), sheet] as const
  }),
)
interface Wish {
  seed: number
  level: Level
  kit?: KitName
  difficulty?: Difficulty
  faults?: string[]
}
/** The installation of a number, with faults in it. */
const made = (wish: Wish) => scenarioOf(madeUp(LIBRARY, wish), wish)
const SEEDS = 200

it('on two hundred installations whoever looks at everything has full marks, and whoever looks at nothing does not pass', () => {
  for (let seed = 1; seed <= SEEDS; seed++) {
    const level = LEVEL_NAMES[seed % LEVEL_NAMES.length]!
    const difficulty = DIFFICULTIES[seed % DIFFICULTIES.length]!
    const scenario = made({ seed, level, difficulty })
    const perfect = scoreOf(scenario, inspectedBy(scenario, 'perfect'), doneBy(scenario, 'perfect'))
    const { missed, invented, open, unsafe } = perfect
    expect({ seed, points: perfect.points, passed: perfect.passed, missed, invented, open, unsafe }).toEqual({
      seed,
      points: 100,
      passed: true,
      missed: [],
      invented: [],
      open: [],
      unsafe: [],
    })
    const blind = scoreOf(scenario, inspectedBy(scenario, 'blind'), doneBy(scenario, 'blind'))
    expect([seed, blind.passed, blind.found]).toEqual([seed, false, []])
  }
}, 120_000)

it('the same seed hides the same faults, another one others', () => {
  const hidden = (seed: number) =>
    made({ seed, level: 'whole' }).planted.map(({ checkId, finding }) => `${checkId} ${finding}`)
  expect(hidden(7)).toEqual(hidden(7))
  expect(hidden(7)).not.toEqual(hidden(8))
})

it.each(INSPECTORS)('the %s inspector writes the same each time', (who) => {
  const scenario = made({ seed: 3, level: 'roof' })
  expect(inspectedBy(scenario, who)).toEqual(inspectedBy(scenario, who))
})

describe('the score', () => {
  const scenario = made({ seed: 11, level: 'roof', difficulty: 'fair' })
  it('of nothing written down is nothing found, and everything open', () => {
    const { points, passed, missed, open } = scoreOf(scenario, [], [])
    expect([passed, missed.length, open.length]).toEqual([
      false,
      scenario.planted.length,
      scenario.checks.length + scenario.things.length,
    ])
    expect(points).toBeLessThan(50)
  })
  it('counts what is invented against whoever cries wolf', () => {
    const all = inspectedBy(scenario, 'perfect').map((found) =>
      found.kind === 'observation' ? { ...found, body: { ...found.body, seen: false } } : found,
    )
    const { found, invented, points } = scoreOf(scenario, all, doneBy(scenario, 'perfect'))
    expect(found).toHaveLength(scenario.planted.length)
    expect(invented.length).toBeGreaterThan(0)
    expect(points).toBeLessThan(100)
  })
  it('names where a missed fault was to be seen, by which clause, and what would have been read', () => {
    const [missed] = scoreOf(scenario, inspectedBy(scenario, 'blind'), doneBy(scenario, 'blind')).missed
    expect(missed).toMatchObject({
      place: expect.any(String),
      clause: expect.any(String),
      finding: expect.any(String),
      remedy: expect.any(String),
    })
  })
})

it('a base that answers nothing of a level, or in which something is wrong already, is refused', () => {
  const base = madeUp(LIBRARY, { seed: 1, level: 'whole' })
  const bare = { ...base, entries: base.entries.filter(({ kind }) => kind === 'job-opened') }
  expect(() => scenarioOf(bare, { seed: 1, level: 'dc' })).toThrow('nothing of the level')
  const { entries } = scenarioOf(base, { seed: 1, level: 'whole' })
  expect(entries.some(({ kind }) => ['reading', 'observation', 'record', 'signed'].includes(kind))).toBe(
    false,
  )
  expect(() => levelCalled('juggling')).toThrow('must be one of')
})

describe('before hands go near conductors', () => {
  const scenario = made({ seed: 5, level: 'whole' })
  const driver = scenario.checks.find(isHandsOn)!.check.point
  const looked = scenario.checks.find((one) => !isHandsOn(one))!.check.point
  const wanting = (log: Done[]) => unsafeIn(scenario, log).map((one) => one.wanting)
  const steps = SAFETY_STEPS.map((safety): Done => ({ safety }))
  it('all is put on, isolated, waited out and proved, in that order', () => {
    expect(wanting([...steps, { point: driver }])).toEqual([])
    expect(wanting([{ point: driver }, ...steps])).toEqual(['equipment'])
    expect(wanting([...steps.slice(0, 2), ...steps.slice(3), { point: driver }])).toEqual(['waited'])
    expect(wanting([...steps.slice(0, 2), steps[3]!, steps[2]!, { point: driver }])).toEqual(['proved-dead'])
  })
  it('what is only looked at asks for none of it', () => expect(wanting([{ point: looked }])).toEqual([]))
  it('whoever reaches in before does not pass, whatever was found', () => {
    const score = scoreOf(scenario, inspectedBy(scenario, 'perfect'), [{ point: driver }])
    expect([score.passed, score.missed, score.unsafe.length]).toEqual([false, [], 1])
  })
})

/** Its wall has two inverters beside each other. */
const WITH_NEIGHBOURS = 2

describe('what stands otherwise than it is drawn', () => {
  const hidden = (level: 'walls' | 'ac', fault: string) => {
    const scenario = made({ seed: WITH_NEIGHBOURS, level, kit: 'hybrid', faults: [fault] })
    const answers = (who: 'perfect' | 'blind') => inspectedBy(scenario, who)
    return { scenario, scoreBy: (all: ReturnType<typeof answers>) => scoreOf(scenario, all, []), answers }
  }
  it('is found by the tape on the wall, and whatever it crowds is not called invented', () => {
    const { scenario, scoreBy, answers } = hidden('walls', 'unit-fitted:inv-1')
    expect(scenario.planted).toMatchObject([
      { where: 'unit-fitted:inv-1', title: expect.stringMatching(/Free space/) },
    ])
    expect(scoreBy(answers('perfect'))).toMatchObject({
      found: scenario.planted,
      missed: [],
      invented: [],
      open: [],
    })
    expect(scoreBy(answers('blind'))).toMatchObject({ found: [], missed: scenario.planted, open: [] })
  })
  it('is not found by its neighbour, however much that crowds it', () => {
    const both = ['unit-fitted:inv-1', 'unit-fitted:inv-2']
    const scenario = made({ seed: WITH_NEIGHBOURS, level: 'walls', kit: 'hybrid', faults: both })
    const halfLooked = inspectedBy(scenario, 'perfect').map((found) =>
      whereOf(found) === both[1] ? scenario.right.get(both[1])! : found,
    )
    expect(scoreOf(scenario, halfLooked, []).missed.map(({ where }) => where)).toEqual([both[1]])
  })
  it('is found by what is printed on a cable, in the one-line', () => {
    const { scenario, scoreBy, answers } = hidden('ac', 'conductor-run:c-q-1-i-1')
    expect(scenario.planted[0]!.finding).toMatch(/\d/)
    expect(scoreBy(answers('perfect')).found).toEqual(scenario.planted)
  })
  it('and was not looked at is left open, never taken for found or for fine', () => {
    const { scenario, scoreBy } = hidden('walls', 'unit-fitted:inv-1')
    const { missed, open } = scoreBy([])
    expect([missed.length, open.map(({ id }) => id)]).toEqual([
      1,
      expect.arrayContaining(['unit-fitted:inv-1', 'unit-fitted:inv-2']),
    ])
    expect(scenario.things).toHaveLength(2)
  })
})

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

describe('a scenario that a trainer wrote', () => {
  const { checks } = made({ seed: 3, level: 'roof' })
  const file = { format: 'plumb-mark-practice', version: 1, title: 'Mine', level: 'roof', seed: 3 }
  it('hides its faults where the file says', () => {
    const wished = made({ seed: 3, level: 'roof', difficulty: 'hard' }).planted.map((one) => one.checkId)
    const { faults, ...rest } = readScenarioFile({ ...file, faults: wished.slice(0, 3) })
    expect(made({ ...rest, faults }).planted.map(({ checkId }) => checkId)).toEqual(wished.slice(0, 3))
  })
  it('may hide something at every check that is offered for it', () => {
    const offered = hidingPlaces(madeUp(LIBRARY, { seed: 3, level: 'roof' }), { seed: 3, level: 'roof' }).map(
      ({ id }) => id,
    )
    expect(offered.length).toBeGreaterThan(5)
    expect(offered).toContain('bond-made:b-inv-1')
    for (const id of offered) expect(made({ seed: 3, level: 'roof', faults: [id] }).planted).toHaveLength(1)
  })
  it('that names a check which is not practised is refused, with which', () =>
    expect(() => made({ seed: 3, level: 'roof', faults: [checks[0]!.check.id, 'nowhere'] })).toThrow(
      'nowhere',
    ))
  it.each([
    ['another format', { format: 'else' }, 'format'],
    ['another version', { version: 2 }, 'version'],
    ['no title', { title: ' ' }, 'title'],
    ['a level that there is not', { level: 'juggling' }, 'level'],
    ['no faults', { faults: [] }, 'faults'],
    ['a fault twice', { faults: ['a', 'a'] }, 'faults[1]'],
    ['a number that is none', { seed: -1 }, 'seed'],
  ])('with %s is refused, and says where', (_, more, path) =>
    expect(() => readScenarioFile({ ...file, faults: ['a'], ...more })).toThrow(path),
  )
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
