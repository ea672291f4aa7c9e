import { watts } from '../quantity/figure.js'
import { formatNumber } from '../quantity/phrases.js'
import { msg, type Message } from '../quantity/message.js'
import { BadInput } from '../shape/bad-input.js'
import { count, num, object, optional } from '../shape/shape.js'
import { atLeast } from '../verdict/compare.js'
import { uncertaintyField, verdictOf } from '../verdict/decision.js'
import type { Explained, JudgedVerdict } from '../verdict/verdict.js'

/** Below this light a ratio is weak evidence: W/m². */
const WEAK_LIGHT = 200

const share = (otherwise: number, about: string) =>
  optional(num({ sign: 'divisor', max: 1, about }), otherwise)

export const expectedPowerInput = object({
  module: object({
    pmax: num({ unit: 'W', sign: 'divisor', about: 'power of one module at standard test conditions' }),
    pmaxTempCoeff: num({
      unit: '%/K',
      min: -1 + 1e-9,
      max: 0,
      about: 'temperature coefficient of Pmax',
    }),
  }),
  count: count('modules'),
  conditions: object({
    cellTemperature: num({ unit: '°C' }),
    irradiance: num({ unit: 'W/m²', sign: 'magnitude' }),
  }),
  systemEfficiency: share(0.95, 'what cables, dirt and inverter leave of it'),
  measured: object({
    power: num({ unit: 'W', sign: 'magnitude' }),
    uncertainty: uncertaintyField('W'),
  }),
  modelUncertainty: optional(
    num({ sign: 'magnitude', about: 'of the expectation, expanded, as a share of it' }),
    0.05,
  ),
  minRatio: share(0.9, 'least share of the expectation that conforms'),
  inverterMax: optional(num({ unit: 'W', sign: 'magnitude', about: 'where the inverter clips' })),
})

export interface ExpectedPowerInput {
  module: { pmax: number; pmaxTempCoeff: number }
  count: number
  conditions: { cellTemperature: number; irradiance: number }
  systemEfficiency?: number | undefined
  measured: { power: number; uncertainty?: number | undefined }
  modelUncertainty?: number | undefined
  minRatio?: number | undefined
  inverterMax?: number | undefined
}
export interface ExpectedPowerResult extends Explained {
  /** W */
  expected: number
  /** power ÷ expected */
  ratio: number
  clipped: boolean
  /** W: what the reading must reach */
  least: number
  /** W: the reading's and the model's together */
  uncertainty: number
  verdict: JudgedVerdict
}

/**
 * Does an array bring the power that its modules, temperature and light promise? W, °C, W/m². The reading is judged, guarded, against
 * the least ratio with its own and the model's uncertainty. In weak light, or when it surely exceeds what the light can give, a reading
 * can condemn but never clear. Bad input: an expectation that is not positive (`not-positive` at `conditions`), a coefficient with a lost
 * minus sign. Source: linear module model, IEC 61724-1.
 */
export function expectedPower(input: ExpectedPowerInput): ExpectedPowerResult {
  const given = expectedPowerInput.read(input, '')
  const { module, count: modules, conditions, systemEfficiency, measured, inverterMax } = given
  const { cellTemperature, irradiance } = conditions
  const warmth = 1 + (module.pmaxTempCoeff / 100) * (cellTemperature - 25)
  const unclipped = modules * module.pmax * (irradiance / 1000) * warmth * systemEfficiency
  const expected = Math.min(unclipped, inverterMax ?? Infinity)
  if (expected <= 0)
    throw new BadInput('not-positive', 'conditions', 'promise no power: there is nothing to compare with')
  const clipped = inverterMax !== undefined && unclipped > inverterMax
  const uncertainty = Math.hypot(measured.uncertainty, given.modelUncertainty * expected)
  const least = given.minRatio * expected
  const beyondTheLight = !atLeast(expected, measured.power - uncertainty, measured.power)
  const weak = irradiance < WEAK_LIGHT
  const verdict = verdictOf(measured.power, uncertainty, least)
  const notes: Message[] = []
  if (clipped) notes.push("the reading shows the inverter's limit and hides what the array could bring")
  if (weak) notes.push(`below ${WEAK_LIGHT} W/m² the reading is weak evidence: repeat it in better light`)
  if (beyondTheLight)
    notes.push('more than the light can give: power, irradiance and temperature were not read together')
  return {
    expected,
    ratio: measured.power / expected,
    clipped,
    least,
    uncertainty,
    verdict: verdict === 'conforms' && (weak || beyondTheLight) ? 'not-proven' : verdict,
    working: [
      msg`${modules} × ${watts(module.pmax)} × ${formatNumber(irradiance)} ÷ 1000 × ${formatNumber(warmth, 4)} × ${formatNumber(systemEfficiency, 3)} = ${watts(unclipped)}`,
      ...(clipped ? [msg`the inverter gives no more than ${watts(inverterMax)}`] : []),
      msg`at least ${formatNumber(given.minRatio)} × ${watts(expected)} = ${watts(least)}; read ${watts(measured.power)}, uncertainty √(${formatNumber(measured.uncertainty)}² + ${formatNumber(given.modelUncertainty * expected)}²) = ${watts(uncertainty)}`,
    ],
    notes,
  }
}
