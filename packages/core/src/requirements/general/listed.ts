import { answered } from '../evidence-input.js'
import { list, refine, text } from '../../shape/shape.js'
import { BadInput } from '../../shape/bad-input.js'
import { judged } from '../../verdict/verdict.js'
import { joinOr } from '../../quantity/phrases.js'
import { defineKind, requirementOf } from '../kind.js'
import { READS_OF_EACH, eachField, subjectsOf, terminalFilterField } from '../subjects.js'

const shape = refine(
  requirementOf({
    question: text(),
    options: list(text(), { about: 'everything that may be found' }),
    allowed: list(text(), { about: 'what conforms, among the options' }),
    each: eachField,
    where: terminalFilterField,
  }),
  ({ options, allowed }, path) =>
    allowed.forEach((one, i) => {
      if (!options.includes(one))
        throw new BadInput('not-listed', `${path}.allowed[${i}]`, `"${one}" is not among the options`)
    }),
)

/** What was found must be on a list: a kind of protective device, of wall, of cable, of grid. */
export const listed = defineKind(shape, {
  minutes: 1,
  reads: ({ each }) => READS_OF_EACH[each],
  expand: subjectsOf,
  ask: ({ question, options }) => ({
    kind: 'record',
    form: 'choice',
    question,
    options: options.map((label) => ({ id: label, label })),
  }),
  required: ({ allowed }) => joinOr(allowed),
  judge({ allowed }, _subject, evidence) {
    const answer = answered(evidence, 'choice')
    if (!answer) return undefined
    return {
      verdict: judged(allowed.includes(answer.chosen)),
      working: [`found ${answer.chosen}; allowed ${allowed.join(', ')}`],
      notes: [],
      finding: `found ${answer.chosen}`,
    }
  },
})
