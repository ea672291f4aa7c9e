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
  takeOut(
    next,
    removed.map((i) => beforeFacts[i]!),
  )
  return { ...next, ...head }
}

/** "B" after "A", "4" after "3", the next that nobody has written yet; anything else gets a number of its own. */
export function revisionAfter(revision: string, taken: readonly string[] = []): string {
  const next = following(revision)
  return taken.includes(next) ? revisionAfter(next, taken) : next
}

function following(revision: string): string {
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

/**
 * Takes out what is not demanded any more: a demand by itself whole, one of a list with its item, a figure of several by itself, so that the
 * others stay and the sheet asks for what it cannot do without.
 */
function takeOut(data: Data, facts: readonly SheetFact[]): void {
  const ways = facts.flatMap(goneWith)
  // A sheet names all four sides: one that is not demanded is free from 0 on.
  for (const way of ways.filter((one) => !isItem(one)))
    set(data, way, way.at(-2) === 'clear' ? '0 mm' : undefined)
  const items = new Map(ways.filter(isItem).map((way) => [way.join(' '), way]))
  // From the end, so that the numbers of those before stay.
  const ordered = [...items.values()].sort(fromTheEnd)
  for (const way of ordered) {
    const list = get(data, way.slice(0, -1)) as unknown[]
    list.splice(way.at(-1) as number, 1)
    // A demand whose list is empty demands nothing, but for free space; it stands before all that are still to go.
    if (list.length === 0 && way.length > 2 && way[2] !== 'keepOut') remove(data, way.slice(0, 2))
  }
}

const isItem = (way: Path): boolean => typeof way.at(-1) === 'number'

/** Of two items the later one of a list first, and what lies within an item before the item itself. */
function fromTheEnd(a: Path, b: Path): number {
  for (let i = 0; i < Math.max(a.length, b.length); i++) {
    const [one, other] = [a[i], b[i]]
    if (one === other) continue
    if (one === undefined) return 1
    if (other === undefined) return -1
    return typeof one === 'number' && typeof other === 'number'
      ? other - one
      : String(other).localeCompare(String(one))
  }
  return 0
}

/** What goes with a fact: limits over a whole string stand in two members. */
const goneWith = ({ at, within = at, form }: SheetFact): Path[] =>
  form === 'whole-bounds'
    ? [
        [...at, 'minCount'],
        [...at, 'maxCount'],
      ]
    : [within]

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
