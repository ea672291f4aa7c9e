import type { Side } from './sides.js'

/** A rectangle on the wall, mm: lower left corner, width and height. */
export interface Rect {
  x: number
  y: number
  w: number
  h: number
}

/** Overlaps thinner than this (relative to the coordinates, mm) are rounding, not overlap: touching stays touching. */
const TOUCH = 1e-9

/** One axis of the wall: where a rectangle starts and ends on it, and which sides of a unit look along it. */
export interface Axis {
  start(r: Rect): number
  end(r: Rect): number
  /** The side that looks towards smaller coordinates, and the one towards larger ones. */
  low: Side
  high: Side
}

export const X: Axis = { start: (r) => r.x, end: (r) => r.x + r.w, low: 'left', high: 'right' }
export const Y: Axis = { start: (r) => r.y, end: (r) => r.y + r.h, low: 'bottom', high: 'top' }

export const OPPOSITE = { left: 'right', right: 'left', top: 'bottom', bottom: 'top' } satisfies Record<
  Side,
  Side
>

export function overlapsOn(axis: Axis, a: Rect, b: Rect): boolean {
  const from = Math.max(axis.start(a), axis.start(b))
  const to = Math.min(axis.end(a), axis.end(b))
  return to - from > TOUCH * Math.max(1, Math.abs(from), Math.abs(to))
}

/** Do the interiors overlap? */
export function collides(a: Rect, b: Rect): boolean {
  return overlapsOn(X, a, b) && overlapsOn(Y, a, b)
}

/** Free distance along an axis, 0 when the extents overlap or touch. */
export function gapOn(axis: Axis, a: Rect, b: Rect): number {
  return Math.max(0, axis.start(b) - axis.end(a), axis.start(a) - axis.end(b))
}

/** The side of `a` that faces `b` on this axis, when they do not overlap on it. */
export function facingOn(axis: Axis, a: Rect, b: Rect): Side {
  return axis.start(b) + axis.end(b) >= axis.start(a) + axis.end(a) ? axis.high : axis.low
}

/** Shortest straight distance between two rectangles, 0 when they overlap. */
export function straightDistance(a: Rect, b: Rect): number {
  return Math.hypot(gapOn(X, a, b), gapOn(Y, a, b))
}
