import { answered } from '../evidence-input.js'
import { MOST_PASSES, sequence, type Violation } from '../../power-up/sequence.js'
import {
  count,
  list,
  num,
  object,
  optional,
  refine,
  requireUniqueIds,
  text,
  join,
} from '../../shape/shape.js'
import { plural } from '../../quantity/phrases.js'
import { defineKind, requirementOf } from '../kind.js'
import { wholeUnit } from '../subjects.js'

/** A cover whose bolts are tightened in an order, in one or more passes. `x` and `y` place them in the picture, 0 to 1. */
export const tighteningOrder = defineKind(
  refine(
    requirementOf({
      bolts: list(
        object({
          id: text(),
          label: text(),
          x: optional(num({ min: 0, max: 1 })),
          y: optional(num({ min: 0, max: 1 })),
        }),
        { about: 'in the order in which they are tightened' },
      ),
      passes: count(undefined, { max: MOST_PASSES }),
    }),
    ({ bolts }, path) => requireUniqueIds(bolts, join(path, 'bolts')),
  ),
  {
    minutes: 4,
    reads: () => [],
    expand: () => [wholeUnit],
    ask: ({ bolts, passes }) => ({ kind: 'record', form: 'order', items: bolts, passes }),
    required: ({ bolts, passes }) =>
      `${bolts.map(({ label }) => label).join(' · ')}, ${plural(passes, 'pass', 'passes')}`,
    judge({ bolts, passes }, _subject, evidence) {
      const answer = answered(evidence, 'order')
      if (!answer) return undefined
      const { verdict, violations, working, notes } = sequence({
        order: bolts.map(({ id }) => id),
        passes,
        recorded: answer.done,
      })
      return {
        verdict,
        working,
        notes,
        finding: violations[0] ? said(violations[0], bolts) : `in order, ${plural(passes, 'pass', 'passes')}`,
      }
    },
  },
)

function said(
  { kind, index, expected, found }: Violation,
  bolts: readonly { id: string; label: string }[],
): string {
  const name = (id: string | undefined) => bolts.find((bolt) => bolt.id === id)?.label ?? id ?? ''
  return kind === 'missing'
    ? `stopped before ${name(expected)}`
    : `bolt ${index! + 1} was ${name(found)}${expected ? `, not ${name(expected)}` : ', one too many'}`
}
