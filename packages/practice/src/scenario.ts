import {
  BadInput,
  fold,
  inForce,
  inspect,
  isEvidence,
  sheetsById,
  type CheckId,
  type Entry,
  type Inspection,
  type InspectionFile,
  type JudgedCheck,
  type Sheet,
} from '@plumb-mark/core'
import { isThing, whereOf, type Answered, type Found, type Where } from './answer.js'
import { Chance } from './chance.js'
import { wrongAnswers } from './faults.js'
import { LEVELS, type Level } from './levels.js'
import { onSuchADay, weatherBy, type Weather } from './weather.js'
import { thingsIn, thingsOtherwise, type Thing, type ThingKey } from './things.js'

export const DIFFICULTIES = ['easy', 'fair', 'hard'] as const
export type Difficulty = (typeof DIFFICULTIES)[number]

/** How many faults lie hidden, where there is room for so many. */
const FAULTS = { easy: 2, fair: 4, hard: 7 } as const satisfies Record<Difficulty, number>

/** A fault that was hidden: where it is to be seen, and what whoever looks finds there. */
export interface Planted {
  checkId: CheckId
  where: Where
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

/** Where something can be hidden: a check that is answered, or a thing. */
export interface HidingPlace {
  id: CheckId | ThingKey
  title: string
  place: string
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
  const asked = askedOf(base, level)
  const things = thingsIn(entries, LEVELS[level])
  const chance = new Chance(seed)
  const weather = weatherBy(new Chance(seed ^ 0x3c6ef372))
  const places: Place[] = [...asked, ...things]
  const today = (found: Found) => onSuchADay(found, weather, entries)
  const right = new Map(places.map((place) => [whereOf(rightAt(place)), today(rightAt(place))]))
  const truthWith = (hidden: readonly Planted[]) =>
    new Map([...right, ...hidden.map(({ where, found }) => [where, today(found)] as const)])
  /** What is wrong in all with these hidden; undefined when one hides another: two units moved apart may be right again. */
  const wrongWith = (hidden: readonly Planted[]) => {
    const all = wrongIn(inspectWith(entries, [...truthWith(hidden).values()], sheets))
    const ids = new Set(all.map(({ check }) => check.id))
    return hidden.every(({ checkId }) => ids.has(checkId)) ? ids : undefined
  }
  const planted: Planted[] = []
  let wrong = new Set<CheckId>()
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
  const practised = new Set(asked.map(({ check }) => check.id))
  return {
    seed,
    level,
    difficulty,
    entries,
    sheets,
    weather,
    checks: bare.checks.filter(({ check }) => practised.has(check.id)),
    things,
    truth: truthWith(planted),
    right,
    planted,
    wrong,
  }
}

type Place = JudgedCheck | Thing
const rightAt = (place: Place): Found => ('drawn' in place ? place.drawn : foundIn(place))
const idOf = (place: Place): HidingPlace['id'] => ('drawn' in place ? place.key : place.check.id)

function placeCalled(places: readonly Place[], id: string, path: string): Place {
  const found = places.find((place) => idOf(place) === id)
  if (!found) throw new BadInput('unknown-id', path, `nothing called “${id}” is practised at this level`)
  return found
}

/** The checks and things of a level at which a fault can be hidden with this seed, for whoever writes a scenario. */
export function hidingPlaces(base: Base, { seed, level }: { seed: number; level: Level }): HidingPlace[] {
  const places = [...askedOf(base, level), ...thingsIn(judgedBase(base).entries, LEVELS[level])]
  return places
    .filter((place) => faultAt(place, { base, level, chance: new Chance(seed) }))
    .map((place) => {
      const { title, place: at } = 'drawn' in place ? place : place.check
      return { id: idOf(place), title, place: at }
    })
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
  const whole = inspect(fold(base.entries), sheets)
  return {
    sheets,
    entries,
    whole,
    bare: inspect(fold(entries), sheets),
    alone: new Map<string, JudgedCheck[]>(),
  }
}

/** What is wrong when this is found and nothing else; a class hides the same in many installations. */
function wrongAlone(base: Base, found: Found): JudgedCheck[] {
  const { entries, sheets, alone } = judgedBase(base)
  const key = JSON.stringify(found)
  const known = alone.get(key) ?? wrongIn(inspectWith(entries, [found], sheets))
  alone.set(key, known)
  return known
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

/** What comes after the looking. */
const AFTERWARDS: ReadonlySet<string> = new Set([
  'signed',
  'evidence-struck',
  'defect-raised',
  'defect-step',
  'handed-over',
  'device-connected',
])

function foundIn({ history }: JudgedCheck): Answered {
  const { kind, body } = inForce(history)!
  return { kind, body } as Answered
}

const wrongIn = ({ checks }: Inspection): JudgedCheck[] =>
  checks.filter(({ outcome }) => outcome.verdict === 'does-not-conform')

/** The first that may be found at a place and is judged not to conform: at its own check, or at one of the level that follows from a thing. */
function faultAt(
  place: Place,
  { base, level, chance }: { base: Base; level: Level; chance: Chance },
): Planted | undefined {
  const stages: readonly string[] = LEVELS[level]
  const candidates =
    'drawn' in place
      ? chance.shuffled(thingsOtherwise(place.drawn))
      : wrongAnswers(place, foundIn(place), chance)
  for (const found of candidates) {
    const wrong = wrongAlone(base, found).find(({ check }) =>
      isThing(found) ? stages.includes(check.stage) : check.id === idOf(place),
    )
    if (!wrong) continue
    const { id: checkId, title, place: at, requirement } = wrong.check
    const { clause, remedy } = requirement
    const finding = 'finding' in wrong.outcome ? String(wrong.outcome.finding) : ''
    return { checkId, where: whereOf(found), title, place: at, clause, remedy, found, finding }
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
