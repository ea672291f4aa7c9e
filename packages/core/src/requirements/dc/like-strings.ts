import { pointId } from '../../ids/check-id.js'
import type { StringInForce } from '../../as-built/strings-in-force.js'
import { uncertaintyOf, vouching } from '../../instrument/instrument.js'
import { median } from '../../dc/like-strings.js'
import { decision } from '../../verdict/decision.js'
import { formatNumber, joinAnd, plural } from '../../quantity/phrases.js'
import { volts } from '../../quantity/figure.js'
import { msg, type Message } from '../../quantity/message.js'
import { optional, percent, text } from '../../shape/shape.js'
import { worst, type JudgedVerdict } from '../../verdict/verdict.js'
import type { ReadingInput } from '../evidence-input.js'
import { defineKind, requirementOf } from '../kind.js'
import { ownStrings, wholeUnit } from '../subjects.js'
import { expected } from './string-open-circuit.js'

/**
 * Strings of one module read alike: each reading against its own expectation at its own temperature and irradiance, and that share against
 * the median of the like strings, over all units that read at the same point. The uncertainties of both readings count; a reading without
 * conditions or instrument, or over range, proves nothing.
 */
export const likeStringsKind = defineKind(
  requirementOf({
    reads: text('the point at which the strings are read'),
    tolerancePercent: optional(percent(), 2),
  }),
  {
    minutes: 1,
    reads: () => ['array', 'units', 'readings'],
    expand: () => [wholeUnit],
    ask: () => ({ kind: 'derived', from: 'array' }),
    required: ({ tolerancePercent }) => `within ${formatNumber(tolerancePercent)} % of like strings`,
    judge({ reads, tolerancePercent }, _subject, _given, context, unit) {
      const { strings, reading, rule } = context
      const own = ownStrings(unit, context)
      const kinds = new Set(own.map(({ module }) => module.name))
      const rows = strings().flatMap((string) => {
        const read = kinds.has(string.module.name)
          ? reading(pointId(string.unitId, reads, string.id))
          : undefined
        return read ? [{ string, ...shareOf(string, read) }] : []
      })
      const mine = rows.filter(({ string }) => own.includes(string))
      if (mine.length === 0) return undefined
      const judged = mine.map((row) => ({ row, ...compared(row, rows, tolerancePercent, rule) }))
      const off = judged.filter(({ verdict }) => verdict === 'does-not-conform')
      const unread = own.length - mine.length
      const verdict = worst<JudgedVerdict>([
        'conforms',
        ...judged.map((one) => one.verdict),
        ...(unread > 0 ? ['not-proven' as const] : []),
      ]) as JudgedVerdict
      const name = ({ row }: (typeof judged)[number]) => row.string.label || row.string.id
      return {
        verdict,
        working: judged.map(({ working }) => working),
        notes: [],
        finding:
          off.length > 0
            ? joinAnd(off.map((one) => `${name(one)} differs by ${formatNumber(one.percent ?? 0, 1)} %`))
            : verdict === 'conforms'
              ? `${plural(mine.length, 'string')} alike`
              : 'not enough is known to compare',
        wanting:
          unread > 0
            ? `read ${plural(unread, 'more string')}`
            : (judged.find(({ wanting }) => wanting)?.wanting ??
              'a string without a like one has nothing to be compared with'),
      }
    },
  },
)

interface Share {
  /** Read ÷ expected; undefined where the expectation or the reading says nothing. */
  share: number | undefined
  /** Of the share, expanded, from the meter. */
  uncertainty: number
  wanting: string | undefined
  said: Message
}

function shareOf(string: StringInForce, read: ReadingInput): Share {
  const expectation = expected(string, read)
  const instrument = vouching(read.instrument, 'voltage', read.value)
  const wanting = !expectation
    ? 'note cell temperature and irradiance of every string'
    : read.relation !== '='
      ? 'a reading over range is no voltage: read again'
      : !instrument
        ? 'choose the instrument of every reading'
        : string.doubt
  const usable = expectation !== undefined && read.relation === '=' && string.doubt === undefined
  return {
    share: usable ? read.value / expectation.expected : undefined,
    uncertainty: usable
      ? uncertaintyOf(instrument, 'voltage', read.value) / Math.abs(expectation.expected)
      : 0,
    wanting,
    said: expectation
      ? msg`${volts(read.value)} of ${volts(expectation.expected)} expected`
      : 'no expectation',
  }
}

function compared(
  row: Share & { string: StringInForce },
  rows: readonly (Share & { string: StringInForce })[],
  tolerance: number,
  rule: 'guarded' | 'simple',
): { verdict: JudgedVerdict; percent: number | undefined; working: Message; wanting: string | undefined } {
  const others = rows.filter(
    (one) => one !== row && one.share !== undefined && one.string.module.name === row.string.module.name,
  )
  if (row.share === undefined || others.length === 0)
    return {
      verdict: 'not-proven',
      percent: undefined,
      working: msg`${row.string.label}: ${row.said}`,
      wanting: row.wanting ?? others.find(({ wanting }) => wanting)?.wanting,
    }
  const middle = median(others.map(({ share }) => share!))
  const percent = (100 * (row.share - middle)) / Math.abs(middle || 1)
  const both = 100 * Math.hypot(row.uncertainty, Math.max(...others.map(({ uncertainty }) => uncertainty)))
  const { verdict } = decision({ value: percent, uncertainty: both, min: -tolerance, max: tolerance, rule })
  const wanting = [row, ...others].find((one) => one.wanting)?.wanting
  return {
    verdict: verdict === 'conforms' && wanting ? 'not-proven' : verdict,
    percent,
    working: msg`${row.string.label}: ${row.said}, ${formatNumber(percent, 1)} % from like strings ± ${formatNumber(both, 1)} %`,
    wanting: wanting ?? 'too near the limit for these meters: read with a finer one',
  }
}
