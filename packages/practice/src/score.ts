import { inForce, type CheckId, type JudgedCheck } from '@plumb-mark/core'
import type { Found } from './answer.js'
import { isHandsOn, unsafeIn, type Done, type Unsafe } from './safety.js'
import { inspectWith, type Planted, type Scenario } from './scenario.js'

/** A check that says that something is wrong where nothing is. */
export interface Invented {
  checkId: CheckId
  title: string
  place: string
}

export interface Score {
  found: readonly Planted[]
  missed: readonly Planted[]
  invented: readonly Invented[]
  /** Checks that were not answered, or with too little to prove anything. */
  open: readonly Invented[]
  /** What was touched before it was safe. */
  unsafe: readonly Unsafe[]
  /** 0 to 100. */
  points: number
  passed: boolean
}

/** Half of the points are for what is wrong; the others for inventing nothing, for proving what is right, and for safe hands. */
const PARTS = { found: 50, honest: 20, proven: 15, safe: 15 }
const PASSES_FROM = 80

/** What an inspection of a scenario is worth: faults found, missed and invented, and what was left open. A missed `stop` never passes, nor do unsafe hands. */
export function scoreOf(scenario: Scenario, answers: readonly Found[], log: readonly Done[]): Score {
  const practised = new Set(scenario.checks.map(({ check }) => check.id))
  const checks = inspectWith(scenario.entries, answers, scenario.sheets).checks.filter(({ check }) =>
    practised.has(check.id),
  )
  const wrongPoints = new Set(scenario.planted.map(({ point }) => point))
  const says = new Map(checks.map((judged) => [judged.check.id, judged]))
  const isFound = ({ checkId }: Planted) => says.get(checkId)?.outcome.verdict === 'does-not-conform'
  const found = scenario.planted.filter(isFound)
  const missed = scenario.planted.filter((planted) => !isFound(planted))
  const sound = checks.filter(({ check }) => !wrongPoints.has(check.point))
  const invented = sound.filter(({ outcome }) => outcome.verdict === 'does-not-conform').map(named)
  const open = checks.filter(isOpenEnded).map(named)
  const unsafe = unsafeIn(scenario, log)
  const points = Math.round(
    PARTS.found * share(found.length, scenario.planted.length) +
      PARTS.honest * (1 - share(invented.length, sound.length)) +
      PARTS.proven * (1 - share(open.length, checks.length)) +
      PARTS.safe * (1 - share(unsafe.length, scenario.checks.filter(isHandsOn).length)),
  )
  const grave = missed.some(({ checkId }) => says.get(checkId)?.check.requirement.severity === 'stop')
  const enough = missed.length < Math.max(1, scenario.planted.length / 2)
  const passed = points >= PASSES_FROM && !grave && enough && unsafe.length === 0
  return { found, missed, invented, open, unsafe, points, passed }
}

const isOpenEnded = ({ outcome, history }: JudgedCheck): boolean =>
  outcome.verdict === 'not-proven' || outcome.verdict === 'not-inspected' || !inForce(history)

const named = ({ check: { id, title, place } }: JudgedCheck): Invented => ({ checkId: id, title, place })

const share = (part: number, whole: number): number => (whole === 0 ? 0 : part / whole)
