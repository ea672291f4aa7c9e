import { boxAround, type Item, type Page, type Piece, type Rule } from './page.js'
import { inColumns } from './columns.js'
import { cleaned } from './letters.js'

/** A gap of more than this share of the type size parts two cells; less is a blank between words. */
const GAP = 0.85
const RAISED = 0.8

/** Joins the runs of a page to pieces, in the order of the document. */
export function piecesOf(page: Page): Piece[] {
  const pieces: Piece[] = []
  // What was seen comes line by line from edge to edge.
  const items = page.fromPicture ? inColumns(page) : page.items
  const limits = page.fromPicture ? limitsOf(items) : undefined
  let open: Piece | undefined
  for (const item of items) {
    if (item.text.trim() === '') continue
    if (open && isMarkBefore(open, item)) {
      const mark = open.text.trim()
      Object.assign(open, begun({ ...item, text: `${mark} ${item.text}` }, page), { x0: open.x0 })
      continue
    }
    if (open && isRaised(item, open)) {
      raise(open, item)
      continue
    }
    if (open && follows(item, open, limits?.get(item) ?? GAP) && !isParted(item, open, page.rules)) {
      extend(open, item)
      continue
    }
    open = begun(item, page)
    pieces.push(open)
  }
  for (const piece of pieces) piece.text = cleaned(piece.text)
  const whole = markersFirst(unjustified(pieces.filter(({ text }) => text !== '')))
  return whole
}

/** Between these, in shares of the type size, a gap of a line that was seen parts two cells: wider where all its words stand wide. */
const WIDE = 1.6
/** Words of a line that is text, and not fields side by side. */
const PROSE = 6

function limitsOf(items: readonly Item[]): ReadonlyMap<Item, number> {
  const limits = new Map<Item, number>()
  for (let i = 0; i < items.length;) {
    let end = i + 1
    while (end < items.length && Math.abs(items[end]!.baseline - items[i]!.baseline) < 0.2 * items[i]!.size)
      end++
    const line = items.slice(i, end)
    const gaps = line
      .slice(1)
      .map(({ x }, k) => (x - line[k]!.x - line[k]!.width) / line[k]!.size)
      .sort((a, b) => a - b)
    const usual = gaps[Math.floor(gaps.length / 2)] ?? 0
    const stretched = line.length >= PROSE && usual > 0.45 && gaps.at(-1)! < 2.2 * usual
    for (const item of line) limits.set(item, stretched ? Math.min(WIDE, 2.2 * usual) : GAP)
    i = end
  }
  return limits
}

/** The sign of a point stands before its text, also where it was set after it. */
function markersFirst(pieces: readonly Piece[]): Piece[] {
  const ordered: Piece[] = []
  for (const piece of pieces) {
    const text = MARKER.test(piece.text) ? ordered.slice(-NEAR).findIndex((one) => isLineOf(piece, one)) : -1
    if (text < 0) ordered.push(piece)
    else ordered.splice(Math.max(0, ordered.length - NEAR) + text, 0, piece)
  }
  return ordered
}
const MARKER = /^(?:[•●○◦‣▪■◆–-]|\d{1,2}[.)]|[a-z][.)]|[ivx]{1,4}[.)])$/
/** Lines of a point that its sign may come after. */
const NEAR = 8
const isLineOf = (marker: Piece, { baseline, x0, size }: Piece) =>
  Math.abs(marker.baseline - baseline) < 0.15 * size && marker.x1 <= x0 + 1 && x0 - marker.x1 < 4 * size

/** A line that was stretched to the edge of its column: words with the same wide gap between all of them are one piece again. */
function unjustified(pieces: readonly Piece[]): Piece[] {
  const found: Piece[] = []
  for (let i = 0; i < pieces.length;) {
    let end = i + 1
    while (end < pieces.length && isNext(pieces[end - 1]!, pieces[end]!)) end++
    const run = pieces.slice(i, end)
    found.push(...(isStretched(run) ? [asOne(run)] : run))
    i = end
  }
  return found
}

const isNext = (left: Piece, right: Piece) =>
  Math.abs(left.baseline - right.baseline) < 0.1 * left.size && right.x0 > left.x1 && left.size === right.size

function isStretched(run: readonly Piece[]): boolean {
  if (run.length < 3) return false
  const gaps = run.slice(1).map(({ x0 }, i) => x0 - run[i]!.x1)
  const [least, most] = [Math.min(...gaps), Math.max(...gaps)]
  return most - least < 0.2 * run[0]!.size && most < 3 * run[0]!.size
}

const asOne = (run: readonly Piece[]): Piece => ({
  ...run[0]!,
  ...boxAround(run),
  text: run.map(({ text }) => text).join(' '),
  marks: run.flatMap(({ marks }) => marks),
})

const begun = ({ text, x, baseline, width, size, bold }: Item, { number, fromPicture }: Page): Piece => ({
  text,
  x0: x,
  x1: x + width,
  top: baseline - size * 0.8,
  bottom: baseline + size * 0.22,
  baseline,
  size,
  bold,
  page: number,
  seen: fromPicture,
  marks: [],
})

function follows(item: Item, open: Piece, limit: number): boolean {
  const gap = item.x - open.x1
  const size = Math.max(item.size, open.size)
  return Math.abs(item.baseline - open.baseline) < 0.25 * size && gap < limit * size && gap > -0.6 * size
}

/** A line that was drawn upright between them: the fields of a row that is set close. */
const isParted = (item: Item, open: Piece, rules: readonly Rule[]) =>
  rules.some(
    ({ across, x0, top, bottom }) =>
      !across &&
      x0 > open.x1 - 1 &&
      x0 < item.x + 1 &&
      top < item.baseline - 0.3 * item.size &&
      bottom > item.baseline - 0.3 * item.size,
  )

function extend(open: Piece, item: Item): void {
  const gap = item.x - open.x1
  // What was seen in a picture comes word by word.
  const apart = open.seen || gap > 0.12 * item.size
  const blank = apart && !/\s$/.test(open.text) && !/^\s/.test(item.text)
  open.text += (blank ? ' ' : '') + item.text
  open.x1 = Math.max(open.x1, item.x + item.width)
  open.bold &&= item.bold
  open.size = Math.max(open.size, item.size)
}

/** A smaller sign set above the line directly after it: a power, or the mark of a note. */
function isRaised(item: Item, open: Piece): boolean {
  const lift = open.baseline - item.baseline
  const gap = item.x - open.x1
  return (
    item.size < RAISED * open.size &&
    lift > 0.12 * open.size &&
    lift < 0.8 * open.size &&
    gap > -0.3 * open.size &&
    gap < 0.5 * open.size &&
    item.text.trim().length <= 4
  )
}

/** The raised sign at the beginning of a note. */
function isMarkBefore(open: Piece, item: Item): boolean {
  const lift = item.baseline - open.baseline
  const gap = item.x - open.x1
  return (
    /^[([]?[\da-e*†‡]{1,2}[)\]]?$/.test(open.text.trim()) &&
    open.size < 0.9 * item.size &&
    lift > 0.1 * item.size &&
    lift < 0.8 * item.size &&
    gap > -1 &&
    gap < item.size
  )
}

const POWERS: Record<string, string> = { '2': '²', '3': '³' }
function raise(open: Piece, item: Item): void {
  const sign = item.text.trim()
  open.x1 = Math.max(open.x1, item.x + item.width)
  if (/(?:\d\s?|^|\s)(?:mm|cm|m)$/.test(open.text) && POWERS[sign]) open.text += POWERS[sign]
  else open.marks.push(sign.replace(/[()]/g, ''))
}
