import { normaliseLabel } from '@plumb-mark/core'
import { figuresOf, type Fact, type Figures } from '../finders/spot.js'
import { othersThan } from '../resolve/others.js'
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
        return alike >= LEAST_ALIKE ? [{ i, j, alike: alike + (saysSame(fact, one) ? SAME_COUNTS : 0) }] : []
      }),
    )
    .sort((a, b) => b.alike - a.alike || a.i - b.i || a.j - b.j)
  const of = new Map<number, { before: number; isSame: boolean }>()
  const taken = new Set<number>()
  const twins = facts.map((fact) => othersThan(fact, facts).map((other) => facts.indexOf(other)))
  for (const { i, j } of pairs) {
    if (of.has(i) || taken.has(j) || twins[i]!.some((twin) => of.has(twin))) continue
    of.set(i, { before: j, isSame: saysSame(facts[i]!, before[j]!) })
    taken.add(j)
  }
  // Two places that contradict each other speak of one demand, whichever of them a person accepts.
  for (const [i, fact] of facts.entries()) {
    const match = of.has(i) ? undefined : twins[i]!.flatMap((twin) => of.get(twin) ?? [])[0]
    if (match) of.set(i, { before: match.before, isSame: saysSame(fact, before[match.before]!) })
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
  if (ALONE.has(fact.kind)) return 1
  const name = wordsOf(fact.kind === 'step' ? other.text : titled(other))
  const own = wordsOf(fact.kind === 'step' ? fact.text : titled(fact))
  return Math.max(sharedOf(own, name), IN_SENTENCE * heldIn(wordsOf(`${fact.subject} ${fact.text}`), name))
}

/** Kinds of which a sheet has one, so that its name says nothing. */
const ALONE = new Set<Fact['kind']>(['mass', 'humidity', 'altitude'])
/** A sentence speaks of more than one thing: its words say less than a name does. */
const IN_SENTENCE = 0.8

/** Twice the shared words over all words of both. */
const sharedOf = (a: ReadonlySet<string>, b: ReadonlySet<string>): number =>
  a.size + b.size === 0 ? 1 : (2 * shared(a, b)) / (a.size + b.size)
/** Which part of some words a text has. */
const heldIn = (text: ReadonlySet<string>, words: ReadonlySet<string>): number =>
  words.size === 0 ? 0 : shared(text, words) / words.size
const shared = (a: ReadonlySet<string>, b: ReadonlySet<string>) => [...b].filter((word) => a.has(word)).length

const wordsOf = (text: string) =>
  new Set(
    text
      .toLowerCase()
      .split(/[^\p{L}\p{N}]+/u)
      .filter((word) => word !== '' && !IDLE.has(word))
      .map((word) => word.replace(/s$/, '')),
  )
const IDLE = new Set(['the', 'a', 'an', 'of', 'to', 'at', 'in', 'on', 'and', 'or', 'for', 'is', 'it'])

/** Where the print says a digit less than the sheet, they are still one figure. */
const ROUNDING = 1e-4

/** Does a fact say what the sheet says, in its figures or in its words? */
export function saysSame(fact: Fact, { fact: other, form }: SheetFact): boolean {
  if (form === 'words' && fact.kind !== 'rating') return heldIn(wordsOf(fact.text), wordsOf(other.text)) === 1
  const [one, two] = [figuresOf(fact), figuresOf(other)]
  if (form === 'least' || form === 'count' || fact.kind === 'rating')
    return isNear(leastOf(one), leastOf(two))
  // A figure that stands alone in print is the bound that a person made of it.
  if (one.value !== undefined && (two.min === undefined || two.max === undefined))
    return isNear(one.value, leastOf(two))
  const ends = ['min', 'max', 'value'] as const
  return ends.every((end) => isNear(one[end], two[end]))
}

const leastOf = ({ min, value, max }: Figures) => min ?? value ?? max

const isNear = (a: number | undefined, b: number | undefined): boolean =>
  a === undefined || b === undefined
    ? a === b
    : Math.abs(a - b) <= ROUNDING * Math.max(Math.abs(a), Math.abs(b))
