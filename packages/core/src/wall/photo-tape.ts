import { mm } from '../quantity/figure.js'
import { formatNumber } from '../quantity/phrases.js'
import { msg, type Message } from '../quantity/message.js'
import { attempt } from '../shape/attempt.js'
import { list, num, object, optional, type Read } from '../shape/shape.js'
import { mapOf } from './known-map.js'
import { expandedUncertainties, figureOf, type Pixel, type SeenFigure } from './photo-uncertainty.js'
import { denominatorAt, residualOf, type ProjectiveMap } from './projective-map.js'

const pixel = object({ px: num(), py: num() })
/** As in the calculator: a person who looks closely clicks within two pixels. */
export const CAREFUL_CLICK = 2

/** How a photo was made a tape: its size, the points whose places are known, and a length that is known beside them. */
export const photoSetUpShape = object({
  width: num({ sign: 'divisor', unit: 'px' }),
  height: num({ sign: 'divisor', unit: 'px' }),
  points: list(object({ px: num(), py: num(), x: num({ unit: 'mm' }), y: num({ unit: 'mm' }) }), {
    about: 'points of the photo whose places on the wall are known',
    mayBeEmpty: true,
    max: 100,
  }),
  check: object({ from: pixel, to: pixel, length: num({ unit: 'mm', sign: 'divisor' }) }),
  pointUncertainty: optional(
    num({ sign: 'magnitude', about: 'of every clicked coordinate, expanded, px' }),
    CAREFUL_CLICK,
  ),
  placeUncertainty: optional(
    num({ unit: 'mm', sign: 'magnitude', about: 'of every known place, expanded' }),
    0,
  ),
})
export type PhotoSetUp = Read<typeof photoSetUpShape>

/** Why a photo measures nothing, or not there. */
export type PhotoFault =
  | { code: 'no-map'; why: string }
  | { code: 'near-edge'; what: 'mark' | 'check' | 'click' }
  | { code: 'beyond-horizon' }
  | { code: 'check-off'; distance: number; length: number; tolerance: number }
  | { code: 'points-off'; residual: number; uncertainty: number }

export type PhotoTape =
  | { usable: true; map: ProjectiveMap; residual: number; check: CheckedLength; working: Message[] }
  | { usable: false; faults: PhotoFault[]; check?: CheckedLength }

export interface CheckedLength {
  /** As read off the photo, its expanded uncertainty, and how far it may be off what is known; mm. */
  distance: number
  uncertainty: number
  tolerance: number
}

/** What a lens may bend within the rim, as a share of the photo's diagonal, expanded: up to half a percent at the corners, most of which a map of four marks takes up. */
const LENS = 0.00025

/** A click and the lens together, px. */
const pointUncertaintyOf = ({ width, height, pointUncertainty }: PhotoSetUp): number =>
  Math.hypot(pointUncertainty, LENS * Math.hypot(width, height))

/** The outer tenth on each side, where a lens bends most. */
export const RIM = 0.1

export const insideFrame = (
  { px, py }: Pixel,
  { width, height }: Pick<PhotoSetUp, 'width' | 'height'>,
): boolean => px >= RIM * width && px <= (1 - RIM) * width && py >= RIM * height && py <= (1 - RIM) * height

/**
 * May lengths be read off this photo? Pixels and mm; uncertainties expanded (k = 2), of the clicks, the known places and the lens. Only when the known points make a map, they and the
 * check lie clear of the rim, the check length comes out as known within both uncertainties, and, with more than four points, these miss
 * their places by no more than the check's uncertainty. Nothing is thrown: what is in the way is answered.
 * Source: closing a survey on a length that is known.
 */
