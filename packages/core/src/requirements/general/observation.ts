import { num, object, optional, text } from '../../shape/shape.js'
import { defineKind, requirementOf } from '../kind.js'
import { READS_OF_EACH, eachField, subjectsOf, terminalFilterField } from '../subjects.js'

const share = () => num({ min: 0, max: 1 })

/** Something seen and answered with yes or no: a tug that held, a label that is there. "Yes" conforms, so questions are put that way. */
export const observation = defineKind(
  requirementOf({
    question: text('answered yes when all is right'),
    each: eachField,
    where: terminalFilterField,
    at: optional(
      object({ x: share(), y: share() }, 'where on the front of the unit: from its left, from its top'),
    ),
  }),
  {
    minutes: 1,
    reads: ({ each }) => READS_OF_EACH[each],
    expand: subjectsOf,
    ask: ({ question }) => ({ kind: 'observation', question }),
    required: ({ question }) => question,
    judge({ question }, _subject, evidence) {
      if (evidence?.kind !== 'observation') return undefined
      return {
        verdict: evidence.seen ? 'conforms' : 'does-not-conform',
        working: [`${question} ${evidence.seen ? 'yes' : 'no'}`],
        notes: [],
        finding: evidence.seen ? 'seen' : 'not so',
      }
    },
  },
)
