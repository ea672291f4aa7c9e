import { BadInput } from '../shape/bad-input.js'
import { denominatorAt, fitProjectiveMap, type KnownPoint, type ProjectiveMap } from './projective-map.js'

/** The map of known points that a camera can have seen; bad input `too-few`, `degenerate` or `mispaired` at `points`. */
export function mapOf(points: readonly KnownPoint[]): ProjectiveMap {
  if (points.length < 4) throw new BadInput('too-few', 'points', 'needs at least four known points')
  if (!hasFourInGeneralPosition(points))
    throw new BadInput(
      'degenerate',
      'points',
      'needs four points of which no three lie in a line, neither in the photo nor on the wall',
    )
  const map = fitProjectiveMap(points)
  const signs = map ? points.map(({ px, py }) => Math.sign(denominatorAt(map, px, py))) : []
  if (!map || signs[0] === 0 || signs.some((sign) => sign !== signs[0]))
    throw new BadInput('mispaired', 'points', 'no camera sees a wall so: two points are exchanged')
  return map
}

const IN_LINE = 1e-9

function hasFourInGeneralPosition(points: readonly KnownPoint[]): boolean {
  const inLine = (a: KnownPoint, b: KnownPoint, c: KnownPoint) =>
    crossed(b.px - a.px, b.py - a.py, c.px - a.px, c.py - a.py) ||
    crossed(b.x - a.x, b.y - a.y, c.x - a.x, c.y - a.y)
  const found = (chosen: readonly KnownPoint[], from: number): boolean => {
    if (chosen.length === 4) return true
    for (let i = from; i < points.length; i++) {
      const next = points[i]!
      const fits = chosen.every((a, j) => chosen.slice(j + 1).every((b) => !inLine(a, b, next)))
      if (fits && found([...chosen, next], i + 1)) return true
    }
    return false
  }
  return found([], 0)
}

/** Parallel or of no length, by 1e-9 of the lengths. */
const crossed = (ax: number, ay: number, bx: number, by: number) =>
  Math.abs(ax * by - ay * bx) <= IN_LINE * Math.hypot(ax, ay) * Math.hypot(bx, by)
