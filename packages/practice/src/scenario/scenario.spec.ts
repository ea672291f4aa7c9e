import { LIBRARY, made } from '../made.testing.js'
import { INSPECTORS, doneBy, inspectedBy } from '../score/inspectors.js'
import { scoreOf } from '../score/score.js'
import { LEVEL_NAMES, levelCalled } from './levels.js'
import { madeUp } from './made-up.js'
import { readScenarioFile } from './scenario-file.js'
import { hidingPlaces } from './hide.js'
import { DIFFICULTIES, scenarioOf } from './scenario.js'

const SEEDS = 90

it('on ninety installations whoever looks at everything has full marks, and whoever looks at nothing does not pass', () => {
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
