import { atMost, wholeBelow } from '../verdict/compare.js'
import { BadInput } from '../shape/bad-input.js'
import { Lazily } from '../verdict/lazily.js'
import { volts } from '../quantity/figure.js'
import { formatNumber } from '../quantity/phrases.js'
import { msg } from '../quantity/message.js'
import { count, num, object, oneOf, optional, type Read } from '../shape/shape.js'
import { judged, type Explained, type JudgedVerdict } from '../verdict/verdict.js'
import { vocField, vocTempCoeffField } from './module.js'

export const COLD_METHODS = ['coefficient', 'table'] as const

export const stringColdLimitInput = object({
  module: object({ voc: vocField, vocTempCoeff: optional(vocTempCoeffField) }),
  count: count('modules in series'),
  minTemperature: num({ unit: '°C', min: -273.15, about: 'of the coldest morning' }),
  inverterMax: num({ unit: 'V', sign: 'divisor', about: 'greatest DC voltage of the input' }),
  method: oneOf(COLD_METHODS),
})

export type StringColdLimitInput = Read<typeof stringColdLimitInput>
export interface StringColdLimitResult extends Explained {
  /** V */
  maxVoc: number
  factor: number
  /** The most modules in series that stay within the limit. */
  allowedCount: number
  verdict: JudgedVerdict
}

/** [coldest whole °C of the band, factor], warmest band first: correction factors for crystalline silicon. */
const FACTORS: readonly (readonly [number, number])[] = [
  [25, 1],
  [20, 1.02],
  [15, 1.04],
  [10, 1.06],
  [5, 1.08],
  [0, 1.1],
  [-5, 1.12],
  [-10, 1.14],
  [-15, 1.16],
  [-20, 1.18],
  [-25, 1.2],
  [-30, 1.21],
  [-35, 1.23],
  [-40, 1.25],
]

/**
 * Does a string stay within the inverter's voltage on the coldest morning? V, °C, %/K; the limit itself is allowed.
 * Two schools: the module's own coefficient, or the table by temperature when the coefficient is not known; between whole degrees the
 * table's colder band is taken. Bad input: below −40 °C with the table, no coefficient with the coefficient.
 * Source: IEC 62548 (coefficient); the correction table of the US installation code for crystalline silicon (table).
 */
export function stringColdLimit(input: StringColdLimitInput): StringColdLimitResult {
  const given = stringColdLimitInput.read(input, '')
  const { module, inverterMax } = given
  const { factor, working } = FACTOR_BY[given.method](given)
  const coldVoc = module.voc * factor
  const maxVoc = given.count * coldVoc
  const allowedCount = wholeBelow(inverterMax / coldVoc)
  return new ColdLimit(maxVoc, factor, allowedCount, judged(atMost(maxVoc, inverterMax)), () => ({
    working: [
      working(),
      msg`${given.count} × ${volts(module.voc)} × ${formatNumber(factor, 4)} = ${volts(maxVoc)}, limit ${volts(inverterMax)}`,
      msg`${volts(inverterMax)} ÷ ${volts(coldVoc)} = ${formatNumber(inverterMax / coldVoc)}, so at most ${allowedCount} in series`,
    ],
    notes:
      given.method === 'table'
        ? ['the table holds for crystalline silicon only; where the sheet states a coefficient, use that']
        : [],
  }))
}

class ColdLimit extends Lazily implements StringColdLimitResult {
  constructor(
    readonly maxVoc: number,
    readonly factor: number,
    readonly allowedCount: number,
    readonly verdict: JudgedVerdict,
    words: () => Explained,
  ) {
    super(words)
  }
}

const FACTOR_BY = { coefficient: byCoefficient, table: byTable } satisfies Record<
  (typeof COLD_METHODS)[number],
  (input: StringColdLimitInput) => { factor: number; working: () => string }
>

function byCoefficient({ module: { vocTempCoeff }, minTemperature }: StringColdLimitInput) {
  if (vocTempCoeff === undefined)
    throw new BadInput('missing', 'module.vocTempCoeff', 'is required by the coefficient method')
  const factor = 1 + (vocTempCoeff / 100) * (minTemperature - 25)
  if (factor <= 0)
    throw new BadInput(
      'out-of-range',
      'minTemperature',
      'leaves no voltage at all: check temperature and coefficient',
    )
  return {
    factor,
    working: () =>
      `factor 1 − ${formatNumber(-vocTempCoeff / 100, 5)} × (${formatNumber(minTemperature)} − 25) = ${formatNumber(factor, 4)}`,
  }
}

function byTable({ minTemperature }: StringColdLimitInput) {
  const band = FACTORS.find(([coldest]) => minTemperature >= coldest)
  if (!band)
    throw new BadInput(
      'out-of-range',
      'minTemperature',
      'the table ends at −40 °C: use the coefficient of the module',
    )
  return {
    factor: band[1],
    working: () => `table at ${formatNumber(minTemperature)} °C: factor ${formatNumber(band[1])}`,
  }
}
