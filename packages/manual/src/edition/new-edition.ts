import { formatQuantity } from '@plumb-mark/core'
import { dimensionOf } from '../finders/dimensions.js'
import type { Fact } from '../finders/spot.js'
import { draftSheet, type DraftHead } from '../proposal/draft-sheet.js'
import { clauseOf, figure, idOf, placeOf, range, type Data } from '../proposal/proposed.js'
import { saysSame, type EditionComparison } from './compare.js'
import type { SheetFact } from './sheet-facts.js'

type Path = SheetFact['at']

/**
 * The sheet of a new edition out of that of before. What says the same stands where it is printed now; what a person accepted takes the
 * place of what was; what is new is added; what is not found any more goes only where a person said so. Ids stay, so that what was
 * judged by the edition of before is still known.
 */
export function newEdition(
  before: Data,
  beforeFacts: readonly SheetFact[],
  { of }: EditionComparison,
  /** By its number in the manual: the fact as accepted. */
  accepted: ReadonlyMap<number, Fact>,
  removed: readonly number[],
  head: DraftHead & { revision: string },
): Data {
  const next = structuredClone(before)
  const moved = new Set<string>()
  for (const [number, fact] of accepted) {
    const match = of.get(number)
    const old = match && beforeFacts[match.before]
    if (!old) continue
    // Also what says the same in print may have been changed by a person.
    if (!saysSame(fact, old)) write(next, old, fact)
    const owner = old.at.slice(0, 2).join(' ')
    if (!moved.has(owner)) movedTo(next, old.at, fact)
    moved.add(owner)
  }
  const added = draftSheet({
    facts: [...accepted].flatMap(([number, fact]) => (of.has(number) ? [] : [fact])),
    device: 'other',
  })
  append(next, 'terminals', added)
  append(next, 'requirements', added)
  if (listOf(added, 'ratings').length > 0)
    next['ratings'] = [...listOf(next, 'ratings'), ...listOf(added, 'ratings')]
  // From the end, so that the numbers of those before stay.
  for (const old of removed.map((i) => beforeFacts[i]!).toReversed()) takeOut(next, old)
  return { ...next, ...head }
}

/** "B" after "A", "4" after "3"; anything else gets a number of its own. */
export function revisionAfter(revision: string): string {
  if (/^[A-Ya-y]$/.test(revision)) return String.fromCharCode(revision.charCodeAt(0) + 1)
  if (/^\d+$/.test(revision)) return String(Number(revision) + 1)
  return `${revision}.1`
}

function write(data: Data, { at, form, shownIn }: SheetFact, fact: Fact): void {
  const least = fact.min ?? fact.value ?? fact.max
  const here = (value: unknown) => set(data, at, value)
  switch (form) {
    case 'words':
      return here(fact.kind === 'rating' ? (range(fact).max ?? range(fact).min ?? '') : fact.text)
    case 'least':
      return here(least === undefined ? undefined : figure(least, fact.unit))
    case 'count':
      return here(least)
    case 'rule':
      return here(ruleOf(fact, shownIn))
    case 'whole-bounds': {
      const { min = fact.value, max = fact.value } = fact
      set(data, [...at, 'minCount'], min)
      return set(data, [...at, 'maxCount'], max)
    }
    case 'bounds':
      return writeBounds(data, at, fact)
  }
}

/** A rule is written in the unit in which the display shows the setting. */
function ruleOf(fact: Fact, shownIn: string | undefined): Data {
  const shown = (value: number) =>
    shownIn === undefined
      ? value
      : Number(
          formatQuantity(value, dimensionOf(fact), { unit: shownIn, decimals: 'full', bare: true }).replace(
            '−',
            '-',
          ),
        )
  const { min, max, value } = fact
  if (value !== undefined) return { equals: shown(value) }
  return { ...(min !== undefined && { min: shown(min) }), ...(max !== undefined && { max: shown(max) }) }
}

/** A single torque has a tolerance, which stays and is asked for again with the sheet. */
function writeBounds(data: Data, at: Path, fact: Fact): void {
  const old = get(data, at) as Data
  const { min, max } = range(fact)
  if (old['nominal'] !== undefined && fact.value !== undefined) {
    set(data, [...at, 'nominal'], figure(fact.value, fact.unit))
    set(data, [...at, 'min'], undefined)
    return set(data, [...at, 'max'], undefined)
  }
  set(data, [...at, 'nominal'], undefined)
  set(data, [...at, 'tolerancePercent'], undefined)
  set(data, [...at, 'min'], min)
  set(data, [...at, 'max'], max)
}

/** The requirement or terminal is printed at another place now: where the first of its figures is. */
function movedTo(data: Data, at: Path, fact: Fact): void {
  const [list, item] = at
  if (item === undefined || (list !== 'requirements' && list !== 'terminals')) return
  set(data, [list, item, 'printed'], placeOf(fact))
  if (list === 'requirements') set(data, [list, item, 'clause'], clauseOf(fact))
}

function append(data: Data, list: 'terminals' | 'requirements', added: Data): void {
  const all = listOf(data, list)
  const taken = new Set(all.map((one) => String(one['id'])))
  for (const one of listOf(added, list)) all.push({ ...one, id: idOf(String(one['id']), taken) })
  if (all.length > 0) data[list] = all
}

/** A demand by itself goes whole; one of a list goes from it, and the demand with the last. */
function takeOut(data: Data, { at, form }: SheetFact): void {
  const [list, item, inner, number] = at
  if (form === 'bounds' && at.length === 2) return remove(data, at)
  if (typeof number === 'number') {
    const items = get(data, [list!, item!, inner!]) as unknown[]
    items.splice(number, 1)
    if (items.length === 0) remove(data, [list!, item!])
    return
  }
  // A sheet names all four sides: one that is not demanded is free from 0 on.
  if (inner === 'clear') return set(data, at, '0 mm')
  remove(data, list === 'requirements' ? [list, item!] : at)
}

const listOf = (data: Data, name: string): Data[] => (Array.isArray(data[name]) ? (data[name] as Data[]) : [])

const get = (data: unknown, at: Path): unknown =>
  at.reduce<unknown>((here, step) => (here as Record<string | number, unknown>)[step], data)

function set(data: Data, at: Path, value: unknown): void {
  const owner = get(data, at.slice(0, -1)) as Record<string | number, unknown>
  const last = at.at(-1)!
  if (value === undefined) delete owner[last]
  else owner[last] = value
}

function remove(data: Data, at: Path): void {
  const owner = get(data, at.slice(0, -1))
  const last = at.at(-1)!
  if (Array.isArray(owner)) owner.splice(last as number, 1)
  else delete (owner as Record<string | number, unknown>)[last]
}
