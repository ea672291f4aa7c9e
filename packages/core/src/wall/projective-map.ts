/** A point of a photo (px, py in pixels) whose place on the wall (x, y in mm) is known. */
export interface KnownPoint {
  px: number
  py: number
  x: number
  y: number
}

/** The map from photo to wall: eight numbers, in coordinates that are centred and scaled on both sides, where the ninth is 1. */
export interface ProjectiveMap {
  h: readonly number[]
  photo: Frame
  wall: Frame
}

interface Frame {
  x: number
  y: number
  scale: number
}

const frameOf = (points: readonly { x: number; y: number }[]): Frame => {
  const x = points.reduce((sum, p) => sum + p.x, 0) / points.length
  const y = points.reduce((sum, p) => sum + p.y, 0) / points.length
  const spread = points.reduce((sum, p) => sum + Math.hypot(p.x - x, p.y - y), 0) / points.length
  return { x, y, scale: spread / Math.SQRT2 }
}

/** Denominator of the map at a pixel. It has one sign at all that a camera sees of a wall. */
export const denominatorAt = ({ h, photo }: ProjectiveMap, px: number, py: number): number =>
  1 + (h[6]! * (px - photo.x)) / photo.scale + (h[7]! * (py - photo.y)) / photo.scale

/** Where a pixel lies on the wall, mm. */
export function onWall(map: ProjectiveMap, px: number, py: number): { x: number; y: number } {
  const { h, photo, wall } = map
  const u = (px - photo.x) / photo.scale
  const v = (py - photo.y) / photo.scale
  const below = denominatorAt(map, px, py)
  return {
    x: wall.x + (wall.scale * (h[0]! * u + h[1]! * v + h[2]!)) / below,
    y: wall.y + (wall.scale * (h[3]! * u + h[4]! * v + h[5]!)) / below,
  }
}

/**
 * The way back: where a place on the wall (mm) lies in the photo, and whether a camera at the known points' side of the horizon sees it.
 * Made once for a whole picture.
 */
export function backToPhoto({ h, photo, wall }: ProjectiveMap) {
  const [a, b, c, d, e, f, g, i] = h as [number, number, number, number, number, number, number, number]
  // The adjugate of the map's matrix, whose ninth number is 1: a projective map has no scale of its own.
  const back = [
    e - f * i,
    c * i - b,
    b * f - c * e,
    f * g - d,
    a - c * g,
    c * d - a * f,
    d * i - e * g,
    b * g - a * i,
    a * e - b * d,
  ]
  // The middle of the known points is seen, and lies at zero.
  const front = Math.sign(a * e - b * d)
  return (x: number, y: number): { px: number; py: number; seen: boolean } => {
    const u = (x - wall.x) / wall.scale
    const v = (y - wall.y) / wall.scale
    const below = back[6]! * u + back[7]! * v + back[8]!
    return {
      px: photo.x + (photo.scale * (back[0]! * u + back[1]! * v + back[2]!)) / below,
      py: photo.y + (photo.scale * (back[3]! * u + back[4]! * v + back[5]!)) / below,
      seen: Math.sign(below) === front,
    }
  }
}

/** Root of the mean squared distance, on the wall, of the known points from where the map puts them; mm. */
export const residualOf = (map: ProjectiveMap, points: readonly KnownPoint[]): number =>
  Math.sqrt(sumOfSquares(map, points) / points.length)

function sumOfSquares(map: ProjectiveMap, points: readonly KnownPoint[]): number {
  return points.reduce((sum, { px, py, x, y }) => {
    const at = onWall(map, px, py)
    return sum + (at.x - x) ** 2 + (at.y - y) ** 2
  }, 0)
}

/**
 * The projective map that brings the known points nearest to their places on the wall, in mm there: Gauss-Newton from a direct linear
 * solution in centred coordinates. The ninth number may be set to 1, since it is the mean of the denominators at the known points, which
 * is zero only when these have different signs. Undefined when no map comes out of it.
 */
export function fitProjectiveMap(points: readonly KnownPoint[]): ProjectiveMap | undefined {
  const photo = frameOf(points.map(({ px, py }) => ({ x: px, y: py })))
  const wall = frameOf(points)
  const h = linearStart(points, photo, wall)
  return h && refitProjectiveMap({ h, photo, wall }, points)
}

