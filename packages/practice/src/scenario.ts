import {
  BadInput,
  fold,
  inForce,
  inspect,
  isEvidence,
  sheetsById,
  type Check,
  type CheckId,
  type Entry,
  type Inspection,
  type InspectionFile,
  type JudgedCheck,
  type PointId,
  type Sheet,
} from '@plumb-mark/core'
import type { Found } from './answer.js'
import { Chance } from './chance.js'
import { wrongAnswers } from './faults.js'
import { LEVELS, type Level } from './levels.js'

export const DIFFICULTIES = ['easy', 'fair', 'hard'] as const
export type Difficulty = (typeof DIFFICULTIES)[number]

/** How many faults lie hidden. */
const FAULTS = { easy: 2, fair: 4, hard: 7 } as const satisfies Record<Difficulty, number>

/** A fault that was hidden: where it is to be seen, and what whoever looks finds there. */
export interface Planted {
  checkId: CheckId
  point: PointId
  title: string
  place: string
  clause: string
  remedy: string
  found: Found
  /** What the judgement says of it. */
  finding: string
}

/** A made-up installation to be inspected: what is built, what is really there at every point, and what is wrong with it. */
export interface Scenario {
  seed: number
  level: Level
  difficulty: Difficulty
  /** The job as it is prepared, without any evidence. */
  entries: readonly Entry[]
  sheets: ReadonlyMap<string, Sheet>
  /** The checks that are practised, in the order of the walk; derived ones follow by themselves. */
  checks: readonly JudgedCheck[]
  truth: ReadonlyMap<PointId, Found>
  /** What would be found at a point if nothing were wrong. */
  right: ReadonlyMap<PointId, Found>
  planted: readonly Planted[]
}

/**
 * Hides faults in an installation that is all right. The base is an inspection whose answers all conform; a fault is one of its answers
 * changed so that the very judgement of the program says that it does not conform, so each can be found by looking. The same seed gives
 * the same; `faults` says where they lie instead of chance. Bad input: a base in which nothing of that level is answered, or in which something is wrong already;
 * a check among `faults` at which nothing can be hidden.
 */
export function scenarioOf(
  base: Pick<InspectionFile, 'entries' | 'sheets'>,
  {
    seed,
    level,
    difficulty = 'fair',
    faults,
  }: { seed: number; level: Level; difficulty?: Difficulty; faults?: readonly CheckId[] },
): Scenario {
  const { sheets, entries, bare } = judgedBase(base)
  const asked = askedOf(base, level)
  const right = new Map(asked.map((judged) => [judged.check.point, foundIn(judged)]))
  const chance = new Chance(seed)
  const truth = new Map(right)
  const planted: Planted[] = []
  const places = faults ? faults.map((id, i) => askedAt(asked, id, `faults[${i}]`)) : chance.shuffled(asked)
  for (const judged of places) {
    if (!faults && planted.length === FAULTS[difficulty]) break
    if (planted.some(({ point }) => point === judged.check.point)) continue
    const fault = faultAt(judged, right.get(judged.check.point)!, { entries, sheets, chance })
    if (!fault && faults)
      throw new BadInput('out-of-range', 'faults', `nothing can be hidden at “${judged.check.id}”`)
    if (!fault) continue
    planted.push(fault)
    truth.set(fault.point, fault.found)
  }
  if (planted.length === 0)
    throw new BadInput('no-content', 'base', `no fault of the level “${level}” can be hidden in it`)
  const practised = new Set(asked.map(({ check }) => check.id))
  return {
    seed,
    level,
    difficulty,
    entries,
    sheets,
    checks: bare.checks.filter(({ check }) => practised.has(check.id)),
    truth,
    right,
    planted,
  }
}

type Base = Pick<InspectionFile, 'entries' | 'sheets'>
const JUDGED = new WeakMap<object, ReturnType<typeof judged>>()

/** The base as it stands and without its answers; a class makes many scenarios of one. */
function judgedBase(base: Base) {
  const before = JUDGED.get(base.entries) ?? judged(base)
  JUDGED.set(base.entries, before)
  return before
}

function judged(base: Base) {
  const sheets = sheetsById(base.sheets)
  const entries = base.entries.filter((entry) => !isEvidence(entry) && !AFTERWARDS.has(entry.kind))
  return { sheets, entries, whole: inspect(fold(base.entries), sheets), bare: inspect(fold(entries), sheets) }
}

/** What is answered of a level. Bad input: nothing, or something that is wrong already. */
function askedOf(base: Base, level: Level): JudgedCheck[] {
  const stages: readonly string[] = LEVELS[level]
  const { whole } = judgedBase(base)
  const asked = whole.checks.filter(({ check, history }) => stages.includes(check.stage) && inForce(history))
  if (asked.length === 0)
    throw new BadInput('no-content', 'base', `nothing of the level “${level}” is answered in it`)
  const wrong = asked.find(({ outcome }) => outcome.verdict === 'does-not-conform')
  if (wrong) throw new BadInput('out-of-range', 'base', `${wrong.check.title} does not conform in it already`)
  return asked
}

/** The checks of a level at which a fault can be hidden with this seed, for whoever writes a scenario. */
export function hidingPlaces(base: Base, { seed, level }: { seed: number; level: Level }): Check[] {
  const { sheets, entries } = judgedBase(base)
  return askedOf(base, level)
    .filter((judged) => faultAt(judged, foundIn(judged), { entries, sheets, chance: new Chance(seed) }))
    .map(({ check }) => check)
}

function askedAt(asked: readonly JudgedCheck[], id: CheckId, path: string): JudgedCheck {
  const found = asked.find(({ check }) => check.id === id)
  if (!found) throw new BadInput('unknown-id', path, `no check “${id}” is practised at this level`)
  return found
}

/** What comes after the looking. */
const AFTERWARDS: ReadonlySet<string> = new Set([
  'signed',
  'evidence-struck',
  'defect-raised',
  'defect-step',
  'handed-over',
  'device-connected',
])

function foundIn({ history }: JudgedCheck): Found {
  const { kind, body } = inForce(history)!
  return { kind, body } as Found
}

/** The first wrong answer at a check that is judged not to conform. */
function faultAt(
  judged: JudgedCheck,
  right: Found,
  {
    entries,
    sheets,
    chance,
  }: { entries: readonly Entry[]; sheets: ReadonlyMap<string, Sheet>; chance: Chance },
): Planted | undefined {
  const { check } = judged
  for (const found of wrongAnswers(judged, right, chance)) {
    const after = inspectWith(entries, [found], sheets).checks.find((one) => one.check.id === check.id)
    if (after?.outcome.verdict !== 'does-not-conform') continue
    const { point, id: checkId, title, place, requirement } = check
    const { clause, remedy } = requirement
    return { checkId, point, title, place, clause, remedy, found, finding: String(after.outcome.finding) }
  }
  return undefined
}

const DAY = Date.UTC(2026, 5, 1, 9)

/** The practice job with answers written into it: a copy of its own, that belongs to no real job. */
export function inspectWith(
  entries: readonly Entry[],
  answers: readonly Found[],
  sheets: ReadonlyMap<string, Sheet>,
): Inspection {
  const last = Math.max(DAY, ...entries.map(({ at }) => Date.parse(at)))
  const written = answers.map(
    ({ kind, body }, i): Entry =>
      ({
        ...entries[0]!,
        id: `practice-${String(i).padStart(6, '0')}`,
        kind,
        body,
        seq: entries.length + i + 1,
        at: new Date(last + 1000 * (i + 1)).toISOString(),
      }) as Entry,
  )
  return inspect(fold([...entries, ...written]), sheets)
}
