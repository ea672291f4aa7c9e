import { anyText, count, num, object, oneOf, optional, text, type Read } from '../shape/shape.js'
import type { TraceId } from '../ids/ids.js'

export const TRACE_SOURCES = ['live', 'file', 'typed'] as const

const range = object({ least: num(), most: num() })

/**
 * A trace that lies beside the record: its file by digest, when something happened in it, and what the samples say about one limit. The
 * file is judged whole where it is kept; here stands what came of it, with the figures by which it was judged. s from its begin.
 */
export const traceAnswerShape = object({
  trace: object({
    id: text<TraceId>(),
    sha256: text('SHA-256 of the file'),
    samples: count(),
    startedAt: text('RFC 3339'),
    source: oneOf(TRACE_SOURCES),
  }),
  channel: text('the column that was judged'),
  eventAt: num({ unit: 's' }),
  end: num({ unit: 's' }),
  /** When the device fell silent in the middle of it. */
  lostAt: optional(num({ unit: 's' })),
  by: object({
    limit: num(),
    tolerance: num({ sign: 'magnitude' }),
    settleWithin: num({ unit: 's', sign: 'magnitude' }),
    must: oneOf(['stay-under', 'stay-over'] as const),
    lookBack: optional(num({ unit: 's', sign: 'magnitude' })),
  }),
  found: object({
    settledAt: optional(num({ unit: 's', about: 'left out when it was over to the end' })),
    secondsOver: num({ unit: 's', sign: 'magnitude' }),
    peak: num(),
    seen: optional(
      object(
        {
          unit: anyText(),
          from: num({ unit: 's' }),
          widestGap: num({ unit: 's', sign: 'magnitude' }),
          before: range,
          ever: range,
        },
        'what the trace can show at all',
      ),
    ),
  }),
})
export type TraceAnswer = Read<typeof traceAnswerShape>
