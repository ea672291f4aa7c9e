import { onWall, refitProjectiveMap, type KnownPoint, type ProjectiveMap } from './projective-map.js'

/** A place in a photo, in pixels from its upper left corner; y runs down. */
export interface Pixel {
  px: number
  py: number
}
/** A place on the wall, mm from its datum; y runs up. */
export interface Place {
  x: number
  y: number
}

/** A figure that is read off the wall at clicked pixels: a length, a height, an edge. */
export interface SeenFigure {
  clicks: readonly Pixel[]
  /** The figure, of the places at which the clicks lie on the wall. */
  of(places: readonly Place[]): number
}

export interface PhotoUncertainties {
  /** Of every clicked coordinate, expanded, px. */
  pointUncertainty: number
  /** Of every known place, expanded, mm. */
  placeUncertainty: number
}

/** Half the width of a central difference, in pixels or mm. */
const NUDGE = 0.01

export const figureOf = (map: ProjectiveMap, { clicks, of }: SeenFigure): number =>
  of(clicks.map(({ px, py }) => onWall(map, px, py)))

/**
 * Expanded uncertainties (k = 2) of figures read off one photo: to first order, from every click and every known place, the map fitted
 * anew to each. Source: JCGM 100, the law of propagation, by central differences.
 */
export function expandedUncertainties(
  map: ProjectiveMap,
  points: readonly KnownPoint[],
  figures: readonly SeenFigure[],
  { pointUncertainty, placeUncertainty }: PhotoUncertainties,
): number[] {
  const sums = figures.map((figure) => sumOfClicks(map, figure, pointUncertainty))
  const uncertain = { px: pointUncertainty, py: pointUncertainty, x: placeUncertainty, y: placeUncertainty }
  for (const [field, uncertainty] of Object.entries(uncertain) as [keyof KnownPoint, number][]) {
    if (uncertainty === 0) continue
    points.forEach((point, at) => {
      const fitted = (by: number) =>
        refitProjectiveMap(map, points.with(at, { ...point, [field]: point[field] + by }))
      const [less, more] = [fitted(-NUDGE), fitted(NUDGE)]
      figures.forEach((figure, i) => {
        const slope = (figureOf(more, figure) - figureOf(less, figure)) / (2 * NUDGE)
        sums[i]! += (slope * uncertainty) ** 2
      })
    })
  }
  return sums.map(Math.sqrt)
}

/** Sum of (slope × uncertainty)² over the clicks of the figure itself. */
function sumOfClicks(map: ProjectiveMap, figure: SeenFigure, uncertainty: number): number {
  return figure.clicks.reduce((sum, click, i) => {
    const slopes = (['px', 'py'] as const).map((field) => {
      const moved = (by: number) =>
        figureOf(map, { ...figure, clicks: figure.clicks.with(i, { ...click, [field]: click[field] + by }) })
      return (moved(NUDGE) - moved(-NUDGE)) / (2 * NUDGE)
    })
    return sum + slopes.reduce((all, slope) => all + (slope * uncertainty) ** 2, 0)
  }, 0)
}
