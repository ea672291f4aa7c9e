import { decision } from '../../verdict/decision.js'
import { pointShape } from '../../device/point.js'
import { seconds } from '../../quantity/figure.js'
import { joinAnd, plural } from '../../quantity/phrases.js'
import { quantity } from '../../quantity/quantity-field.js'
import { joinMessages, msg, type Message } from '../../quantity/message.js'
import {
  list,
  object,
  oneOf,
  optional,
  refine,
  requireRange,
  requireUniqueIds,
  text,
  join,
  type Read,
} from '../../shape/shape.js'
import { BadInput } from '../../shape/bad-input.js'
import { parseQuantity } from '../../quantity/parse.js'
import type { JudgedVerdict } from '../../verdict/verdict.js'
import { worst } from '../../verdict/verdict.js'
import { limitWords } from '../general/limits.js'
import { answered } from '../evidence-input.js'
import { defineKind, requirementOf } from '../kind.js'
import { wholeUnit } from '../subjects.js'

const TRIPS_ON = ['voltage', 'frequency'] as const

const rowShape = refine(
  object({
    id: text(),
    label: text('as the unit or its file calls it'),
    dimension: oneOf(TRIPS_ON, 'what it trips on'),
    min: optional(text('lowest threshold, with its unit')),
    max: optional(text('highest threshold, with its unit')),
    within: quantity('time', 'it trips at the latest after'),
    from: optional(object({ threshold: pointShape, time: pointShape })),
  }),
  (row, path) => {
    const ends = { min: endOf(row, 'min', path), max: endOf(row, 'max', path) }
    requireRange(ends, path)
  },
)
type Row = Read<typeof rowShape>

function endOf(
  row: { dimension: (typeof TRIPS_ON)[number]; min?: string | undefined; max?: string | undefined },
  end: 'min' | 'max',
  path = '',
): number | undefined {
  const typed = row[end]
  if (typed === undefined) return undefined
  const parsed = parseQuantity(typed, row.dimension, { unitRequired: true })
  if (!parsed.ok) throw new BadInput('not-a-quantity', join(path, end), parsed.problem.message)
  return parsed.quantity.value
}

/** The fields of a row: where the unit let go, and how long it took. */
export const tripFields = ({ id }: Pick<Row, 'id'>) => ({ threshold: `${id}-at`, time: `${id}-in` })

/**
 * The self-test of the interface to the grid, as its code wants it: each threshold at which the unit lets go, and how long it takes, as they
 * must be and as they were found. What the unit or its file tells is taken as it stands; a row that is missing is not proven.
 */
export const selfTest = defineKind(
  refine(requirementOf({ rows: list(rowShape) }), ({ rows }, path) =>
    requireUniqueIds(rows, join(path, 'rows')),
  ),
  {
    minutes: 6,
    reads: () => [],
    expand: () => [wholeUnit],
    ask: ({ rows }) => ({
      kind: 'record',
      form: 'fields',
      trips: rows.map(({ id, label, dimension }) => ({ id, label, dimension, ...tripFields({ id }) })),
      fields: rows.flatMap((row) => {
        const { threshold, time } = tripFields(row)
        return [
          {
            id: threshold,
            label: `${row.label}, lets go at`,
            required: windowWords(row),
            dimension: row.dimension,
          },
          {
            id: time,
            label: `${row.label}, after`,
            required: msg`at most ${seconds(row.within)}`,
            dimension: 'time' as const,
          },
        ]
      }),
    }),
    required: ({ rows }) =>
      joinMessages(
        rows.map((row) => msg`${row.label} ${windowWords(row)} within ${seconds(row.within)}`),
        '; ',
      ),
    judge({ rows }, _subject, evidence) {
      const values = answered(evidence, 'fields')?.values
      if (!values) return undefined
      const judged = rows.map((row) => judgeRow(row, values))
      const wrong = judged.filter(({ verdict }) => verdict === 'does-not-conform')
      const open = judged.filter(({ verdict }) => verdict === 'not-proven')
      return {
        verdict: worst<JudgedVerdict>(['conforms', ...judged.map(({ verdict }) => verdict)]) as JudgedVerdict,
        working: judged.map(({ working }) => working),
        notes: [],
        finding:
          wrong.length > 0
            ? `${joinAnd(wrong.map(({ row }) => row.label))} not as the code wants it`
            : open.length > 0
              ? `${plural(open.length, 'row')} not read`
              : `${plural(rows.length, 'row')} as they must be`,
        wanting: `read ${joinAnd(open.map(({ row }) => row.label))}, threshold and time`,
      }
    },
  },
)

const windowWords = (row: Row): Message =>
  limitWords({ min: endOf(row, 'min'), max: endOf(row, 'max') }, row.dimension)

/** Setpoints and times of the unit's own test carry no instrument: they are what it says of itself. */
function judgeRow(row: Row, values: Readonly<Record<string, { value?: number | undefined } | undefined>>) {
  const names = tripFields(row)
  const [at, after] = [values[names.threshold]?.value, values[names.time]?.value]
  if (at === undefined || after === undefined)
    return { row, verdict: 'not-proven' as const, working: msg`${row.label}: not read` }
  const threshold = decision(
    { value: at, min: endOf(row, 'min'), max: endOf(row, 'max') },
    { dimension: row.dimension },
  )
  const time = decision({ value: after, min: 0, max: row.within }, { dimension: 'time' })
  return {
    row,
    verdict: worst([threshold.verdict, time.verdict]) as JudgedVerdict,
    working: joinMessages(
      [
        msg`${row.label}: `,
        ...threshold.working.slice(0, 1),
        msg`; after ${seconds(after)} of ${seconds(row.within)}`,
      ],
      '',
    ),
  }
}
