import type { EntryBodies } from '../../job/entries/registry.js'
import { inForce } from '../../job/state.js'
import { measures, type Instrument } from '../../instrument/instrument.js'
import { VERDICT_WORDS } from '../../verdict/verdict.js'
import type { Inspection } from '../../walk/inspect.js'
import { judgeTyped } from '../../walk/judge.js'
import { readCsv, type CsvColumn, type CsvMapping, type CsvRead, type CsvTable } from './table.js'

type Key = 'point' | 'typed' | 'instrument' | 'check' | 'place' | 'value' | 'unit' | 'verdict' | 'by' | 'at'

/** The first three are what comes in; the others say in words what left. */
export const READING_COLUMNS: readonly CsvColumn<Key>[] = [
  { key: 'point', header: 'point', alias: ['check id'], required: true },
  { key: 'typed', header: 'reading with its unit', alias: ['reading', 'value typed'], required: true },
  { key: 'instrument', header: 'instrument serial', alias: ['instrument', 'serial'] },
  { key: 'check', header: 'check' },
  { key: 'place', header: 'place' },
  { key: 'value', header: 'value in the canonical unit' },
  { key: 'unit', header: 'canonical unit' },
  { key: 'verdict', header: 'verdict' },
  { key: 'by', header: 'person' },
  { key: 'at', header: 'time (RFC 3339)' },
]

/** The reading in force at every point, with what it came to. */
export function readingsOut({ checks, state }: Inspection): CsvTable {
  const rows = checks.flatMap(({ check, outcome }) => {
    const last = inForce(state.evidence.get(check.point))
    if (check.ask.kind !== 'reading' || last?.kind !== 'reading') return []
    const { typed, value, unit, instrument } = last.body
    return [
      {
        point: check.point,
        typed,
        instrument: instrument?.serial ?? '',
        check: check.title,
        place: check.place,
        value: String(value),
        unit: check.ask.unit || unit,
        verdict: VERDICT_WORDS[outcome.verdict],
        by: last.by.name,
        at: last.at,
      },
    ]
  })
  return { columns: READING_COLUMNS, rows }
}

/** Readings of a file for the points, or the checks, that they name; each is read as if it were typed there. */
export function readingsIn(
  rows: readonly Record<string, string | undefined>[],
  mapping: CsvMapping,
  {
    inspection,
    instruments,
    decimal,
  }: { inspection: Inspection; instruments: readonly Instrument[]; decimal: 'point' | 'comma' },
): CsvRead<EntryBodies['reading']> {
  const seen = new Set<string>()
  return readCsv(rows, READING_COLUMNS, mapping, ({ point: named, typed, instrument: serial }, fault) => {
    const check = inspection.checks
      .map((judged) => judged.check)
      .find((one) => (one.point === named || one.id === named) && one.ask.kind === 'reading')
    if (!check || check.ask.kind !== 'reading')
      return fault('point', `no check asks for a reading at “${named}”`)
    const { point } = check
    if (seen.has(point)) return fault('point', 'is read in an earlier row already')
    seen.add(point)
    const instrument = instruments.find((one) => one.serial === serial || one.id === serial)
    if (serial !== '' && !instrument) return fault('instrument', `no instrument has the serial “${serial}”`)
    if (instrument && !measures(instrument, check.ask.dimension))
      return fault('instrument', `${instrument.name} does not measure that`)
    const read = judgeTyped(check, typed, { instrument, conditions: {} }, inspection.context, { decimal })
    if (!read.ok) return fault('typed', read.problem.message)
    const { value, unit, relation } = read.reading
    return {
      point,
      typed: read.reading.typed,
      value,
      unit,
      relation: relation ?? '=',
      ...(instrument && { instrument }),
    }
  })
}
