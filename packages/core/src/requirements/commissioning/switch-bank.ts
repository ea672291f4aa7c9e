import { answered } from '../evidence-input.js'
import { list, object, oneOf, refine, requireUniqueIds, text, join } from '../../shape/shape.js'
import { defineKind, requirementOf } from '../kind.js'
import { wholeUnit } from '../subjects.js'

/** Little switches that must stand as drawn. */
export const switchBank = defineKind(
  refine(
    requirementOf({
      switches: list(object({ id: text(), label: text(), position: oneOf(['on', 'off'] as const) })),
    }),
    ({ switches }, path) => requireUniqueIds(switches, join(path, 'switches')),
  ),
  {
    minutes: 2,
    reads: () => [],
    expand: () => [wholeUnit],
    ask: ({ switches }) => ({
      kind: 'record',
      form: 'switches',
      switches: switches.map(({ id, label, position }) => ({ id, label, hint: position })),
    }),
    required: ({ switches }) => switches.map(({ label, position }) => `${label} ${position}`).join(', '),
    judge({ switches }, _subject, evidence) {
      const answer = answered(evidence, 'switches')
      if (!answer) return undefined
      const wrong = switches.filter(
        ({ id, position }) => answer.positions[id] !== undefined && answer.positions[id] !== position,
      )
      const open = switches.filter(({ id }) => answer.positions[id] === undefined)
      return {
        verdict: wrong.length > 0 ? 'does-not-conform' : open.length > 0 ? 'not-proven' : 'conforms',
        working: switches.map(
          ({ id, label, position }) =>
            `${label}: must be ${position}, found ${answer.positions[id] ?? 'not looked at'}`,
        ),
        notes:
          wrong.length > 0
            ? ['many makers read the bank only at start: switch the unit off and on after a change']
            : [],
        finding:
          wrong.length > 0
            ? `${wrong.map(({ label }) => label).join(', ')} the wrong way`
            : open.length > 0
              ? `${open.length} not looked at`
              : 'as drawn',
        wanting: `look at ${open.map(({ label }) => label).join(', ')}`,
      }
    },
  },
)
