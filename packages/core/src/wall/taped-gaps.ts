import type { ReadWall } from './items.js'
import type { Side } from './sides.js'
import { misclosures, wallEnds } from './misclosure.js'

/** The gaps of a wall that were read with the tape itself. */
export interface TapedGaps {
  /** From a side of a thing to another, mm. */
  between(id: string, side: Side, other: string): number | undefined
  /** How far the offsets are off at most, mm: a search by offsets must look that much farther. */
  largestMisclosure: number
}

const NONE: TapedGaps = { between: () => undefined, largestMisclosure: 0 }
const LOOKS = { left: 'across', right: 'across', top: 'up', bottom: 'up' } as const

export function tapedGaps({ gaps, items, wall }: ReadWall): TapedGaps {
  if (gaps.length === 0) return NONE
  const key = (axis: string, from: string, to: string) => `${axis} ${from}\n${to}`
  const values = new Map(gaps.map(({ axis, from, to, value }) => [key(axis, from, to), value]))
  const named = gaps.map((gap, i) => ({ ...gap, id: String(i) }))
  const off = misclosures([...items, ...wallEnds(wall)], named, 0).map(({ misclosure = 0 }) =>
    Math.abs(misclosure),
  )
  return {
    between: (id, side, other) =>
      side === 'right' || side === 'top'
        ? values.get(key(LOOKS[side], id, other))
        : values.get(key(LOOKS[side], other, id)),
    largestMisclosure: Math.max(...off),
  }
}
