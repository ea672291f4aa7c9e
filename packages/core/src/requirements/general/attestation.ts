import { answered } from '../evidence-input.js'
import { text } from '../../shape/shape.js'
import { judged } from '../../verdict/verdict.js'
import { defineKind, requirementOf } from '../kind.js'
import { wholeUnit } from '../subjects.js'

/** A statement that a person makes under their own name, where nothing can be measured: the record keeps who and when. */
export const attestation = defineKind(requirementOf({ statement: text('in the first person') }), {
  minutes: 1,
  reads: () => [],
  expand: () => [wholeUnit],
  ask: ({ statement }) => ({ kind: 'record', form: 'statement', text: statement }),
  required: ({ statement }) => statement,
  judge({ statement }, _subject, evidence) {
    const answer = answered(evidence, 'statement')
    if (!answer) return undefined
    return {
      verdict: judged(answer.agreed),
      working: [`${statement} ${answer.agreed ? 'stated' : 'not stated'}`],
      notes: [],
      finding: answer.agreed ? 'stated' : 'could not be stated',
    }
  },
})
