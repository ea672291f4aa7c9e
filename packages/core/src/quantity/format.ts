import { UNITS, awgToMm2, type Dimension, type UnitDefinition } from './units.js'

export interface Formatting {
  unit?: string
  decimal?: 'point' | 'comma'
  /** Places after the decimal mark; `full` writes every digit that the value has. */
  decimals?: number | 'full'
  /** As many digits as an instrument has: large figures lose their decimals first. */
  significant?: number
  /** The value beside which it stands, canonical: a difference has no more decimals than what it is a difference of. */
  beside?: number
  /** A difference of two values has no zero of its own: 5 °C of it are 9 °F. */
  difference?: boolean
  /** Without its unit, where that is said elsewhere. */
  bare?: boolean
}

/** Names of the AWG sizes in their order, with their number in the formula. */
const GAUGES: readonly (readonly [string, number])[] = [
  ['4/0', -3],
  ['3/0', -2],
  ['2/0', -1],
  ['1/0', 0],
  ...Array.from({ length: 40 }, (_, i) => [String(i + 1), i + 1] as const),
]

/**
 * Writes a canonical value in any unit of its dimension, as a person would: "1.85 m", "21.2 in·lb". With `decimals: 'full'` the parser
 * gives the value back. An area that is a gauge can be written as one. An unknown unit falls back to the canonical one.
 */
export function formatQuantity(
  value: number,
  dimension: Dimension,
  {
    unit,
    decimal = 'point',
    decimals,
    significant,
    beside,
    difference = false,
    bare = false,
  }: Formatting = {},
): string {
  if (dimension === 'conductor-size' && unit === 'AWG' && !difference) {
    const gauge = gaugeOf(value)
    if (gauge) return `${gauge} AWG`
  }
  const definition: UnitDefinition =
    UNITS[dimension].find(({ name }) => name === unit) ?? UNITS[dimension][0]!
  const figure = (value - (difference ? 0 : (definition.offset ?? 0))) / definition.factor
  const places =
    significant === undefined
      ? definition.decimals
      : placesFor(
          beside === undefined ? figure : beside / definition.factor,
          definition.decimals,
          significant,
        )
  const text = decimals === 'full' ? plain(figure) : rounded(figure, decimals ?? places)
  const marked = decimal === 'comma' ? text.replace('.', ',') : text
  return `${marked.replace(/^-/, '−')}${bare || definition.name === '' ? '' : ` ${definition.name}`}`
}

/** Below 1 a figure may have one place more than usual; above, its digits are counted. */
function placesFor(figure: number, usual: number, significant: number): number {
  const size = Math.abs(figure)
  if (size < 1) return usual + 1
  return Math.max(0, Math.min(usual, significant - 1 - Math.floor(Math.log10(size))))
}

function rounded(figure: number, decimals: number): string {
  return String(Number(figure.toFixed(decimals)) || 0)
}

function plain(figure: number): string {
  return String(figure)
}

/** The gauge whose area lies nearest. */
export function nearestGauge(area: number): string {
  const off = (gauge: number) => Math.abs(Math.log(awgToMm2(gauge) / area))
  return GAUGES.reduce((best, one) => (off(one[1]) < off(best[1]) ? one : best))[0]
}

/** Tables round the area of a gauge; no metric size comes this near to one. */
const AREA_ROUNDING = 0.01

/** The gauge that an area is, as tables give it; undefined for a size of the other system. */
export function gaugeOf(area: number): string | undefined {
  const nearest = nearestGauge(area)
  const exact = awgToMm2(GAUGES.find(([name]) => name === nearest)![1])
  return Math.abs(area / exact - 1) <= AREA_ROUNDING ? nearest : undefined
}

/** Inches to the nearest sixteenth, as on a tape: 1851 mm → "72 7/8 in". */
export function formatInches(mm: number): string {
  const sixteenths = Math.round((Math.abs(mm) / 25.4) * 16)
  const whole = Math.floor(sixteenths / 16)
  const [top, bottom] = lowest(sixteenths % 16, 16)
  const fraction = top === 0 ? '' : `${top}/${bottom}`
  const figure = [whole > 0 || top === 0 ? String(whole) : '', fraction].filter(Boolean).join(' ')
  return `${mm < 0 && sixteenths > 0 ? '−' : ''}${figure} in`
}

function lowest(top: number, bottom: number): [number, number] {
  return top > 0 && top % 2 === 0 ? lowest(top / 2, bottom / 2) : [top, bottom]
}
