import { BadInput } from '../shape/bad-input.js'
import { formatNumber, plural } from '../quantity/phrases.js'
import { list, object, optional, text } from '../shape/shape.js'
import type { Explained } from '../verdict/verdict.js'
import { clearanceOf } from './clearance.js'
import { collides } from './geometry.js'
import { arcPoints, linesOf, nearestFree, type Placed, type Point } from './nearest-free.js'
import { forbiddenBy, isFree, merged, moved, roomFor, type Forbidden, type Room } from './forbidden.js'
import { clearanceInput, type ClearanceInput, type ReadWall, type Unit } from './items.js'

export const clearanceReworkFields = object({
  fixed: optional(list(text(), { mayBeEmpty: true, about: 'ids of units that must stay' }), []),
})

export interface ClearanceReworkInput extends ClearanceInput {
  fixed?: string[]
}
export interface Move {
  id: string
  dx: number
  dy: number
}
export interface ClearanceReworkResult extends Explained {
  status: 'not-needed' | 'found' | 'not-found'
  moves: Move[]
  unitsMoved: number
  /** Σ(|dx| + |dy|), mm. */
  travel: number
  /** False when a search beyond two units had to be a heuristic. */
  exact: boolean
}

/** Beyond any wall, and within a few seconds. */
const MOST_UNITS = 100

/** Tells the caller how far a long search has come, 0 to 1; returning false ends it. */
export type Progress = (part: number) => boolean | void

/**
 * What is the least rework that makes a wall conform? Fewest units moved, then least total travel, mm; obstructions and `fixed` units
 * stay, nothing leaves the wall, and every margin reaches the uncertainty. Exact for one unit and for two; beyond that units are set one
 * after the other, which finds sound answers but not always the least (`exact: false`).
 * Bad input: what `clearance` refuses, and an id in `fixed` that no unit has. Source: least travel among the edges of forbidden regions.
 */
export function clearanceRework(
  input: ClearanceReworkInput,
  progress: Progress = () => true,
): ClearanceReworkResult {
  const given = asPlanned(clearanceInput.read(input, ''))
  const { fixed } = clearanceReworkFields.read(input, '')
  const units = given.items.filter((item): item is Unit => item.kind === 'unit')
  fixed.forEach((id, i) => {
    if (!units.some((unit) => unit.id === id))
      throw new BadInput('unknown-id', `fixed[${i}]`, `no unit is called "${id}"`)
  })
  if (units.length > MOST_UNITS)
    throw new BadInput(
      'wrong-length',
      'items',
      `may have at most ${MOST_UNITS} units: the search tries each against each`,
    )
  if (conforms(given)) return answer('not-needed', [], true, given)
  const wall = new Searchable(
    given,
    units.filter(({ id }) => !fixed.includes(id)),
  )
  const one = best(wall.movable.map((unit) => moveOne(unit, wall)))
  if (one) return answer('found', one.moves, true, given)
  const two = moveTwo(wall, progress)
  if (two) return answer('found', two.moves, true, given)
  const more = moveMore(wall, progress)
  return more
    ? answer('found', more.moves, false, given)
    : answer('not-found', [], wall.movable.length <= 2, given)
}

/** A rework is planned on the drawing: what was placed off a photo is taken as it stands there, and taped once it hangs anew. */
const asPlanned = (given: ReadWall): ReadWall => ({
  ...given,
  gaps: [],
  items: given.items.map(({ uncertainty: _, ...item }) => item as ReadWall['items'][number]),
})

/** Every margin reaches the uncertainty and nothing collides: just what `clearance` calls conforming. */
function conforms(given: ReadWall): boolean {
  return clearanceOf(given).verdict === 'conforms'
}

interface Solution {
  moves: Move[]
  travel: number
}

/** The wall as the search sees it: who may move, what forbids what, and which pairs are at odds as they stand. */
class Searchable {
  private readonly rooms = new Map<string, Room>()
  private readonly atOdds: [string, string | undefined][]

  constructor(
    readonly given: ReadWall,
    readonly movable: Unit[],
  ) {
    for (const item of given.items) if (item.kind === 'unit') this.rooms.set(item.id, roomFor(item, given))
    this.atOdds = conflicts(given)
  }

  room(unit: Unit): Room {
    return this.rooms.get(unit.id)!
  }

  /** Can moving just these units cure everything? Not when some pair that stays is at odds. */
  curable(ids: readonly string[]): boolean {
    return this.atOdds.every(([a, b]) => ids.includes(a) || (b !== undefined && ids.includes(b)))
  }

