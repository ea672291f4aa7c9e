import { boxAround, type Page, type Piece } from '../page/page.js'
import { piecesOf } from '../page/pieces.js'
import { withoutFurniture } from './furniture.js'
import { bodySize, contentsOf, headingOf, type Contents, type Heading } from './headings.js'
import { append, passageOf, type Passage } from './passage.js'
import { LABELLED, rowsOf, type Cell, type Row } from './rows.js'
import { ruledTables } from './ruled.js'
import { gridOf, type Field, type Grid } from './table.js'

/** A table with what stands over its columns. */
export interface Table {
  kind: 'table'
  caption: string
  clause: string
  titles: readonly string[]
  /** Over each column, from above to below. */
  heads: readonly string[]
  rows: readonly TableRow[]
}
export interface TableRow {
  fields: readonly TableField[]
  /** The text of a row that spans the whole table above this one: a part of it. */
  part: string
}
export interface TableField {
  text: string
  from: number
  to: number
  marks: readonly string[]
  piece: Piece
  cell: Cell
}

export type Block = Passage | Table

/** A manual as it is read: tables and passages in the order of the document, each under its heading. */
export interface ManualText {
  blocks: Block[]
  pages: readonly Page[]
  decimal: 'point' | 'comma'
  /** All words, in small letters. */
  words: ReadonlySet<string>
}

export function manualText(pages: readonly Page[]): ManualText {
  const bare = withoutFurniture(pages.map((page) => ({ page, pieces: piecesOf(page) })))
  const all = bare.flatMap(({ pieces }) => pieces)
  const words = new Set(all.flatMap(({ text }) => text.toLowerCase().match(/[\p{L}]+(?:-[\p{L}]+)*/gu) ?? []))
  const flows = bare.map(({ page, pieces }) => flowOf(page, pieces))
  const rows = flows.flatMap((flow) => flow.filter((one): one is Row => 'cells' in one))
  const contents = contentsOf(rows)
  const reader = new Reader(bodySize(all), contents, words)
  const body = bodySize(all)
  for (const flow of flows) {
    const ofText = flow.flatMap((one): Flow => {
      if (!('cells' in one)) return [one]
      return contents.rows.has(one) ? [] : apart(one, body, contents)
    })
    for (const part of parts(ofText, (row) => isHeadingRow(row, body, contents))) reader.take(part)
  }
  return { blocks: reader.finished(), pages, decimal: decimalOf(all), words }
}

/** Is 2,5 two and a half, or are commas for thousands only? Numbers of headings look like decimals and are none: a unit must follow. */
function decimalOf(pieces: readonly Piece[]): 'point' | 'comma' {
  const count = (pattern: RegExp) =>
    pieces.reduce((sum, { text }) => sum + (text.match(pattern)?.length ?? 0), 0)
  const commas = count(/(?<![\d.,])\d+,\d{1,2}(?![\d,])/g)
  return commas > 2 && commas > count(/(?<![\d.,])\d+\.\d{1,2}\s?(?:N|mm|m\b|kg|V|A|W|%|°|in|ft|s\b)/g)
    ? 'comma'
    : 'point'
}

/** A heading in the margin, beside the first row of its text: a row of its own. */
function apart(row: Row, body: number, contents: Contents): Row[] {
  const [first, ...rest] = row.cells
  const isTitle = rest.length === 1 && /^[\d.\-–A-Z]{1,8}$/.test(first!.lines[0]!.text)
  if (rest.length === 0 || isTitle || !headingOf(first!.lines, body, contents)?.number) return [row]
  return [
    { ...row, cells: [first!], ...boxAround([first!]) },
    { ...row, cells: rest, ...boxAround(rest) },
  ]
}

type Flow = (Row | Grid)[]

/** Rows of a page with its ruled tables where the first of their pieces stands. */
function flowOf({ rules }: Page, pieces: readonly Piece[]): Flow {
  const tables = ruledTables(pieces, rules)
  const flow: Flow = []
  let run: Piece[] = []
  const close = () => {
    flow.push(...rowsOf(run, rules))
    run = []
  }
  const placed = new Set<Grid>()
  for (const piece of pieces) {
    const table = tables.find((one) => one.pieces.has(piece))
    if (!table) run.push(piece)
    else if (!placed.has(table.grid)) {
      close()
      flow.push(table.grid)
      placed.add(table.grid)
    }
  }
  close()
  return flow
}

type Part = { kind: 'table'; rows: Row[] } | { kind: 'grid'; grid: Grid } | { kind: 'row'; row: Row }

/** Rows that stand under one another with the same columns are a table; the others stand alone. */
function parts(flow: Flow, isHeading: (row: Row) => boolean): Part[] {
  const found: Part[] = []
  for (let i = 0; i < flow.length;) {
    const one = flow[i]!
    if (!('cells' in one)) {
      found.push({ kind: 'grid', grid: one })
      i++
      continue
    }
    const end = flow.findIndex((next, j) => j > i && !('cells' in next))
    const rows = flow.slice(i, end < 0 ? flow.length : end) as Row[]
    const length = tableLength(rows, 0, isHeading)
    if (length > 0) found.push({ kind: 'table', rows: rows.slice(0, length) })
    else found.push({ kind: 'row', row: one })
    i += Math.max(1, length)
  }
  return found
}

