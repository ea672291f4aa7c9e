import { answered } from '../evidence-input.js'
import {
  count as pieces,
  list,
  object,
  optional,
  refine,
  requireUniqueIds,
  text,
  join,
} from '../../shape/shape.js'
import { atLeast } from '../../verdict/compare.js'
import { formatNumber, plural } from '../../quantity/phrases.js'
import { judged } from '../../verdict/verdict.js'
import { defineKind, requirementOf } from '../kind.js'
import { wholeUnit } from '../subjects.js'

/** Things that must be there in number: accessories in the box, covers, caps. More than asked for is no fault. */
export const counts = defineKind(
  refine(
    requirementOf({
      items: list(
        object({
          id: text(),
          label: text(),
          count: pieces(),
          spare: optional(text('what to do when one is short')),
        }),
      ),
    }),
    ({ items }, path) => requireUniqueIds(items, join(path, 'items')),
  ),
  {
    minutes: 3,
    reads: () => [],
    expand: () => [wholeUnit],
    ask: ({ items }) => ({
      kind: 'record',
      form: 'fields',
      fields: items.map(({ id, label, count }) => ({
        id,
        label,
        required: formatNumber(count),
        dimension: 'count',
      })),
    }),
    required: ({ items }) => items.map(({ label, count }) => `${formatNumber(count)} × ${label}`).join(', '),
    judge({ items }, _subject, evidence) {
      const answer = answered(evidence, 'fields')
      if (!answer) return undefined
      const rows = items.map((item) => ({ item, found: answer.values[item.id]?.value }))
      const short = rows.filter(({ item, found }) => found !== undefined && !atLeast(found, item.count))
      const open = rows.filter(({ found }) => found === undefined)
      return {
        verdict: short.length > 0 ? judged(false) : open.length > 0 ? 'not-proven' : 'conforms',
        working: rows.map(
          ({ item, found }) =>
            `${item.label}: ${found === undefined ? 'not counted' : formatNumber(found)} of ${formatNumber(item.count)}`,
        ),
        notes: short.flatMap(({ item }) => (item.spare ? [item.spare] : [])),
        finding:
          short.length > 0
            ? short
                .map(({ item, found }) => `${plural(item.count - found!, 'piece')} of ${item.label} short`)
                .join(', ')
            : open.length > 0
              ? `${open.length} not counted yet`
              : 'complete',
        wanting: `count ${open.map(({ item }) => item.label).join(', ')}`,
      }
    },
  },
)
