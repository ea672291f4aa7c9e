import { SLACK, type Forbidden, type Room, type Round } from './forbidden.js'

export interface Point {
  x: number
  y: number
}
export interface Placed extends Point {
  /** |dx| + |dy| from where the unit hangs now, mm. */
  travel: number
}

/** Every coordinate at which a least-travel position can lie, on either axis, besides those made by rounded corners. */
export interface Lines {
  xs: number[]
  ys: number[]
}

export function linesOf(present: Point, blocked: Forbidden, room: Room): Lines {
  const finite = (values: number[]) => [...new Set(values.filter(Number.isFinite))]
  const { rects, rounds } = blocked
  return {
    xs: finite([
      present.x,
      room.xMin,
      room.xMax,
      ...rects.flatMap((r) => [r.x0, r.x1]),
      ...rounds.flatMap((r) => [r.x0 - r.radius, r.x1 + r.radius]),
    ]),
    ys: finite([
      present.y,
      room.yMin,
      room.yMax,
      ...rects.flatMap((r) => [r.y0, r.y1]),
      ...rounds.flatMap((r) => [r.y0 - r.radius, r.y1 + r.radius]),
    ]),
  }
}

/** Points where a rounded corner crosses a line or another rounded corner. */
export function arcPoints({ rounds }: Forbidden, { xs, ys }: Lines): Point[] {
  return [
    ...rounds.flatMap((round) => crossings(round, xs, ys)),
    ...rounds.flatMap((a, i) => rounds.slice(i + 1).flatMap((b) => meetings(a, b))),
  ]
}

/** How far the rounded rectangle reaches across at a distance `off` beyond its straight edge. */
const bulge = (radius: number, off: number) => Math.sqrt(Math.max(0, radius * radius - off * off))

function crossings(r: Round, xs: number[], ys: number[]): Point[] {
  const points: Point[] = []
  for (const x of xs) {
    const off = Math.max(0, r.x0 - x, x - r.x1)
    if (off <= r.radius)
      points.push({ x, y: r.y0 - bulge(r.radius, off) }, { x, y: r.y1 + bulge(r.radius, off) })
  }
  for (const y of ys) {
    const off = Math.max(0, r.y0 - y, y - r.y1)
    if (off <= r.radius)
      points.push({ x: r.x0 - bulge(r.radius, off), y }, { x: r.x1 + bulge(r.radius, off), y })
  }
  return points
}

/** Where two rounded corners meet: circle against circle, about every pair of corners. */
function meetings(a: Round, b: Round): Point[] {
  return cornersOf(a).flatMap((p) => cornersOf(b).flatMap((q) => circlesMeet(p, a.radius, q, b.radius)))
}

const cornersOf = (r: Round): Point[] => [
  { x: r.x0, y: r.y0 },
  { x: r.x0, y: r.y1 },
  { x: r.x1, y: r.y0 },
  { x: r.x1, y: r.y1 },
]

function circlesMeet(p: Point, rp: number, q: Point, rq: number): Point[] {
  const d = Math.hypot(q.x - p.x, q.y - p.y)
  if (d === 0 || d > rp + rq || d < Math.abs(rp - rq)) return []
  const along = (rp * rp - rq * rq + d * d) / (2 * d)
  const aside = bulge(rp, along)
  const [ux, uy] = [(q.x - p.x) / d, (q.y - p.y) / d]
  const foot = { x: p.x + along * ux, y: p.y + along * uy }
  return [
    { x: foot.x - aside * uy, y: foot.y + aside * ux },
    { x: foot.x + aside * uy, y: foot.y - aside * ux },
  ]
}

/**
 * The free position nearest to the present one by |dx| + |dy|, or undefined when there is none below `bound`. Exact: at a least-travel
 * position, y is the present height, an edge of a forbidden region, or a height at which a rounded corner crosses an edge or another
 * rounded corner; for each such height the best x is found among the free stretches.
 */
export function nearestFree(
  present: Point,
  blocked: Forbidden,
  room: Room,
  bound = Infinity,
): Placed | undefined {
  const lines = linesOf(present, blocked, room)
  const heights =
    blocked.rounds.length === 0
      ? lines.ys
      : [...new Set([...lines.ys, ...arcPoints(blocked, lines).map(({ y }) => y)])]
  const ordered = heights
    .filter((y) => y >= room.yMin - SLACK && y <= room.yMax + SLACK && Math.abs(y - present.y) < bound)
    .sort((a, b) => Math.abs(a - present.y) - Math.abs(b - present.y))
  let best: Placed | undefined
  for (const y of ordered) {
    const up = Math.abs(y - present.y)
    if (up >= (best?.travel ?? bound)) break
    const x = nearestX(present.x, y, blocked, room)
    if (x === undefined) continue
    const travel = up + Math.abs(x - present.x)
    if (travel < (best?.travel ?? bound)) best = { x, y, travel }
  }
  return best
}

function nearestX(from: number, y: number, blocked: Forbidden, room: Room): number | undefined {
  const right = slide(Math.max(from, room.xMin), y, blocked, 1, room.xMax)
  const left = slide(Math.min(from, room.xMax), y, blocked, -1, room.xMin)
  const fits = (x: number) => x >= room.xMin - SLACK && x <= room.xMax + SLACK
  if (!fits(right)) return fits(left) ? left : undefined
  return fits(left) && Math.abs(left - from) < Math.abs(right - from) ? left : right
}

/** Slides out of what is blocked at this height, in one direction, until nothing blocks any more or the room ends. */
function slide(
  from: number,
  y: number,
  { rects, rounds }: Forbidden,
  direction: 1 | -1,
  end: number,
): number {
  let at = from
  for (let stuck = true; stuck && direction * (end - at) >= -SLACK;) {
    stuck = false
    for (const r of rects) {
      if (y > r.y0 + SLACK && y < r.y1 - SLACK && at > r.x0 + SLACK && at < r.x1 - SLACK) {
        at = direction === 1 ? r.x1 : r.x0
        stuck = true
      }
    }
    for (const r of rounds) {
      const off = Math.max(0, r.y0 - y, y - r.y1)
      if (off >= r.radius - SLACK) continue
      const reach = bulge(r.radius, off)
      if (at > r.x0 - reach + SLACK && at < r.x1 + reach - SLACK) {
        at = direction === 1 ? r.x1 + reach : r.x0 - reach
        stuck = true
      }
    }
  }
  return at
}