const isList = ({ cells }: Row) => cells.length === 2 && MARKER.test(cells[0]!.lines[0]!.text)
const MARKER = /^(?:[•●○◦‣▪■◆–—*·-]|(?:Step|No\.?)?\s*\d{1,2}[.):]?|[a-z][.)]|\(\w\)|[ivx]{1,4}[.)])$/i

/** Columns of running text: long fields side by side. */
const isProse = ({ cells }: Row) =>
  cells.length === 2 &&
  cells.every(({ lines }) => lines.length > 1 || lines[0]!.text.length > 60) &&
  cells.reduce((sum, { lines }) => sum + lines.reduce((long, { text }) => long + text.length, 0), 0) > 160

function isHeadingRow({ cells }: Row, body: number, contents: Contents): boolean {
  const flat = cells.length <= 2 && cells.every(({ lines }) => lines.length <= 2)
  const heading = flat
    ? headingOf(
        cells.flatMap(({ lines }) => lines),
        body,
        contents,
      )
    : undefined
  return heading !== undefined && (cells.length === 1 || heading.number !== '')
}

/** How many rows from here on are one table; 0 where none begins. */
function tableLength(rows: readonly Row[], from: number, isHeading: (row: Row) => boolean): number {
  const first = rows[from]!
  if (!couldBeTableRow(first) || isHeading(first)) return 0
  let last = from
  let wide = 1
  const extent = { x0: first.x0, x1: first.x1 }
  for (let i = from + 1; i < rows.length; i++) {
    const row = rows[i]!
    if (row.page !== first.page || row.top < rows[last]!.top - 2 || isHeading(row) || isCaption(row)) break
    const gap = row.top - rows[i - 1]!.bottom
    const size = row.cells[0]!.lines[0]!.size
    if (gap > 2.6 * size || gap < -6 * size) break
    if (couldBeTableRow(row) && row.x0 < extent.x1 && row.x1 > extent.x0) {
      last = i
      wide++
      extent.x0 = Math.min(extent.x0, row.x0)
      extent.x1 = Math.max(extent.x1, row.x1)
    } else if (row.cells.length > 1 || !isSection(row, extent, rows[i + 1])) break
  }
  return wide >= 2 ? last - from + 1 : 0
}
const isCaption = ({ cells }: Row) => CAPTION.test(cells[0]!.lines[0]!.text)

const couldBeTableRow = (row: Row) => row.cells.length > 1 && !isProse(row) && !isNumberedItem(row)
/** "1." and its sentence: a step. "1", a thing and a count: a row. */
const isNumberedItem = (row: Row) => isList(row) && !/^\d+$/.test(row.cells[0]!.lines[0]!.text.trim())

/** A line of its own between rows: the name of a part of the table. */
function isSection(row: Row, { x0, x1 }: { x0: number; x1: number }, next: Row | undefined): boolean {
  const short = row.cells[0]!.lines.length <= 2 && row.x1 < x1 + 40
  const within = row.x0 > x0 - 12
  const leads = next !== undefined && next.cells.length > 1 && Math.abs(next.x0 - row.x0) < 6
  return short && (within || leads)
}

const CAPTION =
  /^(?:Table|Tab|Figure|Fig|Drawing|Picture|Illustration|Image|Diagram|Sketch|Plate|Photo|Chart|List|Graphic)\.?\s*[A-Z]?\d{1,3}(?:[.\-–]\d+)?\b/i

/** Takes the parts in their order and knows under which heading it stands. */
class Reader {
  private readonly blocks: Block[] = []
  private readonly stack: Heading[] = []
  private caption: { passage: Passage; page: number } | undefined

  constructor(
    private readonly body: number,
    private readonly contents: Contents,
    private readonly words: ReadonlySet<string>,
  ) {}

  finished(): Block[] {
    return this.blocks
  }

  take(part: Part): void {
    if (part.kind === 'row') return this.takeRow(part.row)
    if (part.kind === 'grid') return this.takeGrid(part.grid)
    this.takeGrid(gridOf(part.rows))
  }

  private get clause(): string {
    return this.stack.findLast(({ number }) => number !== '')?.number ?? ''
  }

  private get titles(): string[] {
    return this.stack.map(({ title }) => title)
  }

  private takeRow(row: Row): void {
    const whole = row.cells.flatMap(({ lines }) => lines)
    const isOneLine = row.cells.length === 2 && row.cells.every(({ lines }) => lines.length === 1)
    const heading =
      row.cells.length === 1 || isOneLine ? headingOf(whole, this.body, this.contents) : undefined
    if (heading && (row.cells.length === 1 || heading.number !== '')) return this.takeHeading(heading)
    if (isList(row)) return this.takeItem(row)
    for (const cell of row.cells) this.takeCell(cell)
  }

