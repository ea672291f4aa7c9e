import type { Item, Rule } from './page.js'

/** A run as the document places it: its matrix, in points from the upper left corner of the page as it is shown. */
export interface PlacedItem {
  text: string
  /** a, b, c, d, e, f with y downwards: the direction of writing is (a, b). */
  matrix: readonly number[]
  width: number
  bold: boolean
}

export interface Upright {
  width: number
  height: number
  items: Item[]
  rules: Rule[]
}

/** Turns a page by quarters until most of its letters stand upright; what stands across then (a number up the margin) is left out. */
export function upright(
  width: number,
  height: number,
  placed: readonly PlacedItem[],
  rules: readonly Rule[],
): Upright {
  const letters = [0, 0, 0, 0]
  for (const { text, matrix } of placed) letters[quarter(matrix)]! += text.trim().length
  const turned = letters.indexOf(Math.max(...letters))
  const turn = TURNS[turned]!
  return {
    width: turned % 2 === 0 ? width : height,
    height: turned % 2 === 0 ? height : width,
    items: placed
      .filter(({ matrix }) => quarter(matrix) === turned)
      .map(({ text, matrix, width: long, bold }) => {
        const [x, baseline] = turn(matrix[4]!, matrix[5]!, width, height)
        return { text, x, baseline, width: long, size: Math.hypot(matrix[2]!, matrix[3]!), bold }
      }),
    rules: rules.map((rule) => {
      const [xa, ya] = turn(rule.x0, rule.top, width, height)
      const [xb, yb] = turn(rule.x1, rule.bottom, width, height)
      return {
        x0: Math.min(xa, xb),
        x1: Math.max(xa, xb),
        top: Math.min(ya, yb),
        bottom: Math.max(ya, yb),
        across: turned % 2 === 0 ? rule.across : !rule.across,
      }
    }),
  }
}

/** Quarters clockwise that the writing is turned by: 0 left to right, 1 downwards, 2 upside down, 3 upwards. */
function quarter([a, b]: readonly number[]): number {
  return (Math.round(Math.atan2(b!, a!) / (Math.PI / 2)) + 4) % 4
}

type Turn = (x: number, y: number, width: number, height: number) => [number, number]
const TURNS: readonly Turn[] = [
  (x, y) => [x, y],
  (x, y, width) => [y, width - x],
  (x, y, width, height) => [width - x, height - y],
  (x, y, _width, height) => [height - y, x],
]
