import { insulation as insulationTest } from '../../dc/insulation.js'
import { countedUncertainty } from '../../verdict/decision.js'
import { megohms, volts } from '../../quantity/figure.js'
import { msg } from '../../quantity/message.js'
import { defineKind, requirementOf, withInstrument } from '../kind.js'
import { stringSubjects } from '../subjects.js'

/**
 * The insulation of each string against earth, by the standard's table; a reading below the required test
 * voltage can condemn, never clear.
 */
export const insulation = defineKind(requirementOf({}), {
  minutes: 4,
  reads: () => ['array', 'units'],
  expand: (_requirement, unit, _sheet, context) => stringSubjects(unit, context),
  ask: (requirement) => ({
    kind: 'reading',
    dimension: 'insulation',
    unit: 'MΩ',
    instrument: requirement.instrument ?? 'insulation-tester',
    conditions: ['testVoltage'],
    signed: false,
  }),
  required(_requirement, { string }) {
    if (!string) return ''
    const { requiredTestVoltage, minimum } = insulationTest({
      systemVoltage: string.count * string.module.voc,
      measured: { value: 0 },
    })
    return msg`at least ${megohms(minimum)} at ${volts(requiredTestVoltage)}`
  },
  judge(_requirement, { string }, evidence, { rule }) {
    if (evidence?.kind !== 'reading' || !string) return undefined
    const { testVoltage } = evidence.conditions
    const { verdict, minimum, requiredTestVoltage, working, notes } = insulationTest({
      systemVoltage: string.count * string.module.voc,
      ...(testVoltage !== undefined && { testVoltage }),
      measured: {
        value: Math.max(0, evidence.value),
        relation: evidence.relation,
        uncertainty: countedUncertainty(evidence.uncertainty, rule),
      },
    })
    const sure = withInstrument(verdict, evidence, megohms)
    return {
      verdict: sure.verdict,
      working,
      notes,
      finding: msg`${evidence.relation === '>' ? 'more than ' : ''}${megohms(evidence.value)} of at least ${megohms(minimum)}`,
      wanting:
        testVoltage === undefined || testVoltage < requiredTestVoltage
          ? msg`test at ${volts(requiredTestVoltage)}, and note the voltage`
          : sure.wanting,
    }
  },
})
