import { boxAround, type Box, type Piece, type Rule } from '../page/page.js'

/** Lines that stand under one another in one column: a paragraph, or what one field of a table holds. */
export interface Cell extends Box {
  lines: Piece[]
}

/** Cells side by side. One alone is a paragraph, a heading or a caption. */
export interface Row extends Box {
  cells: Cell[]
  page: number
}

/** Lines of one paragraph stand no further apart than this share of the type size. */
const LEADING = 0.75

/** Pieces of a page as rows, in the order of the document: beside the last one on its line, under it in its column, or a row of its own. */
export function rowsOf(pieces: readonly Piece[], rules: readonly Rule[]): Row[] {
  const rows: Piece[][][] = []
  for (const piece of pieces) {
    const row = rows.at(-1)
    const last = row?.at(-1)
    if (!row || !last) rows.push([[piece]])
    else if (standsUnder(piece, last, rules)) last.push(piece)
    else if (sharesLastLine(piece, last, row)) rows.push([[last.pop()!], [piece]])
    else if (isBeside(piece, row)) row.push([piece])
    else rows.push([[piece]])
  }
  return rows.map((cells) => asRow(cells))
}

function asRow(cells: readonly Piece[][]): Row {
  return {
    cells: cells.map((lines) => ({ lines, ...boxAround(lines) })),
    page: cells[0]![0]!.page,
    ...boxAround(cells.flat()),
  }
}

function standsUnder(piece: Piece, lines: readonly Piece[], rules: readonly Rule[]): boolean {
  const above = lines.at(-1)!
  const gap = piece.top - above.bottom
  const size = Math.max(piece.size, above.size)
  const box = boxAround(lines)
  return (
    piece.baseline > above.baseline + 0.5 * size &&
    gap < LEADING * size &&
    piece.x0 < box.x1 &&
    piece.x1 > box.x0 &&
    Math.abs(piece.size - above.size) < 0.12 * size &&
    !(piece.bold !== above.bold && (piece.bold || lines.length === 1)) &&
    !isRuledOff(above, piece, rules) &&
    !beginsItem(piece, lines) &&
    !(piece.seen && [piece, ...lines].some(({ text }) => SUBHEADING.test(text))) &&
    !(LABELLED.test(piece.text) && LABELLED.test(lines[0]!.text)) &&
    !endsItem(piece, lines)
  )
}

/** “earth screw: 3 N·m”: points of a list whose signs are drawn and not set. */
export const LABELLED = /^\p{L}[^.;:]{2,48}:\s+\S/u

/** “2.1 Distances”: in a picture nothing but its number tells a heading from the text under it. */
export const SUBHEADING = /^\d{1,2}[.-]\d{1,2}\.?\s+\p{Lu}[^.;:]{2,50}$/u

/** The next step or point of a list: by its sign, or by the number after that of the one above. */
function beginsItem({ text }: Piece, lines: readonly Piece[]): boolean {
  if (/^[•●○◦‣▪■◆]/.test(text)) return true
  if (/^[b-h]\)\s/.test(text) && /^[a-g]\)\s/.test(lines[0]!.text)) return true
  const number = numberOf(text)
  if (number === undefined) return false
  return /[.:;!?]$/.test(lines.at(-1)!.text) || numberOf(lines[0]!.text) === number - 1
}
/** Further left than the sign of the point above: the text after the list. */
const endsItem = (piece: Piece, [first]: readonly Piece[]) =>
  numberOf(first!.text) !== undefined && piece.x0 < first!.x0 - 0.2 * piece.size
const numberOf = (text: string) => {
  const found = /^(?:Step\s*(\d{1,2})\b|(\d{1,2})[.)]\s)/i.exec(text)
  return found ? Number(found[1] ?? found[2]) : undefined
}

/** Does a line that was drawn part two pieces? */
function isRuledOff(above: Piece, below: Piece, rules: readonly Rule[]): boolean {
  const [from, to] = [above.baseline + 0.05 * above.size, below.baseline - 0.5 * below.size]
  return rules.some(
    ({ across, top, x0, x1 }) =>
      across &&
      top > from &&
      top < to &&
      x0 < Math.min(above.x1, below.x1) &&
      x1 > Math.max(above.x0, below.x0),
  )
}

function isBeside(piece: Piece, row: readonly Piece[][]): boolean {
  const box = boxAround(row.flat())
  const isRight = row.every((lines) => piece.x0 > boxAround(lines).x1 - 0.2 * piece.size)
  const first = row.map((lines) => lines[0]!.baseline)
  const onLine = first.some((baseline) => Math.abs(baseline - piece.baseline) < 0.35 * piece.size)
  const middle = (piece.top + piece.bottom) / 2
  return (
    isRight &&
    (onLine ||
      (middle > box.top - 0.9 * piece.size && middle < box.bottom + 0.9 * piece.size && !isFar(piece, box)))
  )
}

/** Of a high row only its upper lines draw what stands beside them into it: below them a new one has begun. */
const isFar = (piece: Piece, { top, bottom }: Box) =>
  bottom - top > 6 * piece.size && piece.top > top + 3 * piece.size

/** The row above took the first field of this one for its own second line. */
function sharesLastLine(piece: Piece, lines: readonly Piece[], row: readonly Piece[][]): boolean {
  const last = lines.at(-1)!
  return (
    row.length === 1 &&
    lines.length > 1 &&
    Math.abs(last.baseline - piece.baseline) < 0.35 * piece.size &&
    piece.x0 > last.x1
  )
}