/** Rows of one point: its two coordinates on the wall are each linear in the eight numbers when multiplied by the denominator. */
function rowsOf({ px, py, x, y }: KnownPoint, photo: Frame, wall: Frame) {
  const u = (px - photo.x) / photo.scale
  const v = (py - photo.y) / photo.scale
  const a = (x - wall.x) / wall.scale
  const b = (y - wall.y) / wall.scale
  return { u, v, a, b }
}

function linearStart(points: readonly KnownPoint[], photo: Frame, wall: Frame): number[] | undefined {
  const normal = new NormalEquations()
  for (const point of points) {
    const { u, v, a, b } = rowsOf(point, photo, wall)
    normal.add([u, v, 1, 0, 0, 0, -u * a, -v * a], a)
    normal.add([0, 0, 0, u, v, 1, -u * b, -v * b], b)
  }
  return normal.solve()
}

const MOST_STEPS = 100
const SMALL_STEP = 1e-11

/** The best map for points that moved a little, starting from a map that was the best before. */
export function refitProjectiveMap(start: ProjectiveMap, points: readonly KnownPoint[]): ProjectiveMap {
  let map = start
  let cost = sumOfSquares(map, points)
  for (let taken = 0; taken < MOST_STEPS; taken++) {
    const step = gaussNewtonStep(map, points)
    if (!step) return map
    const next = shortened(map, step, points, cost)
    if (!next) return map
    map = next.map
    cost = next.cost
    if (next.size < SMALL_STEP) return map
  }
  return map
}

function gaussNewtonStep({ h, photo, wall }: ProjectiveMap, points: readonly KnownPoint[]) {
  const normal = new NormalEquations()
  for (const point of points) {
    const { u, v, a, b } = rowsOf(point, photo, wall)
    const below = 1 + h[6]! * u + h[7]! * v
    const x = (h[0]! * u + h[1]! * v + h[2]!) / below
    const y = (h[3]! * u + h[4]! * v + h[5]!) / below
    const [p, q, one] = [u / below, v / below, 1 / below]
    normal.add([p, q, one, 0, 0, 0, -p * x, -q * x], a - x)
    normal.add([0, 0, 0, p, q, one, -p * y, -q * y], b - y)
  }
  return normal.solve()
}

/** A step that would make the fit worse is halved until it does not: near a horizon a full one can overshoot. */
function shortened(map: ProjectiveMap, step: number[], points: readonly KnownPoint[], cost: number) {
  for (let share = 1; share > 1e-6; share /= 2) {
    const h = map.h.map((value, i) => value + share * step[i]!)
    const tried = { ...map, h }
    const worth = sumOfSquares(tried, points)
    if (worth <= cost) return { map: tried, cost: worth, size: share * Math.max(...step.map(Math.abs)) }
  }
  return undefined
}

const UNKNOWNS = 8

/** Least squares in eight unknowns by their normal equations: the coordinates are scaled, so that these are well conditioned. */
class NormalEquations {
  readonly #left = Array.from({ length: UNKNOWNS }, () => new Array<number>(UNKNOWNS).fill(0))
  readonly #right = new Array<number>(UNKNOWNS).fill(0)

  add(row: readonly number[], value: number): void {
    for (let i = 0; i < UNKNOWNS; i++) {
      this.#right[i]! += row[i]! * value
      for (let j = 0; j < UNKNOWNS; j++) this.#left[i]![j]! += row[i]! * row[j]!
    }
  }

  /** By elimination with pivots; undefined when no single solution exists. */
  solve(): number[] | undefined {
    const rows = this.#left.map((row, i) => [...row, this.#right[i]!])
    for (let i = 0; i < UNKNOWNS; i++) {
      const pivot = rows.slice(i).reduce((best, row) => (Math.abs(row[i]!) > Math.abs(best[i]!) ? row : best))
      if (!(Math.abs(pivot[i]!) > Number.EPSILON ** 2)) return undefined
      rows.splice(rows.indexOf(pivot), 1)
      rows.splice(i, 0, pivot)
      for (const row of rows.slice(i + 1)) {
        const times = row[i]! / pivot[i]!
        for (let j = i; j <= UNKNOWNS; j++) row[j]! -= times * pivot[j]!
      }
    }
    const solution = new Array<number>(UNKNOWNS).fill(0)
    for (let i = UNKNOWNS - 1; i >= 0; i--) {
      const known = solution.reduce((sum, value, j) => sum + rows[i]![j]! * value, 0)
      solution[i] = (rows[i]![UNKNOWNS]! - known) / rows[i]![i]!
    }
    return solution.every(Number.isFinite) ? solution : undefined
  }
}
