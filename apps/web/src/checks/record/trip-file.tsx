import { TRIP_COLUMNS, tripsIn, type Form } from '@plumb-mark/core'
import { CsvImport } from '../../ui/csv-import.js'
import { useDecimal } from '../../data/preferences.js'

/** The unit's own file of its self-test: it fills the fields, and whoever looked at them saves. */
export function TripFile({
  form,
  onRead,
}: {
  form: Extract<Form, { form: 'fields' }>
  onRead: (typed: Record<string, string>) => void
}) {
  const decimal = useDecimal()
  return (
    <CsvImport
      subject="rows"
      columns={TRIP_COLUMNS}
      words={{ button: 'From the unit’s file', file: 'Self-test file' }}
      read={(rows, mapping) => tripsIn(rows, mapping, form, decimal)}
      onTake={(rows) => {
        const values = Object.entries(Object.assign({}, ...rows) as (typeof rows)[number])
        onRead(Object.fromEntries(values.map(([id, { typed }]) => [id, typed])))
        return Promise.resolve(undefined)
      }}
    />
  )
}
