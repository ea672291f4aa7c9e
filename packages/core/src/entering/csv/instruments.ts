import { CARRIED_INSTRUMENTS } from '../../instrument/instrument-kinds.js'
import { isStated, type Accuracy, type Instrument } from '../../instrument/instrument.js'
import { DIMENSIONS, type Dimension } from '../../quantity/units.js'
import { readCsv, type CsvColumn, type CsvMapping, type CsvRead, type CsvTable } from './table.js'

type Key = 'serial' | 'name' | 'kind' | 'until' | 'accuracy'

export const INSTRUMENT_COLUMNS: readonly CsvColumn<Key>[] = [
  { key: 'serial', header: 'serial', required: true },
  { key: 'name', header: 'name', required: true },
  { key: 'kind', header: 'kind', required: true },
  { key: 'until', header: 'calibrated until (YYYY-MM-DD)', alias: ['calibrated until'], required: true },
  {
    key: 'accuracy',
    header: 'accuracy (dimension percent% + constant, canonical unit)',
    alias: ['accuracy'],
  },
]

const said = ({ dimension, percent, plus, upTo }: Accuracy) =>
  `${dimension} ${percent}% + ${plus}${upTo === undefined ? '' : ` up to ${upTo}`}`

export function instrumentsOut(instruments: readonly Instrument[]): CsvTable {
  const rows = instruments.map(({ serial, name, kind, calibratedUntil, accuracy }) => ({
    serial,
    name,
    kind,
    until: calibratedUntil,
    accuracy: accuracy.map(said).join('; '),
  }))
  return { columns: INSTRUMENT_COLUMNS, rows }
}

const ACCURACY = /^([a-z-]+)\s+([\d.]+)\s*%\s*\+\s*([\d.]+)(?:\s+up to\s+([\d.]+))?$/

/** Instruments of a file: one of a serial that is known is written anew under its id. Ids come from outside. */
export function instrumentsIn(
  rows: readonly Record<string, string | undefined>[],
  mapping: CsvMapping,
  { known, newId }: { known: readonly Instrument[]; newId: () => string },
): CsvRead<Instrument> {
  return readCsv(rows, INSTRUMENT_COLUMNS, mapping, ({ serial, name, kind, until, accuracy }, fault) => {
    const listed = CARRIED_INSTRUMENTS.find((one) => one === kind)
    if (!listed) return fault('kind', `must be one of ${CARRIED_INSTRUMENTS.join(', ')}`)
    if (!/^\d{4}-\d{2}-\d{2}$/.test(until) || Number.isNaN(Date.parse(until)))
      return fault('until', 'must be a day, as in 2027-03-31')
    const read: Accuracy[] = []
    for (const text of accuracy
      .split(';')
      .map((one) => one.trim())
      .filter(Boolean)) {
      const [, dimension, percent, plus, upTo] = ACCURACY.exec(text) ?? []
      if (dimension === undefined || !(DIMENSIONS as readonly string[]).includes(dimension))
        return fault('accuracy', `“${text}” does not read as “voltage 0.5% + 0.1”`)
      if (!isStated({ percent: Number(percent), plus: Number(plus) }))
        return fault('accuracy', `“${text}” says no uncertainty: nothing measures without one`)
      read.push({
        dimension: dimension as Dimension,
        percent: Number(percent),
        plus: Number(plus),
        ...(upTo !== undefined && { upTo: Number(upTo) }),
      })
    }
    const before = known.find((one) => one.serial === serial)
    return { id: before?.id ?? newId(), name, kind: listed, serial, calibratedUntil: until, accuracy: read }
  })
}
