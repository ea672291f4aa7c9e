import { boxAround, type Box, type Piece, type Rule } from '../page/page.js'
import type { Cell } from './rows.js'
import type { Field, Grid } from './table.js'

/** Lines closer than this are one. */
const NEAR = 2.5
/** A frame is a table when at least this share of its fields holds text; the fields of a drawing are mostly empty. */
const FILLED = 0.55

/** The tables of a page whose fields are ruled on all sides, each with the pieces that stand in it. */
export function ruledTables(
  pieces: readonly Piece[],
  rules: readonly Rule[],
): { grid: Grid; pieces: ReadonlySet<Piece> }[] {
  return frames(rules).flatMap((frame) => {
    const inside = pieces.filter((piece) => holds(frame.box, piece))
    // One row alone is a table only at the head of a page, where one from the page before ends.
    const isMore = frame.ys.length > 2 || pieces.every(({ bottom }) => bottom > frame.box.top)
    const grid = inside.length >= 3 && isMore ? gridIn(frame, inside) : undefined
    return grid ? [{ grid, pieces: new Set(inside) }] : []
  })
}

interface Frame {
  box: Box
  across: Rule[]
  upright: Rule[]
  xs: number[]
  ys: number[]
}

/** Lines that touch one another, where they part more than one field. */
function frames(rules: readonly Rule[]): Frame[] {
  const groups: Rule[][] = []
  for (const rule of rules.filter(isLong)) {
    const touching = groups.filter((group) => group.some((other) => touch(rule, other)))
    const merged = [rule, ...touching.flat()]
    for (const group of touching) groups.splice(groups.indexOf(group), 1)
    groups.push(merged)
  }
  return groups.flatMap((group) => {
    const across = group.filter((rule) => rule.across)
    const upright = group.filter((rule) => !rule.across)
    const xs = distinct(upright.map(({ x0 }) => x0))
    const ys = distinct(across.map(({ top }) => top))
    return xs.length >= 3 && ys.length >= 2 ? [{ box: boxAround(group), across, upright, xs, ys }] : []
  })
}

const isLong = ({ x0, x1, top, bottom }: Rule) => Math.max(x1 - x0, bottom - top) > 5
const touch = (a: Rule, b: Rule) =>
  a.x0 <= b.x1 + NEAR && a.x1 >= b.x0 - NEAR && a.top <= b.bottom + NEAR && a.bottom >= b.top - NEAR

function distinct(places: readonly number[]): number[] {
  const sorted = [...places].sort((a, b) => a - b)
  return sorted.filter((x, i) => i === 0 || x - sorted[i - 1]! > NEAR)
}

const holds = (box: Box, piece: Piece) => {
  const [x, y] = middle(piece)
  return x > box.x0 && x < box.x1 && y > box.top && y < box.bottom
}
const middle = (box: Box): [number, number] => [(box.x0 + box.x1) / 2, (box.top + box.bottom) / 2]

interface Area {
  fromX: number
  toX: number
  fromY: number
  toY: number
  lines: Piece[]
}

function gridIn({ box, across, upright, xs, ys }: Frame, pieces: readonly Piece[]): Grid | undefined {
  const columns = xs.length - 1
  const bands = ys.length - 1
  if (columns < 2 || columns > 40 || bands > 200) return undefined
  const lineUp = (x: number, y: number) =>
    upright.some((rule) => Math.abs(rule.x0 - x) < NEAR && rule.top < y && rule.bottom > y)
  const lineAcross = (y: number, x: number) =>
    across.some((rule) => Math.abs(rule.top - y) < NEAR && rule.x0 < x && rule.x1 > x)
  const areas: Area[] = []
  const owner: (Area | undefined)[][] = Array.from(
    { length: bands },
    () => new Array<Area | undefined>(columns),
  )
  for (let row = 0; row < bands; row++)
    for (let column = 0; column < columns; column++) {
      if (owner[row]![column]) continue
      const y = (ys[row]! + ys[row + 1]!) / 2
      const x = (xs[column]! + xs[column + 1]!) / 2
      let toX = column
      while (toX + 1 < columns && !owner[row]![toX + 1] && !lineUp(xs[toX + 1]!, y)) toX++
      let toY = row
      while (toY + 1 < bands && !lineAcross(ys[toY + 1]!, x)) toY++
      const area: Area = { fromX: column, toX, fromY: row, toY, lines: [] }
      areas.push(area)
      for (let r = row; r <= toY; r++) for (let c = column; c <= toX; c++) owner[r]![c] ??= area
    }
  for (const piece of pieces) {
    const [x, y] = middle(piece)
    const column = xs.findLastIndex((place) => place <= x)
    const row = ys.findLastIndex((place) => place <= y)
    owner[Math.min(row, bands - 1)]?.[Math.min(column, columns - 1)]?.lines.push(piece)
  }
  const filled = areas.filter(({ lines }) => lines.length > 0)
  if (filled.length < FILLED * areas.length || filled.length < 3) return undefined
  const rows = ys
    .slice(0, -1)
    .map((_, row) =>
      filled
        .filter(({ fromY, toY }) => fromY <= row && toY >= row)
        .sort((a, b) => a.fromX - b.fromX)
        .map(fieldOf),
    )
    .filter((row) => row.length > 0)
  const heads = headRows(rows)
  return {
    ...box,
    page: pieces[0]!.page,
    columns,
    head: rows.slice(0, heads),
    body: rows.slice(heads),
  }
}

function fieldOf({ lines, fromX, toX }: Area): Field {
  const sorted = [...lines].sort((a, b) => a.baseline - b.baseline || a.x0 - b.x0)
  const cell: Cell = { lines: sorted, ...boxAround(sorted) }
  return { cell, from: fromX, to: toX }
}

const isBold = ({ cell }: Field) => cell.lines.every(({ bold }) => bold)
function headRows(rows: readonly Field[][]): number {
  const plain = rows.findIndex((row) => !row.every(isBold))
  const bold = plain > 0 ? plain : 0
  // A part of the table may be named in bold directly under the head.
  const last = bold > 1 && rows[bold - 1]!.length === 1 ? bold - 1 : bold
  return last > 0 ? last : rows[0]!.some(({ cell }) => cell.lines.some(({ text }) => /\d/.test(text))) ? 0 : 1
}
