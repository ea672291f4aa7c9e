/** A column of a table that leaves and comes in as CSV. Its header carries the unit. */
export interface CsvColumn<K extends string = string> {
  key: K
  header: string
  /** Other headers under which it may come, in lower case. */
  alias?: readonly string[]
  /** A row without it says nothing. */
  required?: boolean
}

export type CsvMapping<K extends string = string> = Partial<Record<K, string>>

export interface RowFault {
  /** From 2, as a spreadsheet shows it. */
  row: number
  column: string
  reason: string
}

export type CsvRead<T> = { ok: true; values: T[] } | { ok: false; faults: RowFault[] }

/** A table with what leaves in it: rows as text, ready for a file. */
export interface CsvTable {
  columns: readonly CsvColumn[]
  rows: readonly Readonly<Record<string, string>>[]
}

/** RFC 4180: a header row, lines that end in CR LF, quotes where they are needed; a cell that a spreadsheet would run as a formula is made plain text. */
export function csvText({ columns, rows }: CsvTable): string {
  const lines = [
    columns.map(({ header }) => header),
    ...rows.map((row) => columns.map(({ key }) => row[key] ?? '')),
  ]
  return lines.map((line) => line.map((cell) => quoted(neutral(cell))).join(',')).join('\r\n') + '\r\n'
}

/** A figure may begin with a sign; whatever else a spreadsheet would take for a formula gets an apostrophe before it. */
const neutral = (cell: string): string =>
  /^[=@\t\r]/.test(cell) || (/^[+-]/.test(cell) && !/^[+-]?[\d.,]+$/.test(cell)) ? `'${cell}` : cell

/** The apostrophe that was put before a formula when it left. */
const asEntered = (cell: string): string => (/^'[=@+\-\t\r]/.test(cell) ? cell.slice(1) : cell)

const quoted = (cell: string): string => (/[",\r\n]/.test(cell) ? `"${cell.replaceAll('"', '""')}"` : cell)

const plain = (header: string) => header.trim().toLowerCase()

/** Which header of a file is which column, as far as their words tell. */
export function guessColumns<K extends string>(
  headers: readonly string[],
  columns: readonly CsvColumn<K>[],
): CsvMapping<K> {
  const found: CsvMapping<K> = {}
  for (const { key, header, alias = [] } of columns) {
    const names = [plain(header), key.toLowerCase(), ...alias]
    const match = headers.find((one) => names.includes(plain(one)))
    if (match !== undefined) found[key] = match
  }
  return found
}

/**
 * Reads every row; when one does not fit nothing is taken, and each fault is told with its row and column. `readRow` is given the cells by
 * column, trimmed, absent ones as empty text, and says what is wrong by `fault`.
 */
export function readCsv<K extends string, T>(
  rows: readonly Readonly<Record<string, string | undefined>>[],
  columns: readonly CsvColumn<K>[],
  mapping: CsvMapping<K>,
  readRow: (
    cells: Readonly<Record<K, string>>,
    fault: (column: K, reason: string) => undefined,
  ) => T | undefined,
): CsvRead<T> {
  const faults: RowFault[] = []
  const values: T[] = []
  rows.forEach((row, i) => {
    const cells = Object.fromEntries(
      columns.map(({ key }) => [
        key,
        asEntered((mapping[key] === undefined ? '' : row[mapping[key]]) ?? '').trim(),
      ]),
    ) as Record<K, string>
    const before = faults.length
    const fault = (column: K, reason: string): undefined => {
      faults.push({ row: i + 2, column: mapping[column] ?? headerOf(columns, column), reason })
    }
    for (const { key, required } of columns) if (required && cells[key] === '') fault(key, 'is missing')
    if (faults.length > before) return
    const value = readRow(cells, fault)
    if (value !== undefined && faults.length === before) values.push(value)
  })
  if (rows.length === 0) faults.push({ row: 1, column: '', reason: 'no rows below the header' })
  return faults.length > 0 ? { ok: false, faults } : { ok: true, values }
}

const headerOf = (columns: readonly CsvColumn[], key: string) =>
  columns.find((column) => column.key === key)?.header ?? key
