import { boxAround, type Box } from '../page/page.js'
import type { Cell, Row } from './rows.js'

/** A field of a table with the columns that it spans, counted from 0, ends included. */
export interface Field {
  cell: Cell
  from: number
  to: number
}

/** Rows with a field each for the columns that have one; the head apart. A field that spans rows stands in each of them. */
export interface Grid extends Box {
  page: number
  columns: number
  head: Field[][]
  body: Field[][]
}

/** A table out of rows that follow one another: its columns are where their texts stand under one another. */
export function gridOf(rows: readonly Row[]): Grid {
  const { columns, rows: fields } = alignedFields(rows)
  const heads = headLength(rows, fields)
  return {
    ...boxAround(rows),
    page: rows[0]!.page,
    columns,
    head: fields.slice(0, heads),
    body: fields.slice(heads),
  }
}

interface Interval {
  x0: number
  x1: number
}

/** Columns as the texts stand under one another: those of the fullest rows, widened by what overlaps one of them only. */
function alignedFields(rows: readonly Row[]) {
  const most = Math.max(...rows.map(({ cells }) => cells.length))
  const columns: Interval[] = rows
    .find(({ cells }) => cells.length === most)!
    .cells.map(({ x0, x1 }) => ({ x0, x1 }))
  const overlapped = (cell: Cell) =>
    columns.flatMap(({ x0, x1 }, i) => (cell.x0 < x1 + 1 && cell.x1 > x0 - 1 ? [i] : []))
  for (const { cells } of rows)
    for (const cell of cells) {
      const [only, ...more] = overlapped(cell)
      if (only === undefined || more.length > 0) continue
      const column = columns[only]!
      const [before, after] = [columns[only - 1]?.x1 ?? -Infinity, columns[only + 1]?.x0 ?? Infinity]
      column.x0 = Math.max(Math.min(column.x0, cell.x0), before + 1)
      column.x1 = Math.min(Math.max(column.x1, cell.x1), after - 1)
    }
  const field = (cell: Cell): Field => {
    const found = overlapped(cell)
    if (found.length > 0) return { cell, from: found[0]!, to: found.at(-1)! }
    const middle = (cell.x0 + cell.x1) / 2
    const after = columns.findIndex(({ x0 }) => x0 > middle)
    return after <= 0
      ? { cell, from: after === 0 ? 0 : most - 1, to: after === 0 ? 0 : most - 1 }
      : { cell, from: after - 1, to: after }
  }
  return { columns: most, rows: rows.map(({ cells }) => cells.map(field)) }
}

const isBold = ({ cell }: Field) => cell.lines.every(({ bold }) => bold)
const hasDigit = ({ cell }: Field) => cell.lines.some(({ text }) => /\d/.test(text))

/** How many of the first rows are the head: those set bold throughout; without bold type, one that has no figures above rows that do. */
function headLength(rows: readonly Row[], fields: readonly Field[][]): number {
  const bold = fields.findIndex((row) => !row.every(isBold))
  // A part of the table may be named in bold directly under the head.
  if (bold > 1 && fields[bold - 1]!.length === 1) return bold - 1
  if (bold > 0) return bold
  if (bold < 0) return 1
  const [first, ...rest] = fields
  const plain = first!.length > 1 && !first!.some(hasDigit)
  const figures = rest.filter((row) => row.slice(1).some(hasDigit)).length
  return plain && (figures > 0.5 * rest.length || first!.some(isHeadWord)) ? 1 : 0
}

/** Words that stand over a column and in no row. */
const isHeadWord = ({ cell }: Field) =>
  /^(?:lamps?|lights?|leds?|codes?|meaning|it (?:means|says)|no\.?|number|value|unit|min\.?|max\.?|from|to|range|property|parameter|setting|part|item|qty|description|remedy|cause|what (?:it|to).*|terminal|conductor|torque|strip)$/i.test(
    cell.lines.map(({ text }) => text).join(' '),
  )
