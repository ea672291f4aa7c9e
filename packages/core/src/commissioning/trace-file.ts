import { BadInput } from '../shape/bad-input.js'
import { LARGEST } from '../shape/shape.js'

/** A column of a trace: what was watched, and in which unit. */
export interface TraceChannel {
  name: string
  unit: string
}
/** What was watched over time, by columns: `t` in s from the begin, strictly ascending; a value that was not there is NaN. */
export interface Trace {
  channels: TraceChannel[]
  t: Float64Array
  values: Float64Array[]
}

export const MOST_SAMPLES = 2_000_000
const MOST_CHANNELS = 12
const TIME = 't (s)'
const COLUMN = /^(.*) \(([^()]+)\)$/

/** Writes a trace as CSV (RFC 4180): a header with units, one row a moment; what was not there is an empty cell. */
export function writeTrace({ channels, t, values }: Trace): string {
  const rows = [[TIME, ...channels.map(({ name, unit }) => quoted(`${name} (${unit})`))].join(',')]
  for (let i = 0; i < t.length; i++)
    rows.push([t[i], ...values.map((column) => (Number.isNaN(column[i]) ? '' : column[i]))].join(','))
  return `${rows.join('\r\n')}\r\n`
}

/** A cell that has a comma or a quote in it, or that a spreadsheet would take for a formula, is put in quotes or made plain text. */
const quoted = (text: string): string => {
  const plain = /^[=+\-@\t\r]/.test(text) ? `'${text}` : text
  return /[",\r\n]/.test(plain) ? `"${plain.replaceAll('"', '""')}"` : plain
}

/**
 * Reads a trace as it was written. Bad input: `no-content` without a row, `missing` without the header or its units, `not-finite` at a
 * cell that is no number, `not-ascending` where time does not go on, `out-of-range` with too many rows or columns; each with its row.
 */
export function readTrace(text: string): Trace {
  const first = endOfLine(text, 0)
  const names = cells(text.slice(0, first.end))
  const channels = names.slice(1).map((name, i) => {
    const [, label, unit] = COLUMN.exec(name.replace(/^'/, '')) ?? []
    if (!label || !unit)
      throw new BadInput(
        'missing',
        `header[${i + 1}]`,
        `"${name}" must name a column with its unit, as in power (W)`,
      )
    return { name: label, unit }
  })
  if (names[0] !== TIME) throw new BadInput('missing', 'header[0]', `the first column must be “${TIME}”`)
  if (channels.length === 0 || channels.length > MOST_CHANNELS)
    throw new BadInput('out-of-range', 'header', `needs from 1 to ${MOST_CHANNELS} columns beside the time`)
  return { channels, ...readRows(text, first.next, channels.length) }
}

function readRows(text: string, from: number, width: number): Pick<Trace, 't' | 'values'> {
  const t: number[] = []
  const values: number[][] = Array.from({ length: width }, () => [])
  for (let at = from; at < text.length;) {
    const { end, next } = endOfLine(text, at)
    if (end > at) {
      const row = text.slice(at, end).split(',')
      const place = `row ${t.length + 2}`
      if (row.length !== width + 1) throw new BadInput('wrong-length', place, `must have ${width + 1} cells`)
      const time = figureIn(row[0]!, place)
      if (t.length > 0 && !(time > t.at(-1)!))
        throw new BadInput('not-ascending', place, 'must be later than the row before')
      t.push(time)
      for (let i = 0; i < width; i++) values[i]!.push(row[i + 1] === '' ? NaN : figureIn(row[i + 1]!, place))
      if (t.length > MOST_SAMPLES)
        throw new BadInput('out-of-range', 'rows', `at most ${MOST_SAMPLES} rows are taken`)
    }
    at = next
  }
  if (t.length === 0) throw new BadInput('no-content', 'rows', 'there is no row below the header')
  return { t: Float64Array.from(t), values: values.map((column) => Float64Array.from(column)) }
}

function figureIn(cell: string, place: string): number {
  const value = cell.trim() === '' ? NaN : Number(cell)
  if (!(Math.abs(value) <= LARGEST))
    throw new BadInput('not-finite', place, `"${cell.slice(0, 40)}" is no number`)
  return value
}

function endOfLine(text: string, from: number): { end: number; next: number } {
  const at = text.indexOf('\n', from)
  if (at < 0) return { end: text.length, next: text.length }
  return { end: text[at - 1] === '\r' ? at - 1 : at, next: at + 1 }
}

/** The cells of a header, where names may stand in quotes. */
const cells = (line: string): string[] =>
  [...line.replace(/^\uFEFF/, '').matchAll(/("(?:[^"]|"")*"|[^,]*)(?:,|$)/g)]
    .map(([, cell]) => cell!)
    .slice(0, -1)
    .map((cell) => (cell.startsWith('"') ? cell.slice(1, -1).replaceAll('""', '"') : cell).trim())

/** One column over its own moments: where it was not there, there is none. */
export interface Column {
  t: ArrayLike<number>
  values: ArrayLike<number>
  unit?: string | undefined
}

export function columnOf({ t, values, channels }: Trace, channel: string): Column {
  const at = channels.findIndex(({ name }) => name === channel)
  if (at < 0) throw new BadInput('not-listed', 'channel', `the trace has no column “${channel}”`)
  const column = values[at]!
  const { unit } = channels[at]!
  if (!column.some(Number.isNaN)) return { t, values: column, unit }
  const there = (_: number, i: number) => !Number.isNaN(column[i])
  return { t: t.filter(there), values: column.filter(there), unit }
}
