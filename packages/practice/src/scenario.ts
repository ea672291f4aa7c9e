import {
  BadInput,
  type CheckId,
  type Entry,
  type Inspection,
  type JudgedCheck,
  type Sheet,
} from '@plumb-mark/core'
import { whereOf, type Found, type Where } from './answer.js'
import {
  findingOf,
  idOf,
  inspectWith,
  judgedBase,
  placesIn,
  rightAt,
  wrongIn,
  type Base,
  type Place,
} from './base.js'
import { Chance } from './chance.js'
import { faultAt, type HidingPlace, type Planted } from './hiding.js'
import type { Level } from './levels.js'
import type { Thing } from './things.js'
import { onSuchADay, weatherBy, type Weather } from './weather.js'

export const DIFFICULTIES = ['easy', 'fair', 'hard'] as const
export type Difficulty = (typeof DIFFICULTIES)[number]

/** How many faults lie hidden, where there is room for so many. */
const FAULTS = { easy: 2, fair: 4, hard: 7 } as const satisfies Record<Difficulty, number>

/** A made-up installation to be inspected: what is built, what is really there at every point, and what is wrong with it. */
export interface Scenario {
  seed: number
  level: Level
  difficulty: Difficulty
  /** The job as it is prepared, without any evidence. */
  entries: readonly Entry[]
  sheets: ReadonlyMap<string, Sheet>
  /** What a judgement looks at beside the answer itself. */
  around: Inspection['around']
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
  const { sheets, entries, bare } = judgedBase(base)
  const chance = new Chance(seed)
  const weather = weatherBy(new Chance(seed ^ 0x3c6ef372))
  const places = placesIn(base, level)
  const today = (found: Found) => onSuchADay(found, weather, entries)
  const right = new Map(places.map((place) => [whereOf(rightAt(place)), today(rightAt(place))]))
  const truthWith = (hidden: readonly Planted[]) =>
    new Map([...right, ...hidden.map(({ where, found }) => [where, today(found)] as const)])
  /** What is wrong in all with these hidden; undefined when one hides another: two units moved apart may be right again. */
  const wrongWith = (hidden: readonly Planted[]) => {
    const all = wrongIn(inspectWith(entries, [...truthWith(hidden).values()], sheets))
    const byId = new Map(all.map((judged) => [judged.check.id, judged]))
    return hidden.every(({ checkId }) => byId.has(checkId)) ? byId : undefined
  }
  const planted: Planted[] = []
  let wrong: ReadonlyMap<CheckId, JudgedCheck> = new Map()
  const chosen = faults
    ? faults.map((id, i) => placeCalled(places, id, `faults[${i}]`))
    : chance.shuffled(places)
  for (const place of chosen) {
    if (!faults && planted.length === FAULTS[difficulty]) break
    if (planted.some(({ where }) => where === whereOf(rightAt(place)))) continue
    const fault = faultAt(place, { base, level, chance })
    const among = fault && wrongWith([...planted, fault])
    if (!fault || !among) {
      if (faults) throw new BadInput('out-of-range', 'faults', `nothing can be hidden at “${idOf(place)}”`)
      continue
    }
    planted.push(fault)
    wrong = among
  }
  if (planted.length === 0)
    throw new BadInput('no-content', 'base', `no fault of the level “${level}” can be hidden in it`)
  const practised = new Set(places.map(idOf))
  return {
    seed,
    level,
    difficulty,
    entries,
    sheets,
    around: bare.around,
    weather,
    checks: bare.checks.filter(({ check }) => practised.has(check.id)),
    things: places.filter((place) => 'drawn' in place),
    truth: truthWith(planted),
    right,
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
