import { mm } from '../quantity/figure.js'
import { formatNumber } from '../quantity/phrases.js'
import { msg, type Message } from '../quantity/message.js'
import { BadInput } from '../shape/bad-input.js'
import { list, num, object, optional, requireUniqueIds, text } from '../shape/shape.js'
import type { Explained } from '../verdict/verdict.js'
import { mapOf } from './known-map.js'
import { denominatorAt, onWall, residualOf, type KnownPoint, type ProjectiveMap } from './projective-map.js'
import {
  expandedUncertainties,
  figureOf,
  type Pixel,
  type Place,
  type SeenFigure,
} from './photo-uncertainty.js'

const pixel = object({ px: num(), py: num() })
const MOST_POINTS = 100

export const photoMeasureInput = object({
  points: list(object({ px: num(), py: num(), x: num({ unit: 'mm' }), y: num({ unit: 'mm' }) }), {
    about: 'points of the photo whose places on the wall are known',
    mayBeEmpty: true,
    max: MOST_POINTS,
  }),
  measure: list(object({ id: text(), from: pixel, to: pixel }), { max: 1000 }),
  pointUncertainty: optional(
    num({ sign: 'magnitude', about: 'of every clicked coordinate, expanded, in pixels' }),
    2,
  ),
  placeUncertainty: optional(
    num({ unit: 'mm', sign: 'magnitude', about: 'of every known place, expanded' }),
    0,
  ),
})

interface Length {
  id: string
  from: Pixel
  to: Pixel
}
export interface PhotoMeasureInput {
  points: KnownPoint[]
  measure: Length[]
  pointUncertainty?: number | undefined
  placeUncertainty?: number | undefined
}
export interface PhotoMeasureResult extends Explained {
  /** mm */
  residual: number
  /** mm, in the order asked */
  distances: { id: string; distance: number; uncertainty: number }[]
}

/**
 * Distances on a flat wall read off one photograph, rectified by at least four points whose places are known. Pixels in the photo, mm on the wall;
 * uncertainties are expanded (k = 2), propagated to first order from every click and every known place. The residual is no part of them:
 * where it is larger, a known point is wrong or the lens bends lines, and the notes say so. It gives no verdict: a distance becomes a
 * reading whose instrument is the photo. Bad input: `too-few`, `degenerate` or `mispaired` at `points`, `no-length` at `measure[i]`,
 * `beyond-horizon` at its ends. Source: plane projective rectification, JCGM 100.
 */
export function photoMeasure(input: PhotoMeasureInput): PhotoMeasureResult {
  const { points, measure, pointUncertainty, placeUncertainty } = photoMeasureInput.read(input, '')
  requireUniqueIds(measure, 'measure')
  const map = mapOf(points)
  measure.forEach((length, i) => requireVisible(map, points, length, `measure[${i}]`))
  const residual = residualOf(map, points)
  const figures = measure.map(lengthOf)
  const uncertain = expandedUncertainties(map, points, figures, { pointUncertainty, placeUncertainty })
  const distances = measure.map(({ id }, i) => ({
    id,
    distance: figureOf(map, figures[i]!),
    uncertainty: uncertain[i]!,
  }))
  return {
    residual,
    distances,
    working: workingOf(points, residual, distances),
    notes: notesOf(residual, distances),
  }
}

function requireVisible(
  map: ProjectiveMap,
  points: readonly KnownPoint[],
  { from, to }: Length,
  path: string,
) {
  if (from.px === to.px && from.py === to.py)
    throw new BadInput('no-length', path, 'both ends are the same pixel')
  const front = Math.sign(denominatorAt(map, points[0]!.px, points[0]!.py))
  for (const [end, { px, py }] of Object.entries({ from, to })) {
    const { x, y } = onWall(map, px, py)
    const seen = Math.sign(denominatorAt(map, px, py)) === front && Number.isFinite(x) && Number.isFinite(y)
    if (!seen)
      throw new BadInput('beyond-horizon', `${path}.${end}`, 'lies at or beyond the horizon of the wall')
  }
}

const lengthOf = ({ from, to }: Length): SeenFigure => ({
  clicks: [from, to],
  of: ([a, b]) => apart(a!, b!),
})

const apart = (a: Place, b: Place): number => Math.hypot(b.x - a.x, b.y - a.y)

const workingOf = (
  points: readonly KnownPoint[],
  residual: number,
  distances: PhotoMeasureResult['distances'],
): Message[] => [
  msg`${points.length} known points, fitted to ${mm(residual)} (root mean square)`,
  ...distances.map(
    ({ id, distance, uncertainty }) => msg`${id}: ${mm(distance)} ± ${formatNumber(uncertainty)} mm`,
  ),
]

const notesOf = (residual: number, distances: PhotoMeasureResult['distances']): Message[] =>
  distances.some(({ uncertainty }) => residual > uncertainty && residual > 1e-6)
    ? [
        msg`the known points miss their places by ${mm(residual)}, more than a distance's uncertainty: a known point is wrong, or the lens bends lines`,
      ]
    : []
