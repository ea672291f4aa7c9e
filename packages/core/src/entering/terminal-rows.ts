import type { TypingHabits } from '../quantity/parse.js'
import type { Dimension } from '../quantity/units.js'
import { TERMINAL_SIDES } from '../sheet/terminal.js'
import { CLAMPS, CLAMP_NAMES } from '../sheet/terms.js'
import { sayWritten, typedWindow } from './typed-window.js'

/** A terminal while it is written: as the file has it, whatever is missing or wrong in it. */
export type TerminalDraft = Readonly<Record<string, unknown>>

/** The columns of the table of terminals, in the order in which a manual’s table has them. */
export const TERMINAL_COLUMNS = ['label', 'side', 'clamp', 'torque', 'strip', 'conductor'] as const
export type TerminalColumn = (typeof TERMINAL_COLUMNS)[number]

const WINDOWS: Partial<Record<TerminalColumn, Dimension>> = {
  torque: 'torque',
  strip: 'length',
  conductor: 'conductor-size',
}
const CHOICES: Partial<Record<TerminalColumn, Readonly<Record<string, string>>>> = {
  side: Object.fromEntries(TERMINAL_SIDES.map((side) => [side, side])),
  clamp: Object.fromEntries(CLAMPS.map((clamp) => [clamp, CLAMP_NAMES[clamp]])),
}

/** Does this terminal have such a figure? Only a screw has a torque; how it holds may not be said yet. */
export const hasCell = ({ clamp }: TerminalDraft, column: TerminalColumn): boolean =>
  column !== 'torque' || clamp === undefined || clamp === '' || clamp === 'torque'

/** What stands in a cell, as it is typed. */
export const cellText = (row: TerminalDraft, column: TerminalColumn, habits: TypingHabits = {}): string =>
  WINDOWS[column] ? sayWritten(row[column], habits) : String(row[column] ?? '')

/**
 * A terminal with one cell written. What cannot be read is written as it was typed: the format then says what is wrong with it, and
 * nothing is dropped. An empty cell leaves its figure out; a clamp without a screw takes no torque along.
 */
export function withCell(
  row: TerminalDraft,
  column: TerminalColumn,
  typed: string,
  habits: TypingHabits = {},
): TerminalDraft {
  const text = typed.trim()
  if (text === '' && column !== 'label') return without(row, column)
  const dimension = WINDOWS[column]
  const value = dimension ? (typedWindow(text, dimension, habits) ?? text) : choice(column, text)
  const next: TerminalDraft = { ...row, [column]: column === 'label' ? typed : value }
  return column !== 'clamp' || hasCell(next, 'torque') ? next : without(next, 'torque')
}

const without = (row: TerminalDraft, field: string): TerminalDraft =>
  Object.fromEntries(Object.entries(row).filter(([name]) => name !== field))

/** A choice by its own name or by the word that is shown for it. */
function choice(column: TerminalColumn, text: string): string {
  const wanted = text.toLowerCase()
  const found = Object.entries(CHOICES[column] ?? {}).find(
    ([name, word]) => name === wanted || word.toLowerCase() === wanted,
  )
  return found?.[0] ?? text
}

/** A terminal of no words yet, at the end. */
export const withTerminal = (rows: readonly TerminalDraft[]): TerminalDraft[] => [
  ...rows,
  { id: freeId(`terminal ${rows.length + 1}`, rows), label: '' },
]

/** One more of the same kind below a row: with the next label, and with no place in the manual, which was the other’s. */
export function withDuplicate(rows: readonly TerminalDraft[], at: number): TerminalDraft[] {
  const like = rows[at]
  return like ? withLike(rows, at, like, [nextLabel(String(like['label'] ?? ''))]) : [...rows]
}

const PHASE = /^(.*\bL)([123])\b(.*)$/

/**
 * Three phases at once, like a row: a row that is L1 (as “grid L1”) gets its L2 and L3 below it; any other gets L1, L2 and L3. Phases
 * that stand there already are not written twice.
 */
export function withPhases(rows: readonly TerminalDraft[], at: number): TerminalDraft[] {
  const like = rows[at] ?? { side: 'ac' }
  const [, before = 'L', , after = ''] = PHASE.exec(String(like['label'] ?? '')) ?? []
  const there = new Set(rows.map((row) => row['label']))
  const labels = [1, 2, 3].map((n) => `${before}${n}${after}`).filter((label) => !there.has(label))
  return withLike(rows, rows[at] ? at : rows.length - 1, like, labels)
}

function withLike(
  rows: readonly TerminalDraft[],
  at: number,
  like: TerminalDraft,
  labels: readonly string[],
): TerminalDraft[] {
  const added: TerminalDraft[] = []
  for (const label of labels)
    added.push({ ...without(like, 'printed'), id: freeId(label, [...rows, ...added]), label })
  return rows.toSpliced(at + 1, 0, ...added)
}

/** The figure of a cell in every row below it that has such a figure; labels are each terminal’s own, and nothing is filled with nothing. */
export function filledDown(
  rows: readonly TerminalDraft[],
  at: number,
  column: TerminalColumn,
): TerminalDraft[] {
  const from = rows[at]
  const typed = from ? cellText(from, column) : ''
  if (!from || typed === '' || column === 'label') return [...rows]
  const filled = (row: TerminalDraft) =>
    WINDOWS[column] ? { ...row, [column]: from[column] } : withCell(row, column, typed)
  return rows.map((row, i) => (i > at && hasCell(row, column) ? filled(row) : row))
}

export type PastedTerminals = { ok: true; rows: TerminalDraft[] } | { ok: false; message: string }

/** A block from a table of the manual or a spreadsheet, put in with its first cell at a cell; rows that are missing are added. */
export function withPasted(
  rows: readonly TerminalDraft[],
  block: readonly (readonly string[])[],
  at: { row: number; column: TerminalColumn },
  habits: TypingHabits = {},
): PastedTerminals {
  const first = TERMINAL_COLUMNS.indexOf(at.column)
  const most = Math.max(0, ...block.map((line) => line.length))
  if (first + most > TERMINAL_COLUMNS.length)
    return {
      ok: false,
      message: `${most} columns were pasted, and ${TERMINAL_COLUMNS.length - first} are left from here on`,
    }
  let next: TerminalDraft[] = [...rows]
  for (const [i, line] of block.entries()) {
    if (!next[at.row + i]) next = withTerminal(next)
    for (const [j, typed] of line.entries())
      if (typed.trim() !== '')
        next[at.row + i] = withCell(next[at.row + i]!, TERMINAL_COLUMNS[first + j]!, typed.trim(), habits)
  }
  return { ok: true, rows: next }
}

/** “PV1 +” is followed by “PV2 +”; what has no number gets one. */
function nextLabel(label: string): string {
  const number = /\d+/.exec(label)
  if (!number) return label === '' ? '' : `${label} 2`
  return (
    label.slice(0, number.index) +
    String(Number(number[0]) + 1) +
    label.slice(number.index + number[0].length)
  )
}

/** A short name that no other terminal has, made of the label; readings hang on it, so it stays when the label changes. */
function freeId(label: string, rows: readonly TerminalDraft[]): string {
  const used = new Set(rows.map((row) => row['id']))
  const name =
    label
      .toLowerCase()
      .replaceAll('+', ' plus')
      .replaceAll(/[−–]|-(?=\s|$)/g, ' minus')
      .replaceAll(/[^a-z0-9]+/g, '-')
      .replaceAll(/^-+|-+$/g, '') || 'terminal'
  for (let n = 1; ; n++) {
    const id = n === 1 ? name : `${name}-${n}`
    if (!used.has(id)) return id
  }
}
