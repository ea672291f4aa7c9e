/** What a figure is about. Each dimension has one canonical unit, in which everything is computed and kept. */
export const DIMENSIONS = [
  'length',
  'cable-length',
  'conductor-size',
  'torque',
  'voltage',
  'current',
  'power',
  'reactive-power',
  'apparent-power',
  'resistance',
  'insulation',
  'temperature',
  'irradiance',
  'time',
  'mass',
  'force',
  'angle',
  'percent',
  'energy',
  'frequency',
  'count',
] as const
export type Dimension = (typeof DIMENSIONS)[number]

/** canonical = typed × factor + offset. `decimals`: how many places a reader wants in this unit. */
export interface UnitDefinition {
  name: string
  /** Other spellings; compared without regard to case unless the case tells units apart (mΩ from MΩ). */
  aliases: readonly string[]
  factor: number
  offset?: number
  decimals: number
}

const unit = (
  name: string,
  factor: number,
  decimals: number,
  aliases: readonly string[] = [],
  offset = 0,
): UnitDefinition => ({ name, factor, decimals, aliases, ...(offset && { offset }) })

const INCH = 25.4
const FOOT = 304.8
/** Standard gravity times the pound and the inch or foot, N·m (SI brochure; international yard and pound). */
const POUND_FORCE = 4.4482216152605
const POUND_INCH = (POUND_FORCE * INCH) / 1000
const POUND_FOOT = (POUND_FORCE * FOOT) / 1000

/** Torques are written either way round; the marks between the words say nothing. */
const POUND_WORDS = ['lb', 'lbs', 'lbf', 'pound', 'pounds'] as const
const both = (pounds: string, arms: readonly string[]) =>
  arms.flatMap((arm) => [`${arm}·${pounds}`, `${pounds}·${arm}`])