export function photoTape(setUp: PhotoSetUp): PhotoTape {
  const { points, check } = setUp
  const made = attempt(() => mapOf(points))
  if (!made.ok) return { usable: false, faults: [{ code: 'no-map', why: made.problem.message }] }
  const map = made.value
  const faults: PhotoFault[] = []
  if (!points.every((point) => insideFrame(point, setUp))) faults.push({ code: 'near-edge', what: 'mark' })
  if (![check.from, check.to].every((end) => insideFrame(end, setUp)))
    faults.push({ code: 'near-edge', what: 'check' })
  const read = readOff(setUp, map, lengthBetween(check.from, check.to))
  if (!read) return { usable: false, faults: [...faults, { code: 'beyond-horizon' }] }
  const checked = {
    distance: read.value,
    uncertainty: read.uncertainty,
    tolerance: Math.hypot(read.uncertainty, Math.SQRT2 * setUp.placeUncertainty),
  }
  if (Math.abs(checked.distance - check.length) > checked.tolerance)
    faults.push({
      code: 'check-off',
      distance: checked.distance,
      length: check.length,
      tolerance: checked.tolerance,
    })
  const residual = residualOf(map, points)
  if (points.length > 4 && residual > read.uncertainty)
    faults.push({ code: 'points-off', residual, uncertainty: read.uncertainty })
  if (faults.length > 0) return { usable: false, faults, check: checked }
  return { usable: true, map, residual, check: checked, working: workingOf(setUp, checked, residual) }
}

const workingOf = ({ points, check }: PhotoSetUp, checked: CheckedLength, residual: number): Message[] => [
  msg`${points.length} known points, fitted to ${mm(residual)} (root mean square)`,
  msg`check: ${mm(checked.distance)} ± ${formatNumber(checked.uncertainty)} mm read, ${mm(check.length)} known: agrees`,
]

/** A figure read off a photo, mm, with its expanded uncertainty. */
export interface ReadOff {
  value: number
  uncertainty: number
}

export const lengthBetween = (from: Pixel, to: Pixel): SeenFigure => ({
  clicks: [from, to],
  of: ([a, b]) => Math.hypot(b!.x - a!.x, b!.y - a!.y),
})

/** The figure and how well it is known; undefined where a click lies at or beyond the horizon of the wall. */
export function readOff(setUp: PhotoSetUp, map: ProjectiveMap, figure: SeenFigure): ReadOff | undefined {
  const front = Math.sign(denominatorAt(map, setUp.points[0]!.px, setUp.points[0]!.py))
  const seen = figure.clicks.every(({ px, py }) => Math.sign(denominatorAt(map, px, py)) === front)
  const value = seen ? figureOf(map, figure) : NaN
  const uncertainties = { ...setUp, pointUncertainty: pointUncertaintyOf(setUp) }
  const [uncertainty = NaN] = seen ? expandedUncertainties(map, setUp.points, [figure], uncertainties) : []
  return Number.isFinite(value) && Number.isFinite(uncertainty) ? { value, uncertainty } : undefined
}

export type MeasuredLength = { ok: true; length: ReadOff } | { ok: false; fault: PhotoFault }

/** The distance of two clicks; none where one lies at the rim of the photo or beyond the horizon. */
export function measuredOn(
  setUp: PhotoSetUp,
  tape: Extract<PhotoTape, { usable: true }>,
  from: Pixel,
  to: Pixel,
): MeasuredLength {
  if (![from, to].every((end) => insideFrame(end, setUp)))
    return { ok: false, fault: { code: 'near-edge', what: 'click' } }
  const length = readOff(setUp, tape.map, lengthBetween(from, to))
  return length ? { ok: true, length } : { ok: false, fault: { code: 'beyond-horizon' } }
}

/** A rectangle on the wall as two opposite corners show it: lower left corner and size, mm, each edge known to `across` or `up`. */
export interface SeenRectangle {
  x: number
  y: number
  w: number
  h: number
  across: number
  up: number
}

/** What stands between two clicked corners, whichever two they are; undefined where one lies at the rim or beyond the horizon. */
export function rectangleOn(
  setUp: PhotoSetUp,
  { map }: Extract<PhotoTape, { usable: true }>,
  one: Pixel,
  other: Pixel,
): SeenRectangle | undefined {
  if (![one, other].every((corner) => insideFrame(corner, setUp))) return undefined
  const edges = (['x', 'y'] as const).flatMap((axis) =>
    [one, other].map((click) => readOff(setUp, map, { clicks: [click], of: ([place]) => place![axis] })),
  )
  const [x1, x2, y1, y2] = edges
  if (!x1 || !x2 || !y1 || !y2 || x1.value === x2.value || y1.value === y2.value) return undefined
  return {
    x: Math.min(x1.value, x2.value),
    y: Math.min(y1.value, y2.value),
    w: Math.abs(x2.value - x1.value),
    h: Math.abs(y2.value - y1.value),
    across: Math.max(x1.uncertainty, x2.uncertainty),
    up: Math.max(y1.uncertainty, y2.uncertainty),
  }
}