  /** What forbids a place to `unit`, from all items but those in `without`. */
  blockedBy(unit: Unit, without: readonly string[]): Forbidden {
    const others = this.given.items.filter(({ id }) => id !== unit.id && !without.includes(id))
    return merged(others.map((item) => forbiddenBy(item, unit, this.given.uncertainty)))
  }
}

/** Pairs that violate each other where they stand; a unit against the wall itself has no second id. */
function conflicts(given: ReadWall): [string, string | undefined][] {
  const result: [string, string | undefined][] = []
  given.items.forEach((item, i) => {
    if (item.kind !== 'unit') return
    if (!withinWall(item, given)) result.push([item.id, undefined])
    given.items.forEach((other, j) => {
      if (i === j || (other.kind === 'unit' && j < i)) return
      const free = forbiddenBy(other, item, given.uncertainty)
      const anywhere = { xMin: -Infinity, xMax: Infinity, yMin: -Infinity, yMax: Infinity }
      if (collides(item, other) || !isFree(item, free, anywhere)) result.push([item.id, other.id])
    })
  })
  return result
}

/** A unit that stays where it is owes its margins to floor, ceiling, corners and base, but not the wall's mere edges. */
function withinWall(unit: Unit, given: ReadWall): boolean {
  const alone = { ...given, items: [unit] }
  return clearanceOf(alone).verdict === 'conforms'
}

function moveOne(unit: Unit, wall: Searchable): Solution | undefined {
  if (!wall.curable([unit.id])) return undefined
  const placed = nearestFree(unit, wall.blockedBy(unit, []), wall.room(unit))
  return placed && solution([[unit, placed]])
}

/**
 * Both units of each pair. One of them rests on what stays (its candidates: every crossing of edges), the other is then placed exactly;
 * tried both ways round. A pair is left as soon as no candidate can beat the best so far.
 */
function moveTwo(wall: Searchable, progress: Progress): Solution | undefined {
  const pairs = wall.movable
    .flatMap((a, i) => wall.movable.slice(i + 1).map((b) => [a, b] as const))
    .filter(([a, b]) => wall.curable([a.id, b.id]))
  let found: Solution | undefined
  for (const [n, [a, b]] of pairs.entries()) {
    if (progress(n / pairs.length) === false) return found
    found = best([found, restThenFollow(a, b, wall, found?.travel ?? Infinity)])
    found = best([found, restThenFollow(b, a, wall, found?.travel ?? Infinity)])
  }
  return found
}

function restThenFollow(first: Unit, second: Unit, wall: Searchable, bound: number): Solution | undefined {
  const pair = [first.id, second.id]
  const stays = wall.blockedBy(second, pair)
  const alone = nearestFree(second, stays, wall.room(second), bound)
  if (!alone) return undefined
  let found: Solution | undefined
  for (const rest of restingPlaces(
    first,
    wall.blockedBy(first, pair),
    wall.room(first),
    bound - alone.travel,
  )) {
    const limit = (found?.travel ?? bound) - rest.travel
    if (alone.travel >= limit) break
    const byFirst = forbiddenBy(moved(first, rest), second, wall.given.uncertainty)
    // Where the first does not disturb the second's own best place, no later (farther) resting place can do better.
    if (isFree(alone, byFirst, wall.room(second)))
      return solution([
        [first, rest],
        [second, alone],
      ])
    const follow = nearestFree(second, merged([stays, byFirst]), wall.room(second), limit)
    if (follow)
      found = solution([
        [first, rest],
        [second, follow],
      ])
  }
  return found
}

/** Free candidates of a unit, nearest first, below the bound. */
function restingPlaces(unit: Unit, blocked: Forbidden, room: Room, bound: number): Placed[] {
  const lines = linesOf(unit, blocked, room)
  const travel = ({ x, y }: Point) => Math.abs(x - unit.x) + Math.abs(y - unit.y)
  const crossings = lines.xs.flatMap((x) => lines.ys.map((y) => ({ x, y })))
  return [...crossings, ...arcPoints(blocked, lines)]
    .map((at) => ({ ...at, travel: travel(at) }))
    .filter((at) => at.travel < bound && isFree(at, blocked, room))
    .sort((a, b) => a.travel - b.travel)
}

const MOST_GROUPS = 400