/** The first unit of each dimension is the canonical one. */
export const UNITS = {
  length: [
    unit('mm', 1, 1, ['millimetre', 'millimetres', 'millimeter', 'millimeters']),
    unit('cm', 10, 2, ['centimetre', 'centimetres', 'centimeter', 'centimeters']),
    unit('m', 1000, 3, ['metre', 'metres', 'meter', 'meters']),
    unit('in', INCH, 3, ['"', '″', '”', "''", 'inch', 'inches']),
    unit('ft', FOOT, 4, ["'", '′', '’', 'foot', 'feet']),
  ],
  'cable-length': [
    unit('m', 1, 2, ['metre', 'metres', 'meter', 'meters']),
    unit('mm', 0.001, 0),
    unit('cm', 0.01, 1),
    unit('km', 1000, 4),
    unit('ft', FOOT / 1000, 2, ["'", '′', '’', 'foot', 'feet']),
    unit('in', INCH / 1000, 1, ['"', '″', '”', "''", 'inch', 'inches']),
  ],
  'conductor-size': [
    unit('mm²', 1, 2, ['mm2', 'sqmm', 'mm^2', 'sq mm']),
    unit('kcmil', 0.506707479, 1, ['mcm']),
  ],
  torque: [
    unit('N·m', 1, 2, ['newton metre', 'newton metres', 'newton meter', 'newton meters']),
    unit('N·cm', 0.01, 1, ['newton centimetre', 'newton centimetres']),
    unit(
      'in·lb',
      POUND_INCH,
      1,
      POUND_WORDS.flatMap((lb) => both(lb, ['in', 'inch', 'inches'])),
    ),
    unit(
      'ft·lb',
      POUND_FOOT,
      2,
      POUND_WORDS.flatMap((lb) => both(lb, ['ft', 'foot', 'feet'])),
    ),
  ],
  voltage: [
    unit('V', 1, 2, ['volt', 'volts', 'vdc', 'vac', 'dcv', 'acv']),
    unit('mV', 0.001, 1),
    unit('kV', 1000, 4),
  ],
  current: [
    unit('A', 1, 2, ['amp', 'amps', 'ampere', 'amperes', 'adc', 'aac']),
    unit('mA', 0.001, 1),
    unit('kA', 1000, 4),
  ],
  power: [unit('W', 1, 1, ['watt', 'watts']), unit('kW', 1000, 3), unit('MW', 1e6, 6)],
  'reactive-power': [unit('var', 1, 1, ['vars']), unit('kvar', 1000, 3)],
  'apparent-power': [unit('VA', 1, 1), unit('kVA', 1000, 3)],
  resistance: [
    unit('Ω', 1, 3, ['ohm', 'ohms', 'r']),
    unit('mΩ', 0.001, 1, ['mohm', 'mohms', 'milliohm', 'milliohms']),
    unit('kΩ', 1000, 3, ['kohm', 'kohms']),
    unit('MΩ', 1e6, 3, ['Mohm', 'Mohms', 'megohm', 'megohms']),
  ],
  insulation: [
    unit('MΩ', 1, 2, ['Mohm', 'Mohms', 'megohm', 'megohms', 'meg', 'M']),
    unit('GΩ', 1000, 3, ['gohm', 'gohms', 'gigohm', 'G']),
    unit('kΩ', 0.001, 0, ['kohm', 'kohms', 'k']),
    unit('Ω', 1e-6, 0, ['ohm', 'ohms']),
  ],
  temperature: [
    unit('°C', 1, 1, ['c', 'degc', 'deg c', 'celsius', 'º c', '° c', 'ºc', '℃']),
    unit('°F', 5 / 9, 1, ['f', 'degf', 'deg f', 'fahrenheit', '° f', 'ºf', '℉'], -160 / 9),
    unit('K', 1, 2, ['kelvin'], -273.15),
  ],
  irradiance: [unit('W/m²', 1, 0, ['w/m2', 'w/sqm', 'w/m^2'])],
  time: [
    unit('s', 1, 1, ['sec', 'secs', 'second', 'seconds']),
    unit('min', 60, 2, ['mins', 'minute', 'minutes']),
    unit('h', 3600, 3, ['hr', 'hrs', 'hour', 'hours']),
    unit('ms', 0.001, 0, ['millisecond', 'milliseconds', 'msec']),
  ],
  mass: [
    unit('kg', 1, 2, ['kilogram', 'kilograms']),
    unit('g', 0.001, 0, ['gram', 'grams']),
    unit('lb', 0.45359237, 2, ['lbs', 'pound', 'pounds']),
  ],
  force: [unit('kN', 1, 3), unit('N', 0.001, 1, ['newton', 'newtons']), unit('lbf', POUND_FORCE / 1000, 1)],
  angle: [unit('°', 1, 1, ['deg', 'degree', 'degrees', 'º'])],
  percent: [unit('%', 1, 2, ['percent', 'per cent'])],
  energy: [unit('kWh', 1, 2), unit('Wh', 0.001, 0), unit('MWh', 1000, 4)],
  frequency: [unit('Hz', 1, 3, ['hertz'])],
  count: [unit('', 1, 0, ['pcs', 'pieces', 'off'])],
} satisfies Record<Dimension, readonly UnitDefinition[]>

export function canonicalUnit(dimension: Dimension): string {
  return UNITS[dimension][0]!.name
}

/** Area of an AWG size, mm². `gauge` is 4, 10, 0 for 1/0, −1 for 2/0 … Source: ASTM B258, diameter 0.127 mm × 92^((36 − n)/39). */
export function awgToMm2(gauge: number): number {
  const diameter = 0.127 * 92 ** ((36 - gauge) / 39)
  return (Math.PI / 4) * diameter * diameter
}

/** "10" → 10, "2/0" and "00" → −1, "4/0" → −3: the number that the AWG formula wants; undefined for anything else. */
export function awgGauge(name: string): number | undefined {
  const aught = /^([1-4])\/0$/.exec(name)
  if (aught) return 1 - Number(aught[1])
  if (/^0{1,4}$/.test(name)) return 1 - name.length
  return /^[1-9]\d?$/.test(name) && Number(name) <= 40 ? Number(name) : undefined
}

const GAUGE_AREAS = Array.from({ length: 44 }, (_, i) => awgToMm2(i - 3))

/** Was an area worked out from a gauge, to its last digit? One that was typed in mm² is rounded. */
export const isGauge = (mm2: number): boolean =>
  GAUGE_AREAS.some((area) => Math.abs(area - mm2) <= 1e-9 * area)

const CUSTOMARY = new Set(['in', 'ft', 'in·lb', 'ft·lb', 'AWG', 'kcmil', 'lb', 'lbf', '°F'])

/** Does a unit belong to the system of inches and pounds? */
export const isCustomary = ({ name }: Pick<UnitDefinition, 'name'>): boolean => CUSTOMARY.has(name)
