import { decision, relationField, uncertaintyField } from '../verdict/decision.js'
import { atMost } from '../verdict/compare.js'
import { megohms, volts } from '../quantity/figure.js'
import { msg } from '../quantity/message.js'
import { num, object, optional, type Read } from '../shape/shape.js'
import type { Explained, JudgedVerdict } from '../verdict/verdict.js'

export const insulationInput = object({
  systemVoltage: num({
    unit: 'V',
    sign: 'divisor',
    about: 'sum of the modules’ Voc at standard test conditions',
  }),
  testVoltage: optional(num({ unit: 'V', sign: 'magnitude' })),
  measured: object({
    value: num({ unit: 'MΩ', sign: 'magnitude' }),
    relation: relationField,
    uncertainty: uncertaintyField('MΩ'),
  }),
})

export interface InsulationInput {
  systemVoltage: number
  testVoltage?: number | undefined
  measured: Partial<Read<typeof insulationInput>['measured']> & { value: number }
}
export interface InsulationResult extends Explained {
  /** V */
  requiredTestVoltage: number
  /** MΩ */
  minimum: number
  verdict: JudgedVerdict
}

/** Up to and with `upTo` V (the first band: below it) test at `test` V and hold `minimum` MΩ. */
const BANDS = [
  { upTo: 500, test: 500, minimum: 1 },
  { upTo: 1000, test: 1000, minimum: 1 },
  { upTo: Infinity, test: 1500, minimum: 1 },
] as const

/**
 * Is the insulation of an array good enough for its voltage? Voltages in V, resistances in MΩ. A reading taken below the required
 * test voltage, or at one nobody wrote down, can condemn but never clear: `not-proven` at best.
 * Bad input: `not-positive` at `systemVoltage`, a negative resistance, and whatever `decision` refuses.
 * Source: the array insulation test of IEC 62446-1.
 */
export function insulation(input: InsulationInput): InsulationResult {
  const { systemVoltage, testVoltage, measured } = insulationInput.read(input, '')
  const { requiredTestVoltage, minimum } = bandFor(1.25 * systemVoltage)
  const { verdict } = decision({ ...measured, min: minimum })
  const provable = testVoltage !== undefined && atMost(requiredTestVoltage, testVoltage)
  const said = measured.relation === '=' ? '' : `${measured.relation} `
  return {
    requiredTestVoltage,
    minimum,
    verdict: verdict === 'conforms' && !provable ? 'not-proven' : verdict,
    working: [
      msg`1.25 × ${volts(systemVoltage)} = ${volts(1.25 * systemVoltage)}, so test at ${volts(requiredTestVoltage)} and hold at least ${megohms(minimum)}`,
      msg`tested at ${testVoltage === undefined ? 'a voltage not written down' : volts(testVoltage)}: ${said}${megohms(measured.value)}`,
    ],
    notes: [
      ...(provable ? [] : [msg`repeat at ${volts(requiredTestVoltage)}`]),
      'isolate the inverter and discharge the array after the test: the test voltage itself is dangerous',
    ],
  }
}

function bandFor(voltage: number) {
  if (voltage < 120 && !atMost(120, voltage)) return { requiredTestVoltage: 250, minimum: 0.5 }
  const { test, minimum } = BANDS.find(({ upTo }) => atMost(voltage, upTo))!
  return { requiredTestVoltage: test, minimum }
}
