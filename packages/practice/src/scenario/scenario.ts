import {
  BadInput,
  type CheckId,
  type Entry,
  type Inspection,
  type JudgedCheck,
  type Sheet,
} from '@plumb-mark/core'
import type { Found, Where } from '../found/answer.js'
import type { Thing } from '../found/things.js'
import { Chance } from '../chance.js'
import { findingOf, idOf, judgedBase, type Base, type Place } from './base.js'
import { hiddenAt, hiddenByChance, hideIn } from './hide.js'
import type { HidingPlace, Planted } from './planted.js'
import type { Level } from './levels.js'
import type { Weather } from './weather.js'

export const DIFFICULTIES = ['easy', 'fair', 'hard'] as const
export type Difficulty = (typeof DIFFICULTIES)[number]

/** How many faults lie hidden, where there is room for so many. */
const FAULTS = { easy: 2, fair: 4, hard: 7 } as const satisfies Record<Difficulty, number>

/** Most of what is looked at is right, as on a real site. */
const RIGHT_FOR_EACH = 2
const mostIn = (places: readonly Place[], difficulty: Difficulty): number =>
  Math.max(1, Math.min(FAULTS[difficulty], Math.floor(places.length / (1 + RIGHT_FOR_EACH))))

/** A made-up installation to be inspected: what is built, what is really there at every point, and what is wrong with it. */
export interface Scenario {
  seed: number
  level: Level
  difficulty: Difficulty
  /** The job as it is prepared, without any evidence. */
  entries: readonly Entry[]
  sheets: ReadonlyMap<string, Sheet>
  /** What a judgement looks at beside the answer itself. */
  context: Inspection['context']
  /** The checks that are practised, in the order of the walk; derived ones follow by themselves. */
  checks: readonly JudgedCheck[]
  weather: Weather
  /** What is drawn and may be otherwise. */
  things: readonly Thing[]
  truth: ReadonlyMap<Where, Found>
  /** What would be found if nothing were wrong. */
  right: ReadonlyMap<Where, Found>
  planted: readonly Planted[]
  /** Every check that does not conform in truth: one fault may be wrong in more than one way. */
  wrong: ReadonlySet<CheckId>
}

/**
 * Hides faults in an installation that is all right. The base is an inspection whose answers all conform; a fault is one of its answers, or
 * one of its things, changed so that the very judgement of the program says that it does not conform, so each can be found by looking. The
 * same seed gives the same; `faults` says where they lie instead of chance. Bad input: a base in which nothing of that level is answered, or
 * in which something is wrong already; a place among `faults` at which nothing can be hidden.
 */
export function scenarioOf(
  base: Base,
  {
    seed,
    level,
    difficulty = 'fair',
    faults,
  }: { seed: number; level: Level; difficulty?: Difficulty; faults?: readonly HidingPlace['id'][] },
): Scenario {
  const chance = new Chance(seed)
  const hide = hideIn(base, { seed, level, chance })
  const { places, truthWith } = hide.ground
  const { planted, wrong } = faults
    ? hiddenAt(
        faults.map((id, i) => placeCalled(places, id, `faults[${i}]`)),
        hide,
      )
    : hiddenByChance(chance.shuffled(places), mostIn(places, difficulty), hide)
  if (planted.length === 0)
    throw new BadInput('no-content', 'base', `no fault of the level “${level}” can be hidden in it`)
  const { sheets, entries, bare } = judgedBase(base)
  const practised = new Set(places.map(idOf))
  return {
    seed,
    level,
    difficulty,
    entries,
    sheets,
    context: bare.context,
    weather: hide.weather,
    checks: bare.checks.filter(({ check }) => practised.has(check.id)),
    things: places.filter((place) => 'drawn' in place),
    truth: truthWith(planted),
    right: truthWith([]),
    // What the judgement says of it in the weather of the day.
    planted: planted.map((fault) => ({ ...fault, finding: findingOf(wrong.get(fault.checkId)!) })),
    wrong: new Set(wrong.keys()),
  }
}

function placeCalled(places: readonly Place[], id: string, path: string): Place {
  const found = places.find((place) => idOf(place) === id)
  if (!found) throw new BadInput('unknown-id', path, `nothing called “${id}” is practised at this level`)
  return found
}
