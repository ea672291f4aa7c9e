import { formatInches, formatQuantity } from './format.js'
import { parseQuantity } from './parse.js'
import type { Dimension } from './units.js'

/** The unit of each system for the dimensions in which they differ; the first is metric. */
const PAIRS: readonly { dimension: Dimension; metric: string; us: string }[] = [
  { dimension: 'length', metric: 'mm', us: 'in' },
  { dimension: 'cable-length', metric: 'm', us: 'ft' },
  { dimension: 'torque', metric: 'N·m', us: 'in·lb' },
  { dimension: 'conductor-size', metric: 'mm²', us: 'AWG' },
  { dimension: 'mass', metric: 'kg', us: 'lb' },
  { dimension: 'temperature', metric: '°C', us: '°F' },
]
const UNITS_SAID = PAIRS.flatMap(({ metric, us }) => [metric, us]).sort((a, b) => b.length - a.length)
const FIGURE = new RegExp(
  `(?<![\\w./])([−-]?\\d+(?:\\.\\d+)?(?: \\d+/\\d+|/\\d+)?) (${UNITS_SAID.join('|')})(?![\\w²·/])`,
  'g',
)

/** A line break must not part a figure from its unit. */
const NO_BREAK = '\u00a0'

/**
 * Words with figures, for readers of one system: behind each figure of the other system stands what it is in theirs, "at least 100 mm
 * (3 15/16 in)". Where the words are about a difference, temperatures stay as they are: a difference in °C is another figure in °F.
 */
export function inBothSystems(
  words: string,
  system: 'metric' | 'us',
  { difference = false }: { difference?: boolean } = {},
): string {
  return words.replace(FIGURE, (whole, figure: string, unit: string) => {
    const kept = `${figure.replace(' ', NO_BREAK)}${NO_BREAK}${unit}`
    const pair = PAIRS.find((one) => one[system === 'us' ? 'metric' : 'us'] === unit)
    if (!pair || (difference && pair.dimension === 'temperature')) return kept
    const read = parseQuantity(whole, pair.dimension)
    return read.ok ? `${kept} (${said(read.quantity.value, pair, system).replaceAll(' ', NO_BREAK)})` : kept
  })
}

function said(
  value: number,
  { dimension, metric, us }: (typeof PAIRS)[number],
  system: 'metric' | 'us',
): string {
  if (system === 'metric') return formatQuantity(value, dimension, { unit: metric })
  if (dimension === 'length') return formatInches(value)
  // Metric sizes have no gauge of their own: the nearest one is named as such.
  return `${dimension === 'conductor-size' ? 'about ' : ''}${formatQuantity(value, dimension, { unit: us })}`
}
