import { figureText, type Figure } from './figure.js'
import { formatInches, formatQuantity, nearestGauge } from './format.js'
import { canonicalUnit, isCustomary, type Dimension } from './units.js'
import { RichMessage, type Message } from './message.js'

export type System = 'metric' | 'us'

/** The unit of each system for the dimensions in which they differ. */
const UNITS_OF: Partial<Record<Dimension, Record<System, string>>> = {
  length: { metric: 'mm', us: 'in' },
  'cable-length': { metric: 'm', us: 'ft' },
  torque: { metric: 'N·m', us: 'in·lb' },
  'conductor-size': { metric: 'mm²', us: 'AWG' },
  mass: { metric: 'kg', us: 'lb' },
  temperature: { metric: '°C', us: '°F' },
}

/** A line break must not part a figure from its unit. */
const NO_BREAK = '\u00a0'
const kept = (text: string): string => text.replaceAll(' ', NO_BREAK)

/** Text for a reader of one system: behind each figure of the other one stands what it is in theirs, "at least 100 mm (3 15/16 in)". */
export function inBothSystems(said: Message, system: System): string {
  if (!(said instanceof RichMessage)) return said
  return said.parts.map((part) => (typeof part === 'string' ? part : inBoth(part, system))).join('')
}

/** A canonical value in the unit of the other system than its canonical one, "2.2 N·m" as "19.5 in·lb"; undefined where both have the same. */
export function inCustomary(value: number, dimension: Dimension): string | undefined {
  const units = UNITS_OF[dimension]
  return units && inUnit({ value, dimension, options: {} }, units.us)
}

function inBoth(figure: Figure, system: System): string {
  const own = figure.options.unit ?? canonicalUnit(figure.dimension)
  const units = UNITS_OF[figure.dimension]
  const isTheirs = (isCustomary({ name: own }) ? 'us' : 'metric') === system
  const text = kept(figureText(figure))
  return units && !isTheirs ? `${text} (${kept(inUnit(figure, units[system]))})` : text
}

function inUnit(
  { value, dimension, options: { difference = false } }: Pick<Figure, 'value' | 'dimension' | 'options'>,
  unit: string,
): string {
  if (dimension === 'length' && unit === 'in') return formatInches(value)
  // Metric sizes have no gauge of their own: the nearest one is named as such.
  if (unit === 'AWG' && !difference) return `about ${nearestGauge(value)} AWG`
  return `${formatQuantity(value, dimension, { unit, significant: 4, difference })}`
}
