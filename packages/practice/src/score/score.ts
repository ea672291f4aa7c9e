import type { JudgedCheck } from '@plumb-mark/core'
import { isThing, whereOf, type Found } from '../found/answer.js'
import { isHandsOn, unsafeIn, type Done, type Unsafe } from './safety.js'
import { inspectWith, isOpenEnded } from '../scenario/base.js'
import type { HidingPlace, Planted } from '../scenario/planted.js'
import { LEVELS } from '../scenario/levels.js'
import type { Scenario } from '../scenario/scenario.js'
import { isAsItIs, type ThingFound } from '../found/things.js'

export interface Score {
  found: readonly Planted[]
  missed: readonly Planted[]
  /** Checks that say that something is wrong where nothing is. */
  invented: readonly HidingPlace[]
  /** What was not looked at, or with too little to prove anything. */
  open: readonly HidingPlace[]
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
  const { planted, things, wrong, entries, sheets, level } = scenario
  const asked = new Set(scenario.checks.map(({ check }) => check.id))
  const stages: readonly string[] = LEVELS[level]
  const all = inspectWith(entries, answers, sheets).checks
  const checks = all.filter(({ check }) => asked.has(check.id))
  const follows = all.filter(({ check }) => check.ask.kind === 'derived' && stages.includes(check.stage))
  const says = new Map([...checks, ...follows].map((judged) => [judged.check.id, judged]))
  const isWrong = ({ outcome }: JudgedCheck) => outcome.verdict === 'does-not-conform'
  const written = new Map(answers.map((answer) => [whereOf(answer), answer]))
  const calledWrong = new Set([...says.values()].filter(isWrong).map(({ check }) => check.id))
  // A neighbour that crowds a thing makes its check wrong as well: a thing is found once it is written down as it is.
  const isFound = ({ checkId, where, found }: Planted) =>
    calledWrong.has(checkId) && (!isThing(found) || isWrittenAs(written.get(where), found))
  const found = planted.filter(isFound)
  const missed = planted.filter((fault) => !isFound(fault))
  const sound = [...says.values()].filter(({ check }) => !wrong.has(check.id))
  const invented = sound.filter(isWrong).map(named)
  const unseen = things.filter(({ key }) => !written.has(key))
  const open = [
    ...checks.filter(isOpenEnded).map(named),
    ...unseen.map(({ key, title, place }) => ({ id: key, title, place })),
  ]
  const unsafe = unsafeIn(scenario, log)
  const points = Math.round(
    PARTS.found * share(found.length, planted.length) +
      PARTS.honest * (1 - share(invented.length, sound.length)) +
      PARTS.proven * (1 - share(open.length, checks.length + things.length)) +
      PARTS.safe * (1 - share(unsafe.length, scenario.checks.filter(isHandsOn).length)),
  )
  const grave = missed.some(({ checkId }) => says.get(checkId)?.check.requirement.severity === 'stop')
  const enough = missed.length < Math.max(1, planted.length / 2)
  const passed = points >= PASSES_FROM && !grave && enough && unsafe.length === 0
  return { found, missed, invented, open, unsafe, points, passed }
}

const isWrittenAs = (written: Found | undefined, there: ThingFound): boolean =>
  written !== undefined && isThing(written) && isAsItIs(written, there)

const named = ({ check: { id, title, place } }: JudgedCheck): HidingPlace => ({ id, title, place })

const share = (part: number, whole: number): number => (whole === 0 ? 0 : part / whole)
