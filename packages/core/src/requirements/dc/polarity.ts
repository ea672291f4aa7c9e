import { decision } from '../../verdict/decision.js'
import { volts } from '../../quantity/figure.js'
import { msg } from '../../quantity/words.js'
import { defineKind, requirementOf, withInstrument } from '../kind.js'
import { stringSubjects } from '../subjects.js'

/** Plus on plus, proved with a meter: the sign of the voltage between the leads of each string. */
export const polarity = defineKind(requirementOf({}), {
  minutes: 1,
  reads: () => ['array', 'units'],
  expand: (_requirement, unit, _sheet, around) => stringSubjects(unit, around),
  ask: (requirement) => ({
    kind: 'reading',
    dimension: 'voltage',
    unit: 'V',
    instrument: requirement.instrument ?? 'multimeter',
    conditions: [],
    signed: true,
  }),
  required: () => 'red on plus, black on minus: a positive reading',
  judge(_requirement, _subject, given, { rule }) {
    if (given?.kind !== 'reading') return undefined
    const { verdict, working } = decision({
      value: given.value,
      relation: given.relation,
      uncertainty: given.uncertainty,
      min: 0,
      rule,
    })
    const sure = withInstrument(given.value === 0 ? 'not-proven' : verdict, given, volts)
    return {
      verdict: sure.verdict,
      working,
      notes: [],
      finding:
        given.value < 0
          ? msg`reversed: ${volts(given.value)}`
          : given.value === 0
            ? 'no voltage, so no sign'
            : 'plus on plus',
    }
  },
})
