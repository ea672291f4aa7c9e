import type { Item, Page } from './page.js'

/** So many lines with text on both sides make columns, and so many of them must leave the middle free. */
const LINES = 8
const FREE = 0.72
/** A column holds text: so many words in the mean of its lines. */
const WORDS = 3

/** Runs of a page that was seen line by line from edge to edge: where it is set in two columns, those of the left one first. */
export function inColumns({ items, width }: Page): Item[] {
  const lines = linesOf(items)
  const gutter = gutterOf(lines, width)
  if (gutter === undefined) return [...items]
  // Above and below the columns a page may be set in one.
  const text = lines.map((line) => isText(line, gutter))
  const [first, last] = [text.indexOf(true), text.lastIndexOf(true)]
  const ordered: Item[] = []
  let left: Item[] = []
  let right: Item[] = []
  lines.forEach((line, i) => {
    if (i < first || i > last || crosses(line, gutter)) {
      ordered.push(...left, ...right, ...line)
      left = []
      right = []
    } else
      for (const item of line) {
        if (item.x < gutter) left.push(item)
        else right.push(item)
      }
  })
  return [...ordered, ...left, ...right]
}

function linesOf(items: readonly Item[]): Item[][] {
  const lines: Item[][] = []
  for (const item of items) {
    const open = lines.at(-1)
    const isSame = open && Math.abs(open[0]!.baseline - item.baseline) < 0.3 * item.size
    if (isSame) open.push(item)
    else lines.push([item])
  }
  return lines
}

/** Words of two columns on one line. */
const isText = (line: readonly Item[], gutter: number) =>
  !crosses(line, gutter) &&
  line.filter(({ x }) => x < gutter).length >= WORDS &&
  line.filter(({ x }) => x >= gutter).length >= WORDS

const crosses = (line: readonly Item[], x: number) =>
  line.some((item) => item.x < x && item.x + item.width > x)

/** The place in the middle where most lines that have text on both sides leave it free. */
function gutterOf(lines: readonly Item[][], width: number): number | undefined {
  let best: { x: number; free: number } | undefined
  for (let x = 0.35 * width; x < 0.65 * width; x += 1.5) {
    const crossed = lines.filter((line) => line.length >= 2 * WORDS && crosses(line, x)).length
    const free = lines.filter((line) => isText(line, x)).length
    if (free < LINES || free < FREE * (free + crossed)) continue
    if (!best || free > best.free) best = { x, free }
  }
  return best?.x
}
