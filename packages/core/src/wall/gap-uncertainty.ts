import type { Axis } from './geometry.js'
import { X } from './geometry.js'

/** Expanded uncertainties of the edges of a thing that was not placed with the tape of its wall, mm; what is left out was. */
export interface EdgeUncertainty {
  across?: number | undefined
  up?: number | undefined
}

/**
 * Expanded uncertainty of a gap between two edges, mm. Each was read with the wall's tape, of which `ofTape` is that of such a gap, or was
 * placed otherwise and says how well. Source: independent errors add in squares.
 */
export function gapUncertaintyOf(
  axis: Axis,
  ofTape: number,
  one: EdgeUncertainty | undefined,
  other?: EdgeUncertainty | undefined,
): number {
  const name = axis === X ? 'across' : 'up'
  const [a, b] = [one?.[name], other?.[name]]
  if (a === undefined && b === undefined) return ofTape
  const byTape = ofTape / Math.SQRT2
  return Math.hypot(a ?? byTape, b ?? byTape)
}
