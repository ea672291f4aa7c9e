import { oneOf, optional, text } from '../../verdict/shape.js'
import { defineKind, requirementOf } from './kind.js'
import { matching, stringSubjects, terminalFilterField, terminalSubject, wholeUnit } from './subjects.js'

/** Something seen and answered with yes or no: a tug that held, a label that is there. "Yes" conforms, so questions are put that way. */
export const observation = defineKind(
  requirementOf({
    question: text('answered yes when all is right'),
    each: optional(oneOf(['unit', 'terminal', 'string'] as const), 'unit'),
    where: terminalFilterField,
  }),
  {
    expand(requirement, unit, terminals, { strings }) {
      if (requirement.each === 'terminal') return matching(terminals, requirement.where).map(terminalSubject)
      if (requirement.each === 'string') return stringSubjects(unit, strings)
      return [wholeUnit]
    },
    ask: ({ question }) => ({ kind: 'observation', question }),
    required: ({ question }) => question,
    judge({ question }, _subject, given) {
      if (given?.kind !== 'observation') return undefined
      return { verdict: given.seen ? 'conforms' : 'does-not-conform', working: [`${question} ${given.seen ? 'yes' : 'no'}`], notes: [], finding: given.seen ? 'seen' : 'not so' }
    },
  },
)
