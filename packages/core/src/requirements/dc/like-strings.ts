import { pointId } from '../../ids/check-id.js'
import { likeStrings } from '../../dc/like-strings.js'
import { fig, listed, plural } from '../../quantity/say.js'
import { optional, percent, text } from '../../shape/shape.js'
import { defineKind, requirementOf } from '../kind.js'
import { wholeUnit } from '../subjects.js'

/**
 * Strings of one module read alike: each against the median of the like strings, per module, over all units
 * that read at the same point.
 */
export const likeStringsKind = defineKind(
  requirementOf({
    reads: text('the point at which the strings are read'),
    tolerancePercent: optional(percent(), 2),
  }),
  {
    minutes: 1,
    reads: () => ['array', 'readings'],
    expand: () => [wholeUnit],
    ask: () => ({ kind: 'derived', from: 'array' }),
    required: ({ tolerancePercent }) => `within ${fig(tolerancePercent)} % of like strings`,
    judge({ reads, tolerancePercent }, _subject, _given, { asBuilt, reading }, unit) {
      const own = asBuilt.strings.filter(({ unitId }) => unitId === unit.id)
      const kinds = new Set(own.map(({ module }) => module.name))
      const rows = asBuilt.strings.flatMap((string) => {
        const read = kinds.has(string.module.name)
          ? reading(pointId(string.unitId, reads, string.id))
          : undefined
        return read ? [{ id: string.label, voc: read.value, count: string.count }] : []
      })
      const mine = new Set(own.map(({ label }) => label))
      if (!rows.some(({ id }) => mine.has(id))) return undefined
      if (new Set(rows.map(({ id }) => id)).size !== rows.length)
        return {
          verdict: 'not-proven',
          working: [],
          notes: [],
          finding: 'two strings have one name',
          wanting: 'give every string a name of its own',
        }
      const { strings, working, notes } = likeStrings({ strings: rows, tolerancePercent })
      const ours = strings.filter(({ id }) => mine.has(id))
      const off = ours.filter(({ verdict }) => verdict === 'does-not-conform')
      const unread = own.length - ours.length
      return {
        verdict:
          off.length > 0
            ? 'does-not-conform'
            : unread > 0 || ours.some(({ verdict }) => verdict === 'not-proven')
              ? 'not-proven'
              : 'conforms',
        working,
        notes,
        finding:
          off.length > 0
            ? listed(
                off.map(
                  ({ id, differencePercent }) => `${id} differs by ${fig(differencePercent ?? 0, 1)} %`,
                ),
              )
            : `${plural(ours.length, 'string')} alike`,
        wanting:
          unread > 0
            ? `read ${plural(unread, 'more string')}`
            : 'a string without a like one has nothing to be compared with',
      }
    },
  },
)
