import { nextStep, stepsAt } from './steps-at.js'

const STEPS = [
  { id: 'mains', label: 'mains on', after: [] },
  { id: 'dc', label: 'DC on', after: ['mains'], waitSeconds: 30 },
  { id: 'start', label: 'release', after: ['mains', 'dc'], waitSeconds: 10 },
]
const at = (second: number) => new Date(Date.UTC(2026, 5, 1, 8, 0, second)).toISOString()
const now = (second: number) => Date.parse(at(second))
const done = (...all: [string, number][]) => all.map(([id, second]) => ({ id, at: at(second) }))

it('a step that waits for nothing may be done, the others lack what comes before', () => {
  const steps = stepsAt(STEPS, [], now(0))
  expect(steps.map(({ lacks, left }) => [lacks, left])).toEqual([
    [[], 0],
    [['mains'], 0],
    [['mains', 'dc'], 0],
  ])
  expect(nextStep(steps)?.id).toBe('mains')
})

it('a wait counts down from the step before, and ends', () => {
  expect(nextStep(stepsAt(STEPS, done(['mains', 0]), now(12)))).toMatchObject({ id: 'dc', left: 18 })
  expect(nextStep(stepsAt(STEPS, done(['mains', 0]), now(31)))).toMatchObject({ id: 'dc', left: 0 })
})

it('a step that was done too soon says by how much; one in time does not', () => {
  const steps = stepsAt(STEPS, done(['mains', 0], ['dc', 20], ['start', 30]), now(40))
  expect(steps.map(({ short }) => short)).toEqual([0, 10, 0])
  expect(nextStep(steps)).toBeUndefined()
})

it('the first time that a step was recorded counts, whatever comes later in the list', () => {
  expect(stepsAt(STEPS, done(['mains', 9], ['mains', 3]), now(40))[0]).toMatchObject({ at: at(3) })
})
