import { BadInput } from '../shape/bad-input.js'
import type { EdgeUncertainty } from './gap-uncertainty.js'
import { uncertaintyField } from '../verdict/decision.js'
import type { Side } from './sides.js'
import {
  flag,
  list,
  num,
  object,
  oneOf,
  optional,
  range,
  refine,
  requireUniqueIds,
  text,
  variants,
  type Read,
} from '../shape/shape.js'

export const NEIGHBOUR_RULES = ['larger', 'sum', 'stated'] as const
export type NeighbourRule = (typeof NEIGHBOUR_RULES)[number]
export const REACHES = ['straight', 'envelope'] as const

const edge = () => optional(num({ unit: 'mm', sign: 'magnitude' }))
const place = {
  id: text(),
  x: num({ unit: 'mm', about: 'lower left corner, to the right from the datum' }),
  y: num({ unit: 'mm', about: 'lower left corner, up from finished floor' }),
  w: num({ unit: 'mm', sign: 'divisor' }),
  h: num({ unit: 'mm', sign: 'divisor' }),
  uncertainty: optional(
    object(
      { across: edge(), up: edge() },
      'expanded, of edges that were placed otherwise than with the tape of the wall',
    ),
  ),
}
const clearFigure = () => num({ unit: 'mm', sign: 'magnitude' })

/** How far a unit wants its neighbours to stay away; shared by the calculators and by the sheets. */
export const clearShape = object({
  left: clearFigure(),
  right: clearFigure(),
  top: clearFigure(),
  bottom: clearFigure(),
})
export const neighbourShape = refine(
  object({ rule: oneOf(NEIGHBOUR_RULES), distance: optional(num({ unit: 'mm', sign: 'magnitude' })) }),
  requireStatedDistance,
)

export function requireStatedDistance(
  { rule, distance }: { rule: NeighbourRule; distance?: number | undefined },
  path: string,
): void {
  if (rule === 'stated' && distance === undefined)
    throw new BadInput('missing', `${path}.distance`, 'is required by the rule "stated"')
}
export const keepOutShape = object({
  from: text('class of obstruction'),
  distance: num({ unit: 'mm', sign: 'magnitude' }),
})
export const baseShape = range('mm', 'height of the lower edge')

export const unitShape = object({
  ...place,
  model: optional(text()),
  clear: clearShape,
  neighbour: optional(neighbourShape),
  reach: optional(oneOf(REACHES), 'straight'),
  keepOut: optional(list(keepOutShape, { mayBeEmpty: true }), []),
  base: optional(baseShape),
})
export const obstructionShape = object({ ...place, class: text() })

export const wallShape = refine(
  object({
    width: optional(num({ unit: 'mm', sign: 'divisor' })),
    height: optional(num({ unit: 'mm', sign: 'divisor', about: 'to the ceiling' })),
    leftCorner: optional(flag('a corner at x = 0'), false),
    rightCorner: optional(flag('a corner at x = width'), false),
  }),
  ({ width, rightCorner }, path) => {
    if (rightCorner && width === undefined)
      throw new BadInput('missing', `${path}.width`, 'is required by a right corner')
  },
)

/** Ids that the boundaries of a wall answer to; no item may have them. */
export const BOUNDARIES = ['floor', 'ceiling', 'left-corner', 'right-corner'] as const
export type Boundary = (typeof BOUNDARIES)[number]

/** Across from left to right, or up from below: `from` stands left of or below `to`. */
export const GAP_AXES = ['across', 'up'] as const

/** Each item may overlap each: the work of a wall grows with the square of what stands on it. */
const MOST_ITEMS = 1000

export const clearanceInput = refine(
  object({
    wall: wallShape,
    uncertainty: uncertaintyField('mm'),
    items: list(variants('kind', { unit: unitShape, obstruction: obstructionShape }), { max: MOST_ITEMS }),
    gaps: optional(
      list(object({ from: text(), to: text(), axis: oneOf(GAP_AXES), value: num({ unit: 'mm' }) }), {
        mayBeEmpty: true,
        max: MOST_ITEMS,
        about: 'read with the tape itself: each takes the place of what the offsets say',
      }),
      [],
    ),
  }),
  ({ items }) => requireNamesOfTheirOwn(items),
)

/** Everything on a wall is told apart by its id; the boundaries have theirs. */
export function requireNamesOfTheirOwn(items: readonly { id: string }[]): void {
  requireUniqueIds(items, 'items')
  const taken = items.findIndex(({ id }) => (BOUNDARIES as readonly string[]).includes(id))
  if (taken >= 0)
    throw new BadInput(
      'duplicate-id',
      `items[${taken}].id`,
      `"${items[taken]!.id}" is the name of a boundary`,
    )
}

export type ReadWall = Read<typeof clearanceInput>
export type Item = ReadWall['items'][number]
/** How far one requirement wants the neighbours of a unit to stay away. */
export interface Demand {
  clear: Record<Side, number>
  neighbour?: { rule: NeighbourRule; distance?: number | undefined } | undefined
}
/** A unit as it is measured; where several requirements speak of it, `demands` are theirs, and `clear` the largest on each side. */
export type Unit = Extract<Item, { kind: 'unit' }> & { demands?: readonly Demand[] }
export type Obstruction = Extract<Item, { kind: 'obstruction' }>

/** What a caller writes: everything with a default may be left out. */
export interface UnitInput {
  id: string
  kind: 'unit'
  x: number
  y: number
  w: number
  h: number
  model?: string
  clear: Record<Side, number>
  neighbour?: { rule: NeighbourRule; distance?: number }
  reach?: 'straight' | 'envelope'
  keepOut?: { from: string; distance: number }[]
  base?: { min?: number; max?: number }
  uncertainty?: EdgeUncertainty
}
export type ObstructionInput = Obstruction
export interface WallInput {
  width?: number
  height?: number
  leftCorner?: boolean
  rightCorner?: boolean
}
export interface ClearanceInput {
  wall: WallInput
  uncertainty?: number
  items: (UnitInput | ObstructionInput)[]
  gaps?: { from: string; to: string; axis: 'across' | 'up'; value: number }[]
}
