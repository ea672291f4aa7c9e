import { judgeTyped, uncertaintyOf, type JudgedCheck } from '@plumb-mark/core'
import type { Chance } from '../chance.js'
import { figureTimes } from '../faults/index.js'
import type { Found } from '../found/answer.js'
import type { Scenario } from '../scenario/scenario.js'

/** As much of an instrument's uncertainty as a careful hand leaves. */
const CARE = 0.4
const TIMES = 3

/** What an instrument shows of what is there; whoever is careful reads again where the first reading says too little. */
export function lookedAt(scenario: Scenario, { check }: JudgedCheck, chance: Chance): Found {
  const there = scenario.truth.get(check.point)!
  if (there.kind !== 'reading' || there.body.relation !== '=') return there
  const { body } = there
  const dimension = check.ask.kind === 'reading' ? check.ask.dimension : undefined
  const width = dimension && body.instrument ? uncertaintyOf(body.instrument, dimension, body.value) : 0
  if (width === 0 || body.value === 0) return there
  for (let i = 0; i < TIMES; i++) {
    const factor = 1 + (CARE * width * chance.between(-1, 1)) / Math.abs(body.value)
    const shown: Found = { kind: 'reading', body: { ...body, ...figureTimes(body, factor) } }
    const { typed, instrument, conditions = {} } = shown.body
    const judged = judgeTyped(check, typed, { instrument, conditions }, scenario.context)
    if (judged.ok && judged.outcome.verdict !== 'not-proven') return shown
  }
  return there
}
