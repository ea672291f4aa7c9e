import type { AnswerOf, Form, TripRow } from '../../answer/forms.js'
import { habitsFor } from '../../answer/typing.js'
import { parseQuantity } from '../../quantity/parse.js'
import { normaliseLabel } from '../../quantity/phrases.js'
import type { Dimension } from '../../quantity/units.js'
import { readCsv, type CsvColumn, type CsvMapping, type CsvRead } from './table.js'

type Key = 'test' | 'threshold' | 'time'

/** A unit's own file of its self-test: one row a test. A bare figure is in volts or hertz, as the test trips, and in seconds. */
export const TRIP_COLUMNS: readonly CsvColumn<Key>[] = [
  { key: 'test', header: 'test', alias: ['name', 'label', 'stage', 'protection'], required: true },
  { key: 'threshold', header: 'threshold, V or Hz', alias: ['threshold', 'value', 'trip value', 'setting'] },
  { key: 'time', header: 'time, s', alias: ['time', 'trip time', 'duration'] },
]

const BARE = { voltage: 'V', frequency: 'Hz', time: 's' } as const satisfies Partial<
  Record<Dimension, string>
>

const BARE_FIGURE = /^[\d\s.,’']+$/

/** What one row of the file fills in. */
export type TripValues = AnswerOf<'fields'>['values']

/**
 * Reads a self-test file into the fields of the check that asks for it. A row is known by the label or the id of the test, without case and
 * blanks. A cell that is empty leaves its field as not read, which proves nothing. A fault: a test that nobody asks for, or that stands twice.
 */
export function tripsIn(
  rows: readonly Record<string, string | undefined>[],
  mapping: CsvMapping,
  { trips = [], fields }: Extract<Form, { form: 'fields' }>,
  decimal: 'point' | 'comma',
): CsvRead<TripValues> {
  const seen = new Set<TripRow>()
  return readCsv(rows, TRIP_COLUMNS, mapping, (cells, fault) => {
    const row = trips.find(({ id, label }) =>
      [id, label].some((name) => normaliseLabel(name) === normaliseLabel(cells.test)),
    )
    if (!row) return fault('test', `no row of this check is called “${cells.test}”`)
    if (seen.has(row)) return fault('test', 'stands in an earlier row already')
    seen.add(row)
    const values: TripValues = {}
    for (const key of ['threshold', 'time'] as const) {
      const field = fields.find(({ id }) => id === row[key])
      if (!field || cells[key] === '') continue
      const dimension = key === 'time' ? 'time' : row.dimension
      const parsed = parseQuantity(cells[key], dimension, {
        ...habitsFor({ dimension, unit: BARE[dimension] }),
        decimal,
      })
      if (!parsed.ok) return fault(key, parsed.problem.message)
      if (parsed.quantity.relation !== '=') return fault(key, 'a figure without < or > is needed')
      const { typed, value } = parsed.quantity
      values[field.id] = { typed: BARE_FIGURE.test(typed) ? `${typed} ${BARE[dimension]}` : typed, value }
    }
    return values
  })
}
