import type { Pixels } from '../source/boldness.js'

/** A picture in grey, a byte a dot, 0 is black. What is written above 255 or below 0 is that. */
export interface Grey {
  width: number
  height: number
  data: Uint8ClampedArray
}

/** The picture in grey, at most so many dots wide or high: more is no more legible, and takes longer. */
export function greyOf({ width, height, data }: Pixels, most: number): Grey {
  const scale = Math.min(1, most / Math.max(width, height))
  const [columns, rows] = [edges(width, scale), edges(height, scale)]
  const [w, h] = [columns.length - 1, rows.length - 1]
  const grey = new Uint8ClampedArray(w * h)
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      // The mean of the dots that fall together: skipping some would break thin strokes.
      let sum = 0
      for (let v = rows[y]!; v < rows[y + 1]!; v++)
        for (let u = columns[x]!; u < columns[x + 1]!; u++) {
          const at = 4 * (v * width + u)
          sum += 0.299 * data[at]! + 0.587 * data[at + 1]! + 0.114 * data[at + 2]!
        }
      grey[y * w + x] = sum / ((rows[y + 1]! - rows[y]!) * (columns[x + 1]! - columns[x]!))
    }
  return { width: w, height: h, data: grey }
}

/** Where the dots of a smaller picture begin and end in the larger one. */
const edges = (length: number, scale: number): number[] =>
  Array.from({ length: Math.round(length * scale) + 1 }, (_, i) => Math.min(length, Math.round(i / scale)))

/** Each dot against the light around it: what a lamp or a shadow does to a part of the plate is gone. */
export function flattened({ width, height, data }: Grey, reach = 24): Grey {
  const sums = integralOf({ width, height, data })
  const [columns, rows] = [spans(width, reach), spans(height, reach)]
  const flat = new Uint8ClampedArray(width * height)
  const w = width + 1
  for (let y = 0; y < height; y++) {
    const [y0, y1] = rows[y]!
    for (let x = 0; x < width; x++) {
      const [x0, x1] = columns[x]!
      const sum = sums[y1 * w + x1]! - sums[y0 * w + x1]! - sums[y1 * w + x0]! + sums[y0 * w + x0]!
      flat[y * width + x] = 128 + CONTRAST * (data[y * width + x]! - sum / ((x1 - x0) * (y1 - y0)))
    }
  }
  return { width, height, data: flat }
}
const CONTRAST = 2.2

const spans = (length: number, reach: number): [number, number][] =>
  Array.from({ length }, (_, i) => [Math.max(0, i - reach), Math.min(length, i + reach + 1)])

/** The sum of all dots above and to the left of each. */
function integralOf({ width, height, data }: Grey): Float64Array {
  const w = width + 1
  const sums = new Float64Array(w * (height + 1))
  for (let y = 1; y <= height; y++) {
    let row = 0
    for (let x = 1; x <= width; x++) {
      row += data[(y - 1) * width + x - 1]!
      sums[y * w + x] = sums[(y - 1) * w + x]! + row
    }
  }
  return sums
}

const mapped = ({ width, height, data }: Grey, value: (dot: number) => number): Grey => ({
  width,
  height,
  data: data.map(value),
})

/** Black and white: darker than its surroundings by more than noise is ink. */
export const inked = (grey: Grey): Grey => mapped(grey, (dot) => (dot < INK ? 0 : 255))
const INK = 92

/** Light print on a dark plate, the other way round. */
export const inverted = (grey: Grey): Grey => mapped(grey, (dot) => 255 - dot)

/** Ink dark on white, with soft edges: what is no darker than noise is paper. */
export const softened = (grey: Grey): Grey =>
  mapped(grey, (dot) => (255 * (dot - DARKEST)) / (INK + SOFT - DARKEST))
const DARKEST = 40
const SOFT = 26

/** Turned by an angle in degrees against the clock about its middle, and scaled; what comes from outside is white. */
export function turned({ width, height, data }: Grey, degrees: number, scale = 1): Grey {
  const [w, h] = [Math.round(width * scale), Math.round(height * scale)]
  const turn = (degrees * Math.PI) / 180
  const [cos, sin] = [Math.cos(turn) / scale, Math.sin(turn) / scale]
  const out = new Uint8ClampedArray(w * h).fill(255)
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      const [dx, dy] = [x - w / 2, y - h / 2]
      const u = width / 2 + dx * cos - dy * sin
      const v = height / 2 + dx * sin + dy * cos
      if (u < 0 || v < 0 || u >= width - 1 || v >= height - 1) continue
      const [i, j] = [u | 0, v | 0]
      const [p, q] = [u - i, v - j]
      const at = j * width + i
      out[y * w + x] =
        (1 - q) * ((1 - p) * data[at]! + p * data[at + 1]!) +
        q * ((1 - p) * data[at + width]! + p * data[at + width + 1]!)
    }
  return { width: w, height: h, data: out }
}

/** As a file that any reader of pictures takes (PGM). */
export function asFile({ width, height, data }: Grey): Uint8Array {
  const head = new TextEncoder().encode(`P5\n${width} ${height}\n255\n`)
  const file = new Uint8Array(head.length + data.length)
  file.set(head)
  file.set(data, head.length)
  return file
}