  private takeHeading(heading: Heading): void {
    const isChapter =
      heading.number === '' && this.stack[0] !== undefined && heading.size >= this.stack[0].size
    const depth = isChapter ? 1 : heading.depth
    while (this.stack.length > 0 && this.stack.at(-1)!.depth >= depth) this.stack.pop()
    this.stack.push(heading)
  }

  private takeItem({ cells: [marker, text] }: Row): void {
    const number = /\d+|^(?:[ivx]+|[a-h])(?=[.)])/i.exec(marker!.lines[0]!.text)?.[0]
    this.push(number ? 'step' : 'item', text!.lines, number)
  }

  private takeCell({ lines }: Cell): void {
    const text = lines.map((line) => line.text).join(' ')
    const caption = CAPTION.test(text)
    const step = /^(?:Step\s*(\d{1,2})[.:)]?|(\d{1,2})[.)]|([ivx]{1,4})\.|([a-h])\))\s+(?=\p{Lu})/iu.exec(
      text,
    )
    if (caption) return this.push('caption', lines)
    if (step && !caption) return this.push('step', lines, step[1] ?? step[2] ?? step[3] ?? step[4])
    const isLabel =
      text.length < 40 &&
      lines.every(({ size }) => size < 0.97 * this.body) &&
      !/\s\S+\s.*\p{L}{3}[.;:]$/u.test(text)
    if (isLabel || !/\p{L}{2}.*\s/u.test(text)) return this.push('label', lines)
    this.push(/^[•●○◦‣▪■◆]/.test(text) ? 'item' : 'paragraph', lines)
  }

  private push(kind: Passage['kind'], lines: readonly Piece[], step?: string): void {
    if (kind === 'paragraph' && this.continues(lines)) return
    const passage = passageOf(lines, this.words, {
      kind,
      clause: this.clause,
      titles: this.titles,
      ...(step !== undefined && { step }),
    })
    const above = this.blocks.at(-1)
    // A caption under its table, or over the next.
    if (kind === 'caption' && above?.kind === 'table' && above.caption === '' && above.clause === this.clause)
      this.blocks[this.blocks.length - 1] = { ...above, caption: passage.text }
    else if (kind === 'caption' && /^(?:Tab|List|Chart)/i.test(passage.text))
      this.caption = { passage, page: lines[0]!.page }
    this.blocks.push(passage)
  }

  /** A sentence that goes on after a picture, in the next column or on the next page. */
  private continues(lines: readonly Piece[]): boolean {
    const open = this.blocks.findLast(
      (block): block is Passage =>
        block.kind === 'paragraph' || block.kind === 'item' || block.kind === 'step',
    )
    if (!open || open.clause !== this.clause) return false
    if (/[.!?:;]["”’)]*$/.test(open.text) || !/^[\p{Ll}\d(]/u.test(lines[0]!.text)) return false
    if (LABELLED.test(open.text) && LABELLED.test(lines[0]!.text)) return false
    for (const line of lines) append(open, line, this.words)
    return true
  }

  private takeGrid(grid: Grid): void {
    const previous = this.blocks.at(-1)
    const table = asTable(grid, {
      caption: this.captionNear(grid),
      clause: this.clause,
      titles: this.titles,
    })
    const isMore =
      previous?.kind === 'table' &&
      previous.clause === table.clause &&
      previous.heads.length === table.heads.length &&
      grid.head.length === 0
    this.blocks.push(
      isMore ? { ...table, heads: previous.heads, caption: table.caption || previous.caption } : table,
    )
  }

  /** The caption over a table, when it stands directly there. */
  private captionNear(grid: Grid): string {
    const { caption } = this
    if (!caption || caption.page !== grid.page || this.blocks.at(-1) !== caption.passage) return ''
    return caption.passage.text
  }
}

function asTable(grid: Grid, over: Pick<Table, 'caption' | 'clause' | 'titles'>): Table {
  const heads = Array.from({ length: grid.columns }, (_, column) =>
    [
      ...new Set(
        grid.head.flatMap((row) =>
          row.filter(({ from, to }) => from <= column && to >= column).map((field) => textOfField(field)),
        ),
      ),
    ].join(' '),
  )
  let part = ''
  const rows: TableRow[] = []
  for (const fields of grid.body) {
    if (fields.length === 1 && grid.columns > 1 && !/\d/.test(textOfField(fields[0]!))) {
      part = textOfField(fields[0]!)
      continue
    }
    rows.push({ part, fields: fields.map(asField) })
  }
  return { kind: 'table', ...over, heads, rows }
}

const textOfField = ({ cell }: Field) =>
  cell.lines
    .map(({ text }) => text)
    .join(' ')
    .replace(/(\p{L})-\s(?=\p{Ll})/gu, '$1-')
    .replace(/\u00ad\s?/g, '')

const asField = (field: Field): TableField => ({
  text: textOfField(field),
  from: field.from,
  to: field.to,
  marks: field.cell.lines.flatMap(({ marks }) => marks),
  piece: field.cell.lines[0]!,
  cell: field.cell,
})