/** Three units and more: each group is lifted off the wall and hung again one by one, in several orders. */
function moveMore(wall: Searchable, progress: Progress): Solution | undefined {
  for (let size = 3; size <= wall.movable.length; size++) {
    let found: Solution | undefined
    const groups = combinations(wall.movable, size, MOST_GROUPS).filter((group) =>
      wall.curable(group.map(({ id }) => id)),
    )
    for (const [n, group] of groups.entries()) {
      if (progress(n / groups.length) === false) return found
      for (const order of ordersOf(group))
        found = best([found, hangInOrder(order, wall, found?.travel ?? Infinity)])
    }
    if (found) return found
  }
  return undefined
}

function hangInOrder(order: readonly Unit[], wall: Searchable, bound: number): Solution | undefined {
  const ids = order.map(({ id }) => id)
  const placed: [Unit, Placed][] = []
  let left = bound
  for (const unit of order) {
    const others = placed.map(([other, at]) => forbiddenBy(moved(other, at), unit, wall.given.uncertainty))
    const place = nearestFree(unit, merged([wall.blockedBy(unit, ids), ...others]), wall.room(unit), left)
    if (!place) return undefined
    placed.push([unit, place])
    left -= place.travel
  }
  return solution(placed)
}

/** Left to right, right to left, from below, from above, and each unit first: enough to sort out a row or a stack. */
function ordersOf(group: readonly Unit[]): Unit[][] {
  const byX = [...group].sort((a, b) => a.x - b.x)
  const byY = [...group].sort((a, b) => a.y - b.y)
  return [
    byX,
    [...byX].reverse(),
    byY,
    [...byY].reverse(),
    ...group.map((first) => [first, ...group.filter((unit) => unit !== first)]),
  ]
}

function combinations<T>(all: readonly T[], size: number, most: number): T[][] {
  const result: T[][] = []
  const grow = (chosen: T[], from: number) => {
    if (result.length >= most) return
    if (chosen.length === size) return void result.push(chosen)
    for (let i = from; i < all.length; i++) grow([...chosen, all[i]!], i + 1)
  }
  grow([], 0)
  return result
}

function solution(placed: [Unit, Placed][]): Solution {
  const moves = placed
    .map(([{ id, x, y }, to]) => ({ id, dx: to.x - x, dy: to.y - y }))
    .filter(({ dx, dy }) => dx !== 0 || dy !== 0)
  return { moves, travel: placed.reduce((sum, [, { travel }]) => sum + travel, 0) }
}

/** Least travel; fewer moves on a tie. */
function best(solutions: (Solution | undefined)[]): Solution | undefined {
  return solutions.reduce(
    (a, b) =>
      !b || (a && (a.travel < b.travel || (a.travel === b.travel && a.moves.length <= b.moves.length)))
        ? a
        : b,
    undefined,
  )
}

/** The wall after the moves: what an inspector would find once the rework is done. */
export function afterMoves<T extends { id: string; x: number; y: number }>(
  items: readonly T[],
  moves: readonly Move[],
): T[] {
  return items.map((item) => {
    const move = moves.find(({ id }) => id === item.id)
    return move ? { ...item, x: item.x + move.dx, y: item.y + move.dy } : item
  })
}

function answer(
  status: ClearanceReworkResult['status'],
  moves: Move[],
  exact: boolean,
  given: ReadWall,
): ClearanceReworkResult {
  const travel = moves.reduce((sum, { dx, dy }) => sum + Math.abs(dx) + Math.abs(dy), 0)
  const way = (d: number, more: string, less: string) =>
    d === 0 ? [] : [`${formatNumber(Math.abs(d), 1)} mm ${d > 0 ? more : less}`]
  const steps = moves.map(
    ({ id, dx, dy }) =>
      `move ${id} ${[...way(dx, 'to the right', 'to the left'), ...way(dy, 'up', 'down')].join(' and ')}`,
  )
  const said = {
    'not-needed': ['every margin is kept already'],
    found: [...steps, `${plural(moves.length, 'unit')} moved, ${formatNumber(travel, 1)} mm in all`],
    'not-found': ['no place was found that keeps every margin'],
  }
  const notes = [
    ...(exact ? [] : ['searched by setting one unit after the other: a smaller rework may exist']),
    ...(status === 'found'
      ? [
          'isolate and prove dead before a unit is moved; two people for heavy lifts; check again what the move touches',
        ]
      : []),
  ]
  return {
    status,
    moves,
    unitsMoved: moves.length,
    travel,
    exact,
    working: said[status],
    notes:
      given.uncertainty > 0
        ? [...notes, `every margin reaches the uncertainty of ${formatNumber(given.uncertainty, 1)} mm`]
        : notes,
  }
}
