import { whereOf } from '../found/answer.js'
import { WITH_NEIGHBOURS, made } from '../made.testing.js'
import { doneBy, inspectedBy } from './inspectors.js'
import { SAFETY_STEPS, isHandsOn, unsafeIn, type Done } from './safety.js'
import { scoreOf } from './score.js'

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
