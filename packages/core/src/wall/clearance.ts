import { mm } from '../quantity/figure.js'
import { formatNumber } from '../quantity/phrases.js'
import { msg, type Message } from '../quantity/message.js'
import { verdictOf } from '../verdict/decision.js'
import { worst, type Explained, type JudgedVerdict } from '../verdict/verdict.js'
import { bandIndex, type BandIndex } from './band-index.js'
import { gapUncertaintyOf } from './gap-uncertainty.js'
import { tapedGaps, type TapedGaps } from './taped-gaps.js'
import { X, Y, facingOn, gapOn, overlapsOn, straightDistance, type Axis } from './geometry.js'
import {
  clearanceInput,
  type Boundary,
  type ClearanceInput,
  type Item,
  type ReadWall,
  type Unit,
} from './items.js'
import { SIDES, type Side } from './sides.js'
import { plainClass } from './obstruction-class.js'
import { demandsOf, requiredGap, ruleInForce } from './required.js'

export interface SideResult {
  side: Side
  /** mm; null when the side is open. */
  measured: number | null
  /** Id of the item or boundary with the least margin. */
  governing: string | null
  required: number
  margin: number | null
  /** Of the measured gap, expanded, mm. */
  uncertainty: number
  verdict: JudgedVerdict
}
export interface CornerResult {
  item: string
  margin: number
  verdict: JudgedVerdict
}
export interface KeepOutResult {
  item: string
  measured: number
  required: number
  margin: number
  verdict: JudgedVerdict
}
export interface UnitClearance {
  id: string
  sides: SideResult[]
  corners: CornerResult[]
  keepOut: KeepOutResult[]
  base?: { measured: number; verdict: JudgedVerdict }
}
export interface ClearanceResult extends Explained {
  units: UnitClearance[]
  /** Pairs of ids, each pair sorted by character code. */
  collisions: [string, string][]
  verdict: JudgedVerdict
}

/**
 * Does every unit on a wall have the free space that its maker demands? The wall is seen from the front, mm, x to the right from the
 * datum and y up from finished floor; extents that only touch do not overlap; a margin of exactly the uncertainty conforms.
 * Reported on each side is the item with the least margin, which need not be the nearest. Units that collide are judged as such and not
 * measured against each other. A gap that was read with the tape itself stands for what the offsets say of it. Bad input: an unsized item, two items with one id, a right corner without the wall's width, a "stated"
 * rule without its distance. Source: plane geometry; the rules between neighbours are the makers' own.
 */
export function clearance(input: ClearanceInput): ClearanceResult {
  return clearanceOf(clearanceInput.read(input, ''))
}

/** The same for a wall that has been read already. */
export function clearanceOf(given: ReadWall): ClearanceResult {
  const byId = new Map(given.items.map((item) => [item.id, item]))
  const taped = tapedGaps(given)
  const indexes: Indexes = { x: bandIndex(given.items, X), y: bandIndex(given.items, Y), byId, taped }
  const units = given.items.filter((item): item is Unit => item.kind === 'unit')
  const reach = largestDemand(units) + taped.largestMisclosure
  const results = units.map((unit) => judgeUnit(unit, given, indexes, reach))
  const collisions = collidingPairs(indexes.x)
  return {
    units: results,
    collisions,
    verdict: collisions.length > 0 ? 'does-not-conform' : overall(results),
    working: [
      ...collisions.map(([a, b]) => `${a} and ${b} overlap`),
      ...results.flatMap((result) => workingOf(result, byId)),
    ],
    notes:
      given.uncertainty > 0
        ? [msg`each margin is judged against an uncertainty of ${mm(given.uncertainty)}`]
        : [],
  }
}

/** A wall without units has nothing that could be too near. */
function overall(results: UnitClearance[]): JudgedVerdict {
  const verdict = worst(results.flatMap(verdictsOf))
  return verdict === 'not-applicable' ? 'conforms' : verdict
}

