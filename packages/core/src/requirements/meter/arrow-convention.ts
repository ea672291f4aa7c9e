import { answered } from '../evidence-input.js'
import { list, oneOf, optional, refine, text } from '../../shape/shape.js'
import { BadInput } from '../../shape/bad-input.js'
import { judged } from '../../verdict/verdict.js'
import { defineKind, requirementOf } from '../kind.js'

const MEANINGS = ['to-grid', 'to-loads', 'with-flow', 'letters'] as const

/** Which way the arrow of a transformer points, as this maker means it; or which letter faces the grid. One check a transformer. */
export const arrowConvention = defineKind(
  refine(
    requirementOf({
      means: oneOf(MEANINGS),
      flow: optional(
        oneOf(['import', 'export'] as const, 'which flow the arrow follows, when it goes with the flow'),
      ),
      gridLetter: optional(text('the letter that faces the grid')),
      loadLetter: optional(text('the letter that faces the loads')),
      transformers: list(text('where each sits: L1, L2, L3')),
    }),
    ({ means, flow, gridLetter, loadLetter }, path) => {
      if (means === 'with-flow' && !flow)
        throw new BadInput('missing', `${path}.flow`, 'is required when the arrow goes with the flow')
      if (means === 'letters' && !(gridLetter && loadLetter))
        throw new BadInput(
          'missing',
          `${path}.gridLetter`,
          'and loadLetter are required when letters stand for the arrow',
        )
    },
  ),
  {
    minutes: 2,
    reads: () => [],
    expand: ({ transformers }) =>
      transformers.map((label) => ({
        kind: 'part',
        id: idAmong(transformers, label),
        label: `transformer ${label}`,
      })),
    ask: (requirement) => ({
      kind: 'record',
      form: 'choice',
      question:
        requirement.means === 'letters' ? 'Which letter faces the grid?' : 'Which way does the arrow point?',
      options:
        requirement.means === 'letters'
          ? [
              { id: 'grid', label: `${requirement.gridLetter} faces the grid` },
              { id: 'loads', label: `${requirement.loadLetter} faces the grid` },
            ]
          : [
              { id: 'grid', label: 'towards the grid' },
              { id: 'loads', label: 'towards the loads' },
            ],
    }),
    required: (requirement) => WORDS[requirement.means](requirement),
    judge(requirement, _subject, evidence) {
      const answer = answered(evidence, 'choice')
      if (!answer) return undefined
      const right = answer.chosen === arrowTowards(requirement)
      return {
        verdict: judged(right),
        working: [WORDS[requirement.means](requirement)],
        notes: ['the arrow is only half the proof: the electrical proof by a known load decides'],
        finding: right ? 'as this maker means it' : 'turned round',
      }
    },
  },
)

interface Arrow {
  means: (typeof MEANINGS)[number]
  flow?: 'import' | 'export' | undefined
  gridLetter?: string | undefined
}

/** An import flows from the grid to the loads, so an arrow that goes with it points to the loads. */
export const arrowTowards = ({ means, flow }: Arrow): 'grid' | 'loads' =>
  means === 'to-loads' || (means === 'with-flow' && flow === 'import') ? 'loads' : 'grid'

const WORDS = {
  'to-grid': () => 'arrow towards the grid',
  'to-loads': () => 'arrow towards the loads',
  'with-flow': ({ flow }) =>
    flow === 'import'
      ? 'arrow with the imported current, towards the loads'
      : 'arrow with the exported current, towards the grid',
  letters: ({ gridLetter }) => `${gridLetter} towards the grid`,
} satisfies Record<Arrow['means'], (arrow: Arrow) => string>

/** The label as an id. Two that differ by a sign alone, such as T+ and T−, have ids of their own. */
function idAmong(labels: readonly string[], label: string): string {
  const plain = (said: string) => said.toLowerCase().replace(/[^a-z0-9]+/g, '-')
  const alike = labels.filter((one) => plain(one) === plain(label))
  if (alike.length < 2) return plain(label)
  return label.toLowerCase().replace(/[^a-z0-9]/g, (sign) => `-${sign.codePointAt(0)!.toString(16)}`)
}
