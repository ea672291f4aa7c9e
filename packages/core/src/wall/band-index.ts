import { X, Y, overlapsOn, type Axis } from './geometry.js'
import type { Item } from './items.js'

/**
 * Finds what stands beside or above a unit without looking at the whole wall: the wall is cut into strips along one axis, and each strip
 * keeps its items in order, so that a search can start at the unit and stop as soon as nothing farther away could matter.
 */
export interface BandIndex {
  /**
   * Visits the items in the unit's band on one side, nearest first within a strip, until `enough(gap)` says
   * that none farther can matter.
   */
  visit(
    unit: Item,
    towards: 'low' | 'high',
    found: (item: Item, gap: number) => void,
    enough: (gap: number) => boolean,
  ): void
  /** Every pair whose interiors overlap, once. */
  collisions(): [Item, Item][]
}

interface Strip {
  byStart: Item[]
  byEnd: Item[]
}

/** An index for bands along `axis`; its strips are cut across the other one. */
export function bandIndex(items: readonly Item[], axis: Axis): BandIndex {
  const across = axis === X ? Y : X
  const { strips, stripOf } = cut(items, axis, across)

  const range = (item: Item): [number, number] => [stripOf(across.start(item)), stripOf(across.end(item))]

  return {
    visit(unit, towards, found, enough) {
      const [first, last] = range(unit)
      for (let s = first; s <= last; s++) {
        const { byStart, byEnd } = strips[s]!
        const sorted = towards === 'high' ? byStart : byEnd
        const step = towards === 'high' ? 1 : -1
        const gapTo =
          towards === 'high'
            ? (item: Item) => axis.start(item) - axis.end(unit)
            : (item: Item) => axis.start(unit) - axis.end(item)
        for (let i = startAt(sorted, unit, axis, towards); i >= 0 && i < sorted.length; i += step) {
          const item = sorted[i]!
          const gap = gapTo(item)
          if (enough(gap)) break
          if (item !== unit && overlapsOn(across, unit, item) && !overlapsOn(axis, unit, item))
            found(item, Math.max(0, gap))
        }
      }
    },
    collisions() {
      const pairs: [Item, Item][] = []
      strips.forEach(({ byStart }, s) => {
        byStart.forEach((a, i) => {
          for (let j = i + 1; j < byStart.length; j++) {
            const b = byStart[j]!
            if (axis.start(b) >= axis.end(a)) break
            const firstShared = stripOf(Math.max(across.start(a), across.start(b)))
            if (firstShared === s && overlapsOn(axis, a, b) && overlapsOn(across, a, b)) pairs.push([a, b])
          }
        })
      })
      return pairs
    },
  }
}

/**
 * Position of the first item that does not lie wholly on the far side of the unit's edge; half a millimetre
 * early, to be safe in rounding.
 */
function startAt(sorted: Item[], unit: Item, axis: Axis, towards: 'low' | 'high'): number {
  const SLACK = 0.5
  let low = 0
  let high = sorted.length
  const before =
    towards === 'high'
      ? (item: Item) => axis.start(item) < axis.end(unit) - SLACK
      : (item: Item) => axis.end(item) <= axis.start(unit) + SLACK
  while (low < high) {
    const middle = (low + high) >> 1
    if (before(sorted[middle]!)) low = middle + 1
    else high = middle
  }
  return towards === 'high' ? low : low - 1
}

function cut(items: readonly Item[], axis: Axis, across: Axis) {
  const from = Math.min(...items.map((item) => across.start(item)))
  const to = Math.max(...items.map((item) => across.end(item)))
  const span = Math.max(to - from, 1)
  // As wide as an item is on average: then the strips hold no more than two entries an item in all, however much the items differ.
  const extents = items.reduce((sum, item) => sum + across.end(item) - across.start(item), 0)
  const n = Math.max(1, Math.min(items.length, Math.floor((span * items.length) / Math.max(extents, 1))))
  const size = span / n
  const stripOf = (at: number) => Math.min(n - 1, Math.max(0, Math.floor((at - from) / size)))
  const strips: Strip[] = Array.from({ length: n }, () => ({ byStart: [], byEnd: [] }))
  for (const item of [...items].sort((a, b) => axis.start(a) - axis.start(b))) {
    for (let s = stripOf(across.start(item)); s <= stripOf(across.end(item)); s++)
      strips[s]!.byStart.push(item)
  }
  for (const strip of strips) strip.byEnd = [...strip.byStart].sort((a, b) => axis.end(a) - axis.end(b))
  return { strips, stripOf }
}
