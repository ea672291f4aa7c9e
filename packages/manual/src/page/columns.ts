import type { Page, Piece } from './page.js'

/** A gutter is at least this wide, in points. */
const GUTTER = 7
/** Text of a column is longer than what a field of a table holds. */
const LONG = 22

/** Pieces of a page that was seen line by line from edge to edge: where it is set in two columns, the left one first. */
export function inColumns(pieces: readonly Piece[], { width }: Page): Piece[] {
  const gutter = gutterOf(pieces, width)
  if (gutter === undefined) return [...pieces]
  const ordered: Piece[] = []
  let left: Piece[] = []
  let right: Piece[] = []
  const close = () => {
    ordered.push(...left, ...right)
    left = []
    right = []
  }
  for (const piece of pieces) {
    if (piece.x0 < gutter - GUTTER && piece.x1 > gutter + GUTTER) {
      close()
      ordered.push(piece)
    } else if (piece.x1 <= gutter + GUTTER / 2) left.push(piece)
    else right.push(piece)
  }
  close()
  return ordered
}

/** Where most lines of text leave a gap at one place of the middle, with text on both sides. */
function gutterOf(pieces: readonly Piece[], width: number): number | undefined {
  const long = pieces.filter(({ text }) => text.length > LONG)
  for (let x = 0.35 * width; x < 0.65 * width; x += 2) {
    const crossing = long.filter(({ x0, x1 }) => x0 < x && x1 > x).length
    const [before, after] = [long.filter(({ x1 }) => x1 <= x).length, long.filter(({ x0 }) => x0 >= x).length]
    if (before >= 8 && after >= 8 && crossing <= 0.15 * long.length) return x
  }
  return undefined
}
