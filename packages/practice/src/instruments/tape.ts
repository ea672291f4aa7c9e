import type { MeasuredWall } from '@plumb-mark/core'
import { isThing } from '../found/answer.js'
import { inspectWith } from '../scenario/base.js'
import { Chance } from '../chance.js'
import type { Scenario } from '../scenario/scenario.js'
import { shown } from '../site/index.js'

/** An edge to which a tape can be put, mm: upright at an x, or level at a y, and how far it runs. */
export interface Edge {
  id: string
  label: string
  upright: boolean
  at: number
  from: number
  to: number
}

/** The walls with everything where it really is. */
export function wallsOf({ entries, sheets, truth }: Scenario): readonly MeasuredWall[] {
  return inspectWith(entries, [...truth.values()].filter(isThing), sheets).walls
}

const NO_CEILING = 2400

/** Every edge of a wall: of what hangs on it, its floor, its ceiling, its corners; without a left corner the plumb line of the datum. */
export function edgesOf({ wall, input }: MeasuredWall, labelOf: (id: string) => string): Edge[] {
  const right = wall.width ?? Math.max(...input.items.map(({ x, w }) => x + w))
  const top = wall.height ?? NO_CEILING
  const upright = (id: string, label: string, at: number, from: number, to: number): Edge => ({
    id,
    label,
    upright: true,
    at,
    from,
    to,
  })
  const level = (id: string, label: string, at: number, from: number, to: number): Edge => ({
    ...upright(id, label, at, from, to),
    upright: false,
  })
  return [
    upright('left-end', wall.leftCorner ? 'left corner' : 'datum line', 0, 0, top),
    ...(wall.rightCorner ? [upright('right-corner', 'right corner', right, 0, top)] : []),
    level('floor', 'floor', 0, 0, right),
    ...(wall.height ? [level('ceiling', 'ceiling', top, 0, right)] : []),
    ...input.items.flatMap(({ id, x, y, w, h }) => [
      upright(`${id} left`, `left edge of ${labelOf(id)}`, x, y, y + h),
      upright(`${id} right`, `right edge of ${labelOf(id)}`, x + w, y, y + h),
      level(`${id} bottom`, `lower edge of ${labelOf(id)}`, y, x, x + w),
      level(`${id} top`, `upper edge of ${labelOf(id)}`, y + h, x, x + w),
    ]),
  ]
}

/** What a tape shows between two edges, whole mm, the same each time; nothing between an upright and a level one. */
export function taped(a: Edge, b: Edge, seed: number): number | undefined {
  if (a.upright !== b.upright || a.id === b.id) return undefined
  const length = Math.abs(a.at - b.at)
  return Math.round(shown(length, 'length', new Chance(seed + Math.round(length))))
}
