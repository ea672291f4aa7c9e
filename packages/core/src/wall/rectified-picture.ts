import { RIM, type PhotoSetUp } from './photo-tape.js'
import { backToPhoto, denominatorAt, onWall, type ProjectiveMap } from './projective-map.js'

/** Pixels as a browser keeps them: red, green, blue and opacity of each, row by row from the top. */
export interface Raster {
  width: number
  height: number
  data: Uint8ClampedArray
}

/** A part of the wall, mm, y up. */
export interface WallWindow {
  x0: number
  y0: number
  x1: number
  y1: number
}

/** The part of the wall that lies clear of the rim of a photo; around the known points alone where the photo shows a horizon. */
export function windowSeen({ width, height, points }: PhotoSetUp, map: ProjectiveMap): WallWindow {
  const [left, right, top, bottom] = [RIM * width, (1 - RIM) * width, RIM * height, (1 - RIM) * height]
  const corners = [left, right].flatMap((px) => [top, bottom].map((py) => ({ px, py })))
  const front = Math.sign(denominatorAt(map, points[0]!.px, points[0]!.py))
  const whole = corners.every(({ px, py }) => Math.sign(denominatorAt(map, px, py)) === front)
  const places = whole ? corners.map(({ px, py }) => onWall(map, px, py)) : points
  return {
    x0: Math.min(...places.map(({ x }) => x)),
    y0: Math.min(...places.map(({ y }) => y)),
    x1: Math.max(...places.map(({ x }) => x)),
    y1: Math.max(...places.map(({ y }) => y)),
  }
}

/**
 * A photo as the wall would look from straight ahead: the window at `perPixel` mm, four neighbours blended. What the photo does not show
 * stays clear.
 */
export function rectifiedPicture(
  photo: Raster,
  map: ProjectiveMap,
  { x0, y0, x1, y1 }: WallWindow,
  perPixel: number,
): Raster {
  const inPhoto = backToPhoto(map)
  const width = Math.max(1, Math.round((x1 - x0) / perPixel))
  const height = Math.max(1, Math.round((y1 - y0) / perPixel))
  const data = new Uint8ClampedArray(4 * width * height)
  for (let row = 0; row < height; row++)
    for (let column = 0; column < width; column++) {
      const { px, py, seen } = inPhoto(x0 + (column + 0.5) * perPixel, y1 - (row + 0.5) * perPixel)
      if (seen) blend(photo, px, py, data, 4 * (row * width + column))
    }
  return { width, height, data }
}

function blend(
  { width, height, data }: Raster,
  x: number,
  y: number,
  into: Uint8ClampedArray,
  at: number,
): void {
  const [left, top] = [Math.floor(x - 0.5), Math.floor(y - 0.5)]
  if (!(left >= 0 && top >= 0 && left + 1 < width && top + 1 < height)) return
  const [right, down] = [x - 0.5 - left, y - 0.5 - top]
  const corner = 4 * (top * width + left)
  for (let channel = 0; channel < 4; channel++) {
    const upper = data[corner + channel]! * (1 - right) + data[corner + 4 + channel]! * right
    const below = corner + 4 * width + channel
    const lower = data[below]! * (1 - right) + data[below + 4]! * right
    into[at + channel] = upper * (1 - down) + lower * down
  }
}
