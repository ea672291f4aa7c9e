import type { Message } from '../quantity/message.js'
import { formatNumber } from '../quantity/phrases.js'
import { gapUncertaintyOf, type EdgeUncertainty } from './gap-uncertainty.js'
import { X, Y } from './geometry.js'

export interface SurveyedItem {
  id: string
  x: number
  y: number
  w: number
  h: number
  /** Where it was not placed with the tape of the wall. */
  uncertainty?: EdgeUncertainty | undefined
}
export interface MeasuredGap {
  id: string
  from: string
  to: string
  axis: 'across' | 'up'
  value: number
}
export interface Misclosure {
  gapId: string
  from: string
  to: string
  axis: 'across' | 'up'
  /** mm, as read with the tape in the gap. */
  measured: number
  /** mm, worked out from the offsets; undefined when an end has none. */
  computed: number | undefined
  /** measured − computed, mm. */
  misclosure: number | undefined
  /** Greater than two readings of this tape can differ. */
  tooLarge: boolean
  working: Message
}

const EDGES = {
  across: { near: ({ x }: SurveyedItem) => x, far: ({ x, w }: SurveyedItem) => x + w },
  up: { near: ({ y }: SurveyedItem) => y, far: ({ y, h }: SurveyedItem) => y + h },
}
/** The ends of a wall, which have no size: "left-corner" at 0, "right-corner" at the width, "floor" at 0, "ceiling" at the height. */
export function wallEnds({
  width,
  height,
}: {
  width?: number | undefined
  height?: number | undefined
}): SurveyedItem[] {
  const end = (id: string, x: number, y: number): SurveyedItem => ({ id, x, y, w: 0, h: 0 })
  return [
    end('left-corner', 0, 0),
    end('floor', 0, 0),
    ...(width === undefined ? [] : [end('right-corner', width, 0)]),
    ...(height === undefined ? [] : [end('ceiling', 0, height)]),
  ]
}

/**
 * Where gaps were measured one by one and everything was also surveyed from one datum, do the two agree? mm. A difference beyond the
 * tape's uncertainty (of a gap, so already that of two readings), or beyond that of a thing that was placed otherwise, means that a figure was misread or mistyped.
 * Source: closing a survey by measuring it twice.
 */
export function misclosures(
  items: readonly SurveyedItem[],
  gaps: readonly MeasuredGap[],
  uncertainty: number,
): Misclosure[] {
  const byId = new Map(items.map((item) => [item.id, item]))
  return gaps.map(({ id, from, to, axis, value }) => {
    const [a, b] = [byId.get(from), byId.get(to)]
    const computed = a && b ? EDGES[axis].near(b) - EDGES[axis].far(a) : undefined
    const misclosure = computed === undefined ? undefined : value - computed
    const known = gapUncertaintyOf(axis === 'across' ? X : Y, uncertainty, a?.uncertainty, b?.uncertainty)
    return {
      gapId: id,
      from,
      to,
      axis,
      measured: value,
      computed,
      misclosure,
      tooLarge: misclosure !== undefined && Math.abs(misclosure) > known + 1e-9,
      working:
        computed === undefined
          ? `${formatNumber(value)} mm measured; one end has no offset`
          : `${formatNumber(value)} mm measured − ${formatNumber(computed)} mm from the offsets = ${formatNumber(misclosure!)} mm`,
    }
  })
}

/** The offset at which a thing stands when the gap from another is what was measured, mm. */
export function offsetFromGap(
  other: SurveyedItem,
  self: Pick<SurveyedItem, 'w' | 'h'>,
  gap: number,
  direction: 'right-of' | 'left-of' | 'above' | 'below',
): { x: number } | { y: number } {
  if (direction === 'right-of') return { x: other.x + other.w + gap }
  if (direction === 'left-of') return { x: other.x - gap - self.w }
  return direction === 'above' ? { y: other.y + other.h + gap } : { y: other.y - gap - self.h }
}
