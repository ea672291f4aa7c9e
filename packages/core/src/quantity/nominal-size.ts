import { awgToMm2 } from './units.js'

/** mm², IEC 60228 */
const AREAS = [
  0.5, 0.75, 1, 1.5, 2.5, 4, 6, 10, 16, 25, 35, 50, 70, 95, 120, 150, 185, 240, 300, 400, 500, 630,
]
const SMALLEST_GAUGE = 22
const LARGEST_GAUGE = -3
const GAUGES = Array.from({ length: SMALLEST_GAUGE - LARGEST_GAUGE + 1 }, (_, i) =>
  awgToMm2(SMALLEST_GAUGE - i),
)

/** Tables round a gauge to two or three figures: 8 AWG is 8.3656 mm², and printed as 8.37. Two sizes that follow each other are a quarter apart. */
const ROUNDING = 0.005

/**
 * The size of conductor that a figure in mm² names: of a metric cable or a gauge, whichever is nearest; undefined where it is none that is
 * made. Sizes are names: 8.37 mm² and 8 AWG are one.
 */
export function nominalSize(area: number): number | undefined {
  const off = (size: number) => Math.abs(area / size - 1)
  const nearest = [...AREAS, ...GAUGES].reduce((best, size) => (off(size) < off(best) ? size : best))
  return off(nearest) <= ROUNDING ? nearest : undefined
}
