import { answered, type RecordInput } from '../evidence-input.js'
import { decision } from '../../verdict/decision.js'
import { quantity } from '../../quantity/quantity-field.js'
import { uncertaintyOf, vouching } from '../../instrument/instrument.js'
import { mm } from '../../quantity/figure.js'
import { msg, joinMessages } from '../../quantity/message.js'
import {
  list,
  object,
  optional,
  refine,
  requireRange,
  requireUniqueIds,
  text,
  join,
} from '../../shape/shape.js'
import { limitWords } from '../general/limits.js'
import { defineKind, requirementOf } from '../kind.js'

const range = (about: string) =>
  refine(
    object({ min: optional(quantity('length')), max: optional(quantity('length')) }, about),
    requireRange,
  )

/** Cable glands: the outer diameter of the cable lies in the range of the gland, which is another one with its inner ring than without. */
export const gland = defineKind(
  refine(
    requirementOf({
      glands: list(
        object({
          id: text(),
          label: text(),
          without: range('without the inner ring'),
          withRing: optional(range('with the inner ring')),
        }),
      ),
    }),
    ({ glands }, path) => requireUniqueIds(glands, join(path, 'glands')),
  ),
  {
    minutes: 2,
    reads: () => [],
    expand: ({ glands }) => glands.map(({ id, label }) => ({ kind: 'part', id, label })),
    ask: (requirement, { id }) => ({
      kind: 'record',
      form: 'fields',
      instrument: requirement.instrument ?? 'caliper',
      fields: [
        {
          id: 'diameter',
          label: 'outer diameter of the cable',
          required: '',
          dimension: 'length',
          unit: 'mm',
        },
        {
          id: 'ring',
          label: 'inner ring',
          required: ringWords(requirement.glands.find((one) => one.id === id)!),
          options: RING,
        },
      ],
    }),
    required: ({ glands }, { id }) => ringWords(glands.find((one) => one.id === id)!),
    judge({ glands }, { id }, evidence, { rule }) {
      const answer = answered(evidence, 'fields')
      const one = glands.find((of) => of.id === id)!
      const diameter = answer?.values['diameter']?.value
      const ring = ringSaid(answer?.values['ring']?.typed)
      if (!answer) return undefined
      if (diameter === undefined || ring === undefined)
        return {
          verdict: 'not-proven',
          working: [],
          notes: [],
          finding: 'not complete',
          wanting: 'measure the cable and look for the inner ring',
        }
      const limits = ring === 'fitted' ? (one.withRing ?? one.without) : one.without
      const instrument = vouching((evidence as RecordInput).instrument, 'length', diameter)
      const { verdict, margin, working } = decision(
        {
          value: diameter,
          uncertainty: uncertaintyOf(instrument, 'length', diameter),
          ...limits,
          rule,
        },
        { dimension: 'length' },
      )
      const otherFits = one.withRing && inside(diameter, ring === 'fitted' ? one.without : one.withRing)
      return {
        verdict: !instrument && verdict === 'conforms' ? 'not-proven' : verdict,
        working,
        notes:
          verdict !== 'conforms' && otherFits
            ? [ring === 'fitted' ? 'take the inner ring out' : 'put the inner ring in']
            : [],
        finding:
          margin < 0
            ? msg`${mm(diameter)} is outside ${limitWords(limits, 'length')} with the ring ${ring}`
            : msg`${mm(diameter)}, ring ${ring}`,
        wanting: instrument ? 'measure with a finer caliper' : 'name the caliper',
      }
    },
  },
)

type Limits = { min?: number | undefined; max?: number | undefined }
const inside = (value: number, { min = -Infinity, max = Infinity }: Limits) => value >= min && value <= max
const ringWords = ({ without, withRing }: { without: Limits; withRing?: Limits | undefined }) =>
  joinMessages(
    [
      withRing ? msg`${limitWords(withRing, 'length')} with the inner ring` : '',
      msg`${limitWords(without, 'length')} without it`,
    ],
    ', ',
  )

const RING = ['fitted', 'taken out'] as const

/** However it is written; anything else says nothing. */
const ringSaid = (typed: string | undefined): (typeof RING)[number] | undefined =>
  RING.find((one) => one === typed?.trim().toLowerCase())
