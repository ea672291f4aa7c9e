import { greyOf, inked, type Grey } from './grey.js'

/** Further than this nobody holds a telephone by mistake. */
const MOST_DEGREES = 20
/** Small enough to try many angles, large enough to tell lines apart. */
const SIDE = 420

/**
 * By how many degrees the print runs down to the right: the angle at which ink falls into the sharpest rows. Lines of print, rules and the edges
 * of the plate all speak for it.
 */
export function skewOf(grey: Grey): number {
  const small = smaller(grey)
  const dots: [x: number, y: number][] = []
  for (let y = 0; y < small.height; y++)
    for (let x = 0; x < small.width; x++)
      if (small.data[y * small.width + x] === 0) dots.push([x - small.width / 2, y - small.height / 2])
  const best = (from: number, to: number, step: number) => {
    let found = { degrees: 0, score: -1 }
    for (let degrees = from; degrees <= to + 1e-9; degrees += step) {
      const score = sharpness(dots, degrees, small)
      if (score > found.score) found = { degrees, score }
    }
    return found.degrees
  }
  const coarse = best(-MOST_DEGREES, MOST_DEGREES, 1)
  return best(coarse - 1, coarse + 1, 0.2)
}

function smaller(grey: Grey): Grey {
  const rgba = new Uint8Array(4 * grey.data.length)
  grey.data.forEach((value, i) => rgba.fill(value, 4 * i, 4 * i + 3))
  return inked(greyOf({ width: grey.width, height: grey.height, data: rgba }, SIDE))
}

/** How unevenly ink falls into rows that run at an angle. */
function sharpness(dots: readonly [number, number][], degrees: number, { width, height }: Grey): number {
  const turn = (degrees * Math.PI) / 180
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)]
  const reach = Math.ceil(Math.hypot(width, height) / 2)
  const rows = new Float64Array(2 * reach + 2)
  for (const [x, y] of dots) rows[(y * cos - x * sin + reach + 0.5) | 0]!++
  let score = 0
  for (let i = 1; i < rows.length; i++) score += (rows[i]! - rows[i - 1]!) ** 2
  return score
}
