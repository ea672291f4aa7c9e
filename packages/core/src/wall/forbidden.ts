import type { Rect } from './geometry.js'
import type { Item, ReadWall, Unit } from './items.js'
import type { Side } from './sides.js'
import { requiredGap } from './required.js'

/**
 * Where the lower left corner of a unit must not be, because of one other item: open rectangles (touching their edge is allowed) and,
 * for a straight distance to keep, a rectangle with rounded corners. All mm.
 */
export interface Forbidden {
  rects: Span[]
  rounds: Round[]
}

/** An open rectangle. */
export interface Span {
  x0: number
  x1: number
  y0: number
  y1: number
}

/** All points nearer than `radius` to the rectangle. */
export interface Round extends Span {
  radius: number
}

/** Where the corner may be at all: ceiling, floor, corners, the wall's edges, the height of the base. Ends included. */
export interface Room {
  xMin: number
  xMax: number
  yMin: number
  yMax: number
}

/** What `item` forbids to `unit`, wherever either stands; every margin must reach `uncertainty`. */
export function forbiddenBy(item: Item, unit: Unit, uncertainty: number): Forbidden {
  const need = (side: Side) => requiredGap(unit, side, item) + uncertainty
  const touching: Span = {
    x0: item.x - unit.w,
    x1: item.x + item.w,
    y0: item.y - unit.h,
    y1: item.y + item.h,
  }
  // The item on the unit's right stops the unit's corner on the low side of the item, and so on.
  const wide = { x0: touching.x0 - need('right'), x1: touching.x1 + need('left') }
  const tall = { y0: touching.y0 - need('top'), y1: touching.y1 + need('bottom') }
  const wholeRectangle = unit.reach === 'envelope' || (item.kind === 'unit' && item.reach === 'envelope')
  const rects = wholeRectangle
    ? [{ ...wide, ...tall }]
    : [
        { ...touching, ...wide },
        { ...touching, ...tall },
      ]
  const rounds =
    item.kind === 'unit'
      ? []
      : unit.keepOut
          .filter(({ from }) => from === item.class)
          .map(({ distance }) => ({ ...touching, radius: distance + uncertainty }))
  return { rects, rounds }
}

/** Where the walls, the floor and the base rule let the unit's corner be. */
export function roomFor(unit: Unit, { wall, uncertainty }: ReadWall): Room {
  const most = Math.max
  const least = Math.min
  const beyond = (limit: number | undefined, inset: number) =>
    limit === undefined ? Infinity : limit - inset
  return {
    xMin: most(
      wall.width === undefined ? -Infinity : 0,
      wall.leftCorner ? unit.clear.left + uncertainty : -Infinity,
    ),
    xMax: least(
      beyond(wall.width, unit.w),
      wall.rightCorner ? beyond(wall.width, unit.w + unit.clear.right + uncertainty) : Infinity,
    ),
    yMin: most(0, unit.clear.bottom + uncertainty, (unit.base?.min ?? -Infinity) + uncertainty),
    yMax: least(
      beyond(wall.height, unit.h + unit.clear.top + uncertainty),
      (unit.base?.max ?? Infinity) - uncertainty,
    ),
  }
}

/** Rounding that a position may eat into a limit, mm. */
export const SLACK = 1e-7

export function isFree(at: { x: number; y: number }, blocked: Forbidden, room: Room): boolean {
  const { x, y } = at
  if (x < room.xMin - SLACK || x > room.xMax + SLACK || y < room.yMin - SLACK || y > room.yMax + SLACK)
    return false
  if (blocked.rects.some((r) => x > r.x0 + SLACK && x < r.x1 - SLACK && y > r.y0 + SLACK && y < r.y1 - SLACK))
    return false
  return !blocked.rounds.some(
    (r) => Math.hypot(beyondSpan(x, r.x0, r.x1), beyondSpan(y, r.y0, r.y1)) < r.radius - SLACK,
  )
}

function beyondSpan(at: number, from: number, to: number): number {
  return Math.max(0, from - at, at - to)
}

export function merged(parts: readonly Forbidden[]): Forbidden {
  return { rects: parts.flatMap(({ rects }) => rects), rounds: parts.flatMap(({ rounds }) => rounds) }
}

/** The unit put somewhere else. */
export function moved<T extends Rect>(unit: T, to: { x: number; y: number }): T {
  return { ...unit, x: to.x, y: to.y }
}
