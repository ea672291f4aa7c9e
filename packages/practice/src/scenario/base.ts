import {
  BadInput,
  fold,
  inForce,
  inspect,
  isEvidence,
  sheetsById,
  type Entry,
  type Inspection,
  type InspectionFile,
  type JudgedCheck,
  type Sheet,
} from '@plumb-mark/core'
import type { Answered, Found } from '../found/answer.js'
import { LEVELS, type Level } from './levels.js'
import { thingsIn, type Thing } from '../found/things.js'

/** An inspection in which nothing is wrong. */
export type Base = Pick<InspectionFile, 'entries' | 'sheets'>
const JUDGED = new WeakMap<object, ReturnType<typeof judged>>()

/** The base as it stands and without its answers; a class makes many scenarios of one. */
export function judgedBase(base: Base) {
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
export function wrongAlone(base: Base, found: Found): JudgedCheck[] {
  const { entries, sheets, alone } = judgedBase(base)
  const key = JSON.stringify(found)
  const known = alone.get(key) ?? wrongIn(inspectWith(entries, [found], sheets))
  alone.set(key, known)
  return known
}

/** What is answered of a level. Bad input: nothing, or something that is wrong already. */
export function askedOf(base: Base, level: Level): JudgedCheck[] {
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

export function foundIn({ history }: JudgedCheck): Answered {
  const { kind, body } = inForce(history)!
  return { kind, body } as Answered
}

export const wrongIn = ({ checks }: Inspection): JudgedCheck[] =>
  checks.filter(({ outcome }) => outcome.verdict === 'does-not-conform')

/** What is practised of a base: a check that is answered, or a thing. */
export type Place = JudgedCheck | Thing
export const rightAt = (place: Place): Found => ('drawn' in place ? place.drawn : foundIn(place))
export const idOf = (place: Place): string => ('drawn' in place ? place.key : place.check.id)

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

/** What is practised of a level, in the order of the walk, the answers before the things. Bad input: as of `askedOf`. */
export const placesIn = (base: Base, level: Level): Place[] => [
  ...askedOf(base, level),
  ...thingsIn(judgedBase(base).entries, LEVELS[level]),
]

/** In the words of the judgement, what is wrong. */
export const findingOf = ({ outcome }: JudgedCheck): string =>
  outcome.verdict === 'does-not-conform' ? String(outcome.finding) : ''

/** Not answered, or with too little to prove anything. */
export const isOpenEnded = ({ outcome, history }: JudgedCheck): boolean =>
  outcome.verdict === 'not-proven' || outcome.verdict === 'not-inspected' || !inForce(history)
