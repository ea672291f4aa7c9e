import { normaliseLabel } from '@plumb-mark/core'
import { figuresOf, type Fact } from '../finders/spot.js'
import { titled } from '../proposal/proposed.js'
import type { SheetFact } from './sheet-facts.js'

/** A manual beside the sheet of its edition of before. */
export interface EditionComparison {
  /** For each fact that the sheet has too: which of the sheet's it is, and whether they say the same. */
  of: ReadonlyMap<number, { before: number; isSame: boolean }>
  /** What the sheet demands and was not found in this edition. */
  gone: readonly number[]
}

/** Two names are taken for one thing when this part of their words is shared. */
const LEAST_ALIKE = 0.5

/** Which fact of a manual is which demand of the sheet: the most alike first, each once. */
export function compareEditions(facts: readonly Fact[], before: readonly SheetFact[]): EditionComparison {
  const pairs = facts
    .flatMap((fact, i) =>
      before.flatMap((one, j) => {
        const alike = alikeness(fact, one)
        return alike >= LEAST_ALIKE ? [{ i, j, alike: alike + (isSame(fact, one) ? SAME_COUNTS : 0) }] : []
      }),
    )
    .sort((a, b) => b.alike - a.alike || a.i - b.i || a.j - b.j)
  const of = new Map<number, { before: number; isSame: boolean }>()
  const taken = new Set<number>()
  for (const { i, j } of pairs) {
    if (of.has(i) || taken.has(j)) continue
    of.set(i, { before: j, isSame: isSame(facts[i]!, before[j]!) })
    taken.add(j)
  }
  return { of, gone: before.flatMap((_, j) => (taken.has(j) ? [] : [j])) }
}

/** Of two that are named alike the one with the same figure is meant. */
const SAME_COUNTS = 0.3

/** From 0 to 1. A protective conductor at a terminal is a conductor of that terminal. */
function alikeness(fact: Fact, { fact: other }: SheetFact): number {
  const kind = (one: Fact) => (one.kind === 'earth' ? 'conductor' : one.kind)
  if (kind(fact) !== kind(other)) return 0
  if (fact.kind === 'alarm') return normaliseLabel(fact.subject) === normaliseLabel(other.subject) ? 1 : 0
  if (fact.kind === 'step') return sharedWords(fact.text, other.text)
  if (ALONE.has(fact.kind)) return 1
  return sharedWords(titled(fact), titled(other))
}

/** Kinds of which a sheet has one, so that its name says nothing. */
const ALONE = new Set<Fact['kind']>(['mass', 'humidity', 'altitude'])

/** Twice the shared words over all words of both. */
function sharedWords(a: string, b: string): number {
  const [one, other] = [wordsOf(a), wordsOf(b)]
  const shared = [...one].filter((word) => other.has(word)).length
  return one.size + other.size === 0 ? 1 : (2 * shared) / (one.size + other.size)
}

const wordsOf = (text: string) =>
  new Set(
    normaliseLabel(text)
      .split(/[^\p{L}\p{N}]+/u)
      .filter((word) => word !== '' && !IDLE.has(word))
      .map((word) => word.replace(/s$/, '')),
  )
const IDLE = new Set(['the', 'a', 'an', 'of', 'to', 'at', 'in', 'on', 'and', 'or', 'for', 'is', 'it'])

/** Where the print says a digit less than the sheet, they are still one figure. */
const ROUNDING = 1e-4

function isSame(fact: Fact, { fact: other, form }: SheetFact): boolean {
  if (form === 'words' && fact.kind !== 'rating')
    return normaliseLabel(cut(fact.text)) === normaliseLabel(cut(other.text))
  const [one, two] = [figuresOf(fact), figuresOf(other)]
  if (form === 'least') return isNear(leastOf(one), leastOf(two))
  const ends = ['min', 'max', 'value'] as const
  return ends.every((end) => isNear(one[end], two[end]))
}

/** A sheet keeps so much of a sentence. */
const cut = (text: string) => text.slice(0, 160)

const leastOf = ({ min, value, max }: ReturnType<typeof figuresOf>) => min ?? value ?? max

const isNear = (a: number | undefined, b: number | undefined): boolean =>
  a === undefined || b === undefined
    ? a === b
    : Math.abs(a - b) <= ROUNDING * Math.max(Math.abs(a), Math.abs(b))
