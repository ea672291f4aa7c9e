import { decision } from '../../verdict/decision.js'
import { volts } from '../../quantity/figure.js'
import { msg } from '../../quantity/message.js'
import { defineKind, requirementOf, withInstrument } from '../kind.js'
import { stringSubjects } from '../subjects.js'

/** Plus on plus, proved with a meter: the sign of the voltage between the leads of each string. */
export const polarity = defineKind(requirementOf({}), {
  minutes: 1,
  reads: () => ['array', 'units'],
  expand: (_requirement, unit, _sheet, context) => stringSubjects(unit, context),
  ask: (requirement) => ({
    kind: 'reading',
    dimension: 'voltage',
    unit: 'V',
    instrument: requirement.instrument ?? 'multimeter',
    conditions: [],
    signed: true,
  }),
  required: () => 'red on plus, black on minus: a positive reading',
  judge(_requirement, _subject, evidence, { rule }) {
    if (evidence?.kind !== 'reading') return undefined
    const { verdict, working } = decision({
      value: evidence.value,
      relation: evidence.relation,
      uncertainty: evidence.uncertainty,
      min: 0,
      rule,
    })
    const sure = withInstrument(evidence.value === 0 ? 'not-proven' : verdict, evidence, volts)
    return {
      verdict: sure.verdict,
      working,
      notes: [],
      finding:
        evidence.value < 0
          ? msg`reversed: ${volts(evidence.value)}`
          : evidence.value === 0
            ? 'no voltage, so no sign'
            : 'plus on plus',
    }
  },
})
