import type { EntryBodies } from '../job/entries/registry.js'
import type { Condition } from '../answer/ask.js'
import { measures, type Instrument } from '../instrument/instrument.js'
import { habitsFor } from '../answer/typing.js'
import { parseQuantity } from '../quantity/parse.js'
import type { Dimension } from '../quantity/units.js'
import type { KindName } from '../requirements/kinds.js'
import type { JudgedCheck } from '../walk/check.js'

/** What a column of a tester's file can hold, and in which unit a bare figure is meant. */
export const TESTER_COLUMNS = {
  string: { label: 'string', dimension: undefined, unit: '' },
  voc: { label: 'open-circuit voltage', dimension: 'voltage', unit: 'V' },
  isc: { label: 'short-circuit current', dimension: 'current', unit: 'A' },
  insulation: { label: 'insulation', dimension: 'insulation', unit: 'MΩ' },
  testVoltage: { label: 'test voltage', dimension: 'voltage', unit: 'V' },
  cellTemperature: { label: 'cell temperature', dimension: 'temperature', unit: '°C' },
  irradiance: { label: 'light', dimension: 'irradiance', unit: 'W/m²' },
} as const satisfies Record<string, { label: string; dimension: Dimension | undefined; unit: string }>
export type TesterColumn = keyof typeof TESTER_COLUMNS

/** Which header of the file is which column. */
export type TesterMapping = Partial<Record<TesterColumn, string>>

export type TesterTable =
  | { ok: true; readings: EntryBodies['reading'][] }
  | { ok: false; faults: { row: number; column: string; reason: string }[] }

const READ_BY: readonly {
  column: 'voc' | 'isc' | 'insulation'
  kind: KindName
  conditions: readonly Condition[]
}[] = [
  { column: 'voc', kind: 'string-open-circuit', conditions: ['cellTemperature', 'irradiance'] },
  { column: 'isc', kind: 'string-short-circuit', conditions: ['irradiance'] },
  { column: 'insulation', kind: 'insulation', conditions: ['testVoltage'] },
]

/** A likely mapping by the words of the headers; what cannot be told stays open. */
export function guessMapping(headers: readonly string[]): TesterMapping {
  const words: Record<TesterColumn, RegExp> = {
    string: /string|name|label|circuit/i,
    voc: /voc|open.?circuit|^u\b/i,
    isc: /isc|short.?circuit|^i\b/i,
    insulation: /insul|riso|mohm|mω/i,
    testVoltage: /test.?v|uiso|u ?test/i,
    cellTemperature: /cell|temp|°c/i,
    irradiance: /irrad|light|w\/m/i,
  }
  const used = new Set<string>()
  const found: TesterMapping = {}
  for (const column of [
    'testVoltage',
    'isc',
    'voc',
    'string',
    'insulation',
    'cellTemperature',
    'irradiance',
  ] as const) {
    const header = headers.find((name) => !used.has(name) && words[column].test(name))
    if (header === undefined) continue
    found[column] = header
    used.add(header)
  }
  return found
}

/**
 * Reads the rows of a tester's file into readings of the strings they name. Every row is looked at; when one does not fit nothing is taken.
 * Rows count from 2, as a spreadsheet shows them. A bare figure is in the unit of its column; "> 999" is an inequality.
 * The instrument goes with the readings whose dimension it measures; the others are taken without one, and prove nothing yet.
 */
export function readTesterTable(
  rows: readonly Record<string, string | undefined>[],
  mapping: TesterMapping,
  checks: readonly JudgedCheck[],
  using: { instrument?: Instrument | undefined; decimal: 'point' | 'comma' },
): TesterTable {
  const byName = new Map<string, JudgedCheck[]>()
  for (const judged of checks) {
    const { string } = judged.check.subject
    if (!string || !READ_BY.some(({ kind }) => kind === judged.check.requirement.kind)) continue
    const name = plainName(string.label)
    byName.set(name, [...(byName.get(name) ?? []), judged])
  }
  const faults: { row: number; column: string; reason: string }[] = []
  const readings: EntryBodies['reading'][] = []
  const rowOf = new Map<string, number>()
  rows.forEach((row, i) => {
    const cell = (column: TesterColumn) =>
      mapping[column] === undefined ? '' : (row[mapping[column]]?.trim() ?? '')
    const fault = (column: TesterColumn, reason: string) =>
      void faults.push({ row: i + 2, column: mapping[column] ?? column, reason })
    const figure = (column: Exclude<TesterColumn, 'string'>) => {
      const { dimension, unit } = TESTER_COLUMNS[column]
      if (cell(column) === '') return undefined
      const parsed = parseQuantity(cell(column), dimension, {
        ...habitsFor({ dimension, unit, signed: column === 'voc' }, using.instrument),
        decimal: using.decimal,
      })
      if (!parsed.ok) fault(column, parsed.problem.message)
      return parsed.ok ? parsed.quantity : undefined
    }
    const known = byName.get(plainName(cell('string')))
    if (!known)
      return fault(
        'string',
        cell('string') === '' ? 'no string is named' : `no string is called “${cell('string')}”`,
      )
    if (new Set(known.map(({ check }) => `${check.unit.id} ${check.subject.id}`)).size > 1)
      return fault('string', `several strings are called “${cell('string')}”`)
    for (const { column, kind, conditions } of READ_BY) {
      const check = known.find((judged) => judged.check.requirement.kind === kind)?.check
      const read = figure(column)
      if (!read) continue
      if (!check) {
        fault(column, 'no check asks for it')
        continue
      }
      const before = rowOf.get(check.point)
      if (before !== undefined) {
        fault(column, `is read in row ${before} already`)
        continue
      }
      rowOf.set(check.point, i + 2)
      const noted = Object.fromEntries(
        conditions.flatMap((condition) => (figure(condition) ? [[condition, figure(condition)!.value]] : [])),
      )
      readings.push({
        point: check.point,
        typed: read.typed,
        value: read.value,
        unit: read.unit,
        relation: read.relation,
        ...(Object.keys(noted).length > 0 && { conditions: noted }),
        ...(using.instrument &&
          measures(using.instrument, TESTER_COLUMNS[column].dimension) && { instrument: using.instrument }),
      })
    }
  })
  if (rows.length === 0) faults.push({ row: 1, column: '', reason: 'no rows below the header' })
  return faults.length > 0 ? { ok: false, faults } : { ok: true, readings }
}

/** "String A" and "a" are one string. */
const plainName = (said: string): string =>
  said
    .trim()
    .toLowerCase()
    .replace(/^string\s+/, '')