interface Indexes {
  x: BandIndex
  y: BandIndex
  byId: ReadonlyMap<string, Item>
  taped: TapedGaps
}

/** No pair of units asks for more than this, so nothing farther away than it beyond the best margin so far can govern. */
function largestDemand(units: readonly Unit[]): number {
  const demands = units.flatMap(demandsOf)
  const ownLargest = Math.max(0, ...demands.flatMap(({ clear }) => SIDES.map((side) => clear[side])))
  return Math.max(2 * ownLargest, ...demands.map(({ neighbour }) => neighbour?.distance ?? 0))
}

function judgeUnit(unit: Unit, given: ReadWall, indexes: Indexes, reach: number): UnitClearance {
  const { base } = unit
  return {
    id: unit.id,
    sides: SIDES.map((side) => judgeSide(unit, side, given, indexes, reach)),
    corners: unit.reach === 'envelope' ? cornersOf(unit, given) : [],
    keepOut: keepOutsOf(unit, given),
    ...(base && {
      base: {
        measured: unit.y,
        verdict: verdictOf(
          unit.y,
          gapUncertaintyOf(Y, given.uncertainty, unit.uncertainty),
          base.min,
          base.max,
        ),
      },
    }),
  }
}

interface Candidate {
  id: string
  gap: number
  required: number
  margin: number
}

function judgeSide(unit: Unit, side: Side, given: ReadWall, indexes: Indexes, reach: number): SideResult {
  const own = unit.clear[side]
  let best: Candidate | undefined
  const offer = (id: string, gap: number, required: number) => {
    const candidate = { id, gap, required, margin: gap - required }
    if (!best || governs(candidate, best)) best = candidate
  }
  const taped = (other: string) => indexes.taped.between(unit.id, side, other)
  const bound = boundaryOn(unit, side, given)
  if (bound) offer(bound.id, taped(bound.id) ?? bound.gap, own)
  const { index, towards } = looking(side, indexes)
  index.visit(
    unit,
    towards,
    (item, gap) => offer(item.id, taped(item.id) ?? gap, requiredGap(unit, side, item)),
    (gap) => best !== undefined && gap - reach > best.margin + 1,
  )
  if (!best)
    return {
      side,
      measured: null,
      governing: null,
      required: own,
      margin: null,
      uncertainty: 0,
      verdict: 'conforms',
    }
  const { id, gap, required, margin } = best
  const uncertainty =
    taped(id) === undefined
      ? gapUncertaintyOf(
          AXIS_OF[side],
          given.uncertainty,
          unit.uncertainty,
          indexes.byId.get(id)?.uncertainty,
        )
      : given.uncertainty
  return {
    side,
    measured: gap,
    governing: id,
    required,
    margin,
    uncertainty,
    verdict: verdictOf(gap, uncertainty, required),
  }
}

const AXIS_OF = { left: X, right: X, top: Y, bottom: Y } satisfies Record<Side, Axis>

const looking = (side: Side, { x, y }: Indexes) =>
  ({
    left: { index: x, towards: 'low' },
    right: { index: x, towards: 'high' },
    top: { index: y, towards: 'high' },
    bottom: { index: y, towards: 'low' },
  })[side] as { index: BandIndex; towards: 'low' | 'high' }

/** Least margin, then the smaller gap, then the id by character code. */
function governs(a: Candidate, b: Candidate): boolean {
  const rounding = 1e-9 * Math.max(1, Math.abs(a.gap), Math.abs(b.gap))
  if (Math.abs(a.margin - b.margin) > rounding) return a.margin < b.margin
  if (Math.abs(a.gap - b.gap) > rounding) return a.gap < b.gap
  return a.id < b.id
}

