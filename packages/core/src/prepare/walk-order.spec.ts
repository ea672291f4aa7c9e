import fc from 'fast-check'
import type { Stage } from '../sheet/stages.js'
import { Site, sheet } from '../requirements/site.testing.js'
import { WORK_PLACES, blocksOf, type WalkBlock, type WorkPlace } from './walk-blocks.js'
import { walkPlan } from './walk-order.js'

const block = (stage: Stage, place: WorkPlace, more: Partial<WalkBlock> = {}): WalkBlock => ({
  stage,
  place,
  checks: [`${stage} ${place}`],
  minutes: 30,
  daylight: false,
  expectedFailures: 1,
  worst: [],
  ...more,
})
const planned = (blocks: WalkBlock[], dusk?: number) =>
  walkPlan(blocks, dusk).blocks.map(({ stage, place }) => `${stage} ${place}`)

it('one place is done before one goes to the next, and nobody climbs twice', () => {
  const { trips } = walkPlan([
    block('identify', 'roof'),
    block('identify', 'units'),
    block('roof', 'roof'),
    block('place-and-mount', 'units'),
  ])
  expect(trips).toBe(1)
})
it('what is likeliest wrong comes first where the order is free', () =>
  expect(
    planned([
      block('identify', 'units'),
      block('place-and-mount', 'units', { expectedFailures: 4 }),
      block('earthing', 'units', { expectedFailures: 2 }),
    ]),
  ).toEqual(['place-and-mount units', 'earthing units', 'identify units']))
it('what must come before comes before, however likely the other is wrong', () =>
  expect(
    planned([
      block('commission', 'units', { expectedFailures: 9 }),
      block('power-up', 'units', { expectedFailures: 9 }),
      block('meter', 'board'),
    ]),
  ).toEqual(['meter board', 'power-up units', 'commission units']))
it('what needs daylight is done before dusk, also at the price of a trip', () => {
  const blocks = [
    block('meter', 'board', { minutes: 120, expectedFailures: 9 }),
    block('identify', 'roof', { minutes: 60, daylight: true }),
  ]
  expect(planned(blocks)).toEqual(['meter board', 'identify roof'])
  expect(planned(blocks, 70)).toEqual(['identify roof', 'meter board'])
  expect(walkPlan([block('roof', 'roof', { minutes: 60, daylight: true })], 40).afterDusk).toBe(20)
})

/** Every order that is allowed, and the best of them by the same measure. */
function bestByTrying(blocks: readonly WalkBlock[], dusk: number | undefined): [number, number] {
  let best: [number, number] = [Infinity, Infinity]
  const all = (order: number[], rest: number[]): void => {
    if (rest.length === 0) {
      const here = measured(
        order.map((i) => blocks[i]!),
        dusk,
      )
      if (here && (here[0] < best[0] || (here[0] === best[0] && here[1] < best[1]))) best = here
      return
    }
    for (const next of rest)
      all(
        [...order, next],
        rest.filter((one) => one !== next),
      )
  }
  all(
    [],
    blocks.map((_, i) => i),
  )
  return best
}
const FIRST: Partial<Record<Stage, Stage[]>> = {
  dc: ['earthing'],
  ac: ['earthing'],
  'power-up': ['identify', 'roof', 'earthing', 'dc', 'ac', 'meter'],
}
function measured(order: readonly WalkBlock[], dusk: number | undefined): [number, number] | undefined {
  let [at, late, trips] = [0, 0, 0]
  for (const [i, one] of order.entries()) {
    if (order.slice(i + 1).some((later) => FIRST[one.stage]?.includes(later.stage))) return undefined
    if (i > 0 && order[i - 1]!.place !== one.place) trips++
    if (one.daylight && dusk !== undefined)
      late += Math.max(0, Math.min(one.minutes, at + one.minutes - dusk))
    at += one.minutes
  }
  return [late, trips]
}

it('no order that is allowed does less after dusk, or goes less', () => {
  const some = fc.array(
    fc.record({
      stage: fc.constantFrom<Stage>('identify', 'roof', 'earthing', 'dc', 'ac', 'meter', 'power-up'),
      place: fc.constantFrom(...WORK_PLACES),
      minutes: fc.integer({ min: 1, max: 90 }),
      daylight: fc.boolean(),
    }),
    { maxLength: 6 },
  )
  fc.assert(
    fc.property(some, fc.option(fc.integer({ min: 0, max: 300 }), { nil: undefined }), (rows, dusk) => {
      const blocks = rows.map(({ stage, place, ...more }) => block(stage, place, more))
      const plan = walkPlan(blocks, dusk)
      expect(plan.blocks).toHaveLength(blocks.length)
      if (blocks.length > 0) expect([plan.afterDusk, plan.trips]).toEqual(bestByTrying(blocks, dusk))
    }),
    { numRuns: 150 },
  )
})

it('what is left is rated by what failed on such units, drawn to all where there are few', () => {
  const asks = (id: string, clause: string) => ({
    id,
    clause,
    kind: 'observation',
    stage: 'identify',
    question: 'Is it?',
  })
  const site = new Site().unit(sheet('U', 'hybrid-inverter', [asks('a', '1'), asks('b', '2')]), {
    serial: 'S',
  })
  const history = [
    { maker: 'Nobody', model: 'U', clause: '1', judged: 4, failed: 3 },
    { maker: 'Nobody', model: 'U', clause: '2', judged: 96, failed: 2 },
  ]
  const [first] = blocksOf(site.inspection.checks, () => 'hybrid-inverter', history)
  expect(first).toMatchObject({ stage: 'identify', place: 'units', checks: ['U/a/unit', 'U/b/unit'] })
  // Three of four and ten with the rate of all (5 of 100): 3.5 of 14.
  expect(first!.worst.map(({ checkId, rate }) => [checkId, Number(rate.toFixed(3))])).toEqual([
    ['U/a/unit', 0.25],
  ])
})
