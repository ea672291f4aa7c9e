import type { MeasuredWall } from '../requirements/mounting/measured-wall.js'
import { worst, type JudgedVerdict, type Verdict } from '../verdict/verdict.js'
import type { SideResult } from '../wall/clearance.js'
import type { Rect } from '../wall/geometry.js'
import { BOUNDARIES, type Item, type NeighbourRule, type Unit } from '../wall/items.js'
import { type Side } from '../wall/sides.js'
import { ruleInForce } from '../wall/required.js'

export interface Point2 {
  x: number
  y: number
}

/** A gap as it is dimensioned on the wall, all mm. */
export interface DimensionLine {
  id: string
  unitId: string
  side: Side
  from: Point2
  to: Point2
  upright: boolean
  measured: number
  required: number
  /** 0 when the gap is wide enough. */
  shortBy: number
  governing: string
  rule?: NeighbourRule | undefined
  verdict: JudgedVerdict
}
export interface DrawnItem extends Rect {
  id: string
  label: string
  kind: 'unit' | 'obstruction'
  class?: string
  verdict: Verdict
  /** By figures of which one was drawn and measured by nobody. */
  drawn: boolean
}
export interface DrawnEnvelope extends Rect {
  unitId: string
  /** Straight out from each side, or the whole rectangle. */
  whole: boolean
  unit: Rect
}

/** A wall as it is drawn, on screen, on paper and as a file: to scale, mm, y up. */
export interface WallDrawing {
  title: string
  bounds: { x0: number; y0: number; x1: number; y1: number }
  ceiling: number | undefined
  leftCorner: boolean
  rightCorner: number | undefined
  items: DrawnItem[]
  envelopes: DrawnEnvelope[]
  dimensions: DimensionLine[]
}

const MARGIN = 160
const BARE_WALL: Rect = { x: 0, y: 0, w: 3000, h: 2400 }

export function wallDrawing(
  {
    wall,
    input,
    result,
    drawn,
  }: Pick<MeasuredWall, 'wall' | 'input' | 'result'> & Partial<Pick<MeasuredWall, 'drawn'>>,
  labelOf: (id: string) => string,
): WallDrawing {
  const verdicts = new Map(
    result.units.map((unit) => [
      unit.id,
      worst(
        [...unit.sides, ...unit.corners, ...unit.keepOut, ...(unit.base ? [unit.base] : [])].map(
          ({ verdict }) => verdict,
        ),
      ),
    ]),
  )
  const colliding = new Set(result.collisions.flat())
  return {
    title: wall.title,
    bounds: boundsOf(input.items, wall.width, wall.height),
    ceiling: wall.height,
    leftCorner: wall.leftCorner,
    rightCorner: wall.rightCorner ? wall.width : undefined,
    // What hangs on the wall is drawn over what runs along it, so that its name can be read.
    items: [...input.items]
      .sort((a, b) => Number(a.kind === 'unit') - Number(b.kind === 'unit'))
      .map((item) => ({
        id: item.id,
        label: labelOf(item.id),
        kind: item.kind,
        x: item.x,
        y: item.y,
        w: item.w,
        h: item.h,
        ...(item.kind === 'obstruction' && { class: item.class }),
        verdict: colliding.has(item.id) ? 'does-not-conform' : (verdicts.get(item.id) ?? 'not-applicable'),
        drawn: drawn?.has(item.id) ?? false,
      })),
    envelopes: input.items.filter((item): item is Unit => item.kind === 'unit').map(envelope),
    dimensions: dimensionsOf(input.items, result.units),
  }
}

function boundsOf(items: readonly Rect[], width: number | undefined, height: number | undefined) {
  const all = [
    ...items,
    { ...BARE_WALL, w: width ?? 0, h: height ?? 0 },
    ...(items.length === 0 && !width ? [BARE_WALL] : []),
  ]
  return {
    x0: Math.min(...all.map(({ x }) => x)) - MARGIN,
    y0: Math.min(...all.map(({ y }) => y)) - MARGIN,
    x1: Math.max(...all.map(({ x, w }) => x + w)) + MARGIN,
    y1: Math.max(...all.map(({ y, h }) => y + h)) + MARGIN,
  }
}

function envelope({ id, x, y, w, h, clear, reach }: Unit): DrawnEnvelope {
  return {
    unitId: id,
    whole: reach === 'envelope',
    unit: { x, y, w, h },
    x: x - clear.left,
    y: y - clear.bottom,
    w: w + clear.left + clear.right,
    h: h + clear.top + clear.bottom,
  }
}

/** One line a gap: between two units it is drawn once, from the one that comes first. */
function dimensionsOf(
  items: readonly Item[],
  units: readonly { id: string; sides: SideResult[] }[],
): DimensionLine[] {
  const byId = new Map(items.map((item) => [item.id, item]))
  const drawn = new Set<string>()
  return units.flatMap(({ id, sides }) =>
    sides.flatMap((side): DimensionLine[] => {
      if (side.governing === null || side.measured === null) return []
      const key = [id, side.governing].sort().join('\n')
      const isBoundary = (BOUNDARIES as readonly string[]).includes(side.governing)
      if (!isBoundary && drawn.has(key)) return []
      drawn.add(key)
      return [lineFor(byId.get(id) as Unit, side, byId.get(side.governing))]
    }),
  )
}

function lineFor(
  unit: Unit,
  { side, measured, required, governing, verdict }: SideResult,
  other: Item | undefined,
): DimensionLine {
  const upright = side === 'top' || side === 'bottom'
  const middle = (start: number, size: number, otherStart?: number, otherSize?: number) =>
    otherStart === undefined
      ? start + size / 2
      : (Math.max(start, otherStart) + Math.min(start + size, otherStart + otherSize!)) / 2
  const at = upright ? middle(unit.x, unit.w, other?.x, other?.w) : middle(unit.y, unit.h, other?.y, other?.h)
  const edge = { left: unit.x, right: unit.x + unit.w, top: unit.y + unit.h, bottom: unit.y }[side]
  const far = edge + (side === 'left' || side === 'bottom' ? -measured! : measured!)
  const point = (along: number): Point2 => (upright ? { x: at, y: along } : { x: along, y: at })
  return {
    id: `${unit.id}/${side}`,
    unitId: unit.id,
    side,
    upright,
    verdict,
    required,
    from: point(edge),
    to: point(far),
    measured: measured!,
    governing: governing!,
    shortBy: Math.max(0, required - measured!),
    rule: other && ruleInForce(unit, side, other),
  }
}
