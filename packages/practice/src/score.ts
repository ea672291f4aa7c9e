import { inForce, type CheckId, type JudgedCheck } from '@plumb-mark/core'
import type { Found } from './answer.js'
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
  /** 0 to 100. */
  points: number
  passed: boolean
}

/** Half of the points are for what is wrong, a quarter for inventing nothing, a quarter for proving what is right. */
const PARTS = { found: 50, honest: 25, proven: 25 }
const PASSES_FROM = 80

/** What an inspection of a scenario is worth: faults found, missed and invented, and what was left open. A missed `stop` never passes. */
export function scoreOf(scenario: Scenario, answers: readonly Found[]): Score {
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
  const points = Math.round(
    PARTS.found * share(found.length, scenario.planted.length) +
      PARTS.honest * (1 - share(invented.length, sound.length)) +
      PARTS.proven * (1 - share(open.length, checks.length)),
  )
  const grave = missed.some(({ checkId }) => says.get(checkId)?.check.requirement.severity === 'stop')
  const passed = points >= PASSES_FROM && !grave && missed.length < Math.max(1, scenario.planted.length / 2)
  return { found, missed, invented, open, points, passed }
}

const isOpenEnded = ({ outcome, history }: JudgedCheck): boolean =>
  outcome.verdict === 'not-proven' || outcome.verdict === 'not-inspected' || !inForce(history)

const named = ({ check: { id, title, place } }: JudgedCheck): Invented => ({ checkId: id, title, place })

const share = (part: number, whole: number): number => (whole === 0 ? 0 : part / whole)