/** The floor always bounds; the ceiling when the wall's height is given; a corner when it is there. */
export function boundaryOn(
  unit: Item,
  side: Side,
  { wall }: Pick<ReadWall, 'wall'>,
): { id: Boundary; gap: number } | undefined {
  switch (side) {
    case 'left':
      return wall.leftCorner ? { id: 'left-corner', gap: unit.x } : undefined
    case 'right':
      return wall.rightCorner && wall.width !== undefined
        ? { id: 'right-corner', gap: wall.width - unit.x - unit.w }
        : undefined
    case 'top':
      return wall.height !== undefined ? { id: 'ceiling', gap: wall.height - unit.y - unit.h } : undefined
    case 'bottom':
      return { id: 'floor', gap: unit.y }
  }
}

function cornersOf(unit: Unit, { items, uncertainty }: ReadWall): CornerResult[] {
  const inABand = (item: Item) => overlapsOn(X, unit, item) || overlapsOn(Y, unit, item)
  return items
    .filter((item) => item !== unit && !inABand(item))
    .map((item) => {
      const across = toward(X, unit, item)
      const up = toward(Y, unit, item)
      const [axis, better] = across.margin >= up.margin ? [X, across] : [Y, up]
      const known = gapUncertaintyOf(axis, uncertainty, unit.uncertainty, item.uncertainty)
      return {
        item: item.id,
        margin: better.margin,
        verdict: verdictOf(better.gap, known, better.required),
      }
    })
}

function toward(axis: Axis, unit: Unit, item: Item) {
  const gap = gapOn(axis, unit, item)
  const required = requiredGap(unit, facingOn(axis, unit, item), item)
  return { gap, required, margin: gap - required }
}

function keepOutsOf(unit: Unit, { items, uncertainty }: ReadWall): KeepOutResult[] {
  return unit.keepOut.flatMap(({ from, distance }) =>
    items
      .filter((item) => item.kind === 'obstruction' && plainClass(item.class) === plainClass(from))
      .map((item) => {
        const measured = straightDistance(unit, item)
        // Along a slope the less sure of both directions counts.
        const known = Math.max(
          ...[X, Y].map((axis) => gapUncertaintyOf(axis, uncertainty, unit.uncertainty, item.uncertainty)),
        )
        return {
          item: item.id,
          measured,
          required: distance,
          margin: measured - distance,
          verdict: verdictOf(measured, known, distance),
        }
      }),
  )
}

function collidingPairs(index: BandIndex): [string, string][] {
  return index
    .collisions()
    .filter(([a, b]) => a.kind === 'unit' || b.kind === 'unit')
    .map(([a, b]): [string, string] => (a.id < b.id ? [a.id, b.id] : [b.id, a.id]))
}

function verdictsOf({ sides, corners, keepOut, base }: UnitClearance): JudgedVerdict[] {
  return [...sides, ...corners, ...keepOut, ...(base ? [base] : [])].map(({ verdict }) => verdict)
}

function workingOf(result: UnitClearance, byId: Map<string, Item>): Message[] {
  const unit = byId.get(result.id) as Unit
  const sides = result.sides
    .filter(({ governing }) => governing !== null)
    .map(({ side, measured, governing, required, margin }) => {
      const item = byId.get(governing!)
      const rule = item && ruleInForce(unit, side, item)
      return msg`${result.id} ${side} to ${governing!}: ${mm(measured!)} − ${mm(required)}${rule ? ` (${rule})` : ''} = ${mm(margin!)}`
    })
  const corners = result.corners.map(
    ({ item, margin }) => msg`${result.id} corner to ${item}: ${mm(margin)} beyond the envelope`,
  )
  const keepOut = result.keepOut.map(
    ({ item, measured, required, margin }) =>
      msg`${result.id} to ${item}: ${mm(measured)} straight − ${mm(required)} = ${mm(margin)}`,
  )
  const { min, max } = unit.base ?? {}
  const base = result.base
    ? [
        msg`${result.id} lower edge at ${mm(result.base.measured)}, allowed ${min === undefined ? '' : `from ${formatNumber(min)} `}${max === undefined ? '' : `up to ${formatNumber(max)} `}mm`,
      ]
    : []
  return [...sides, ...corners, ...keepOut, ...base]
}
