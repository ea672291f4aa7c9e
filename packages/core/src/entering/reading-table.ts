import type { EntryBodies } from '../job/entries/registry.js'
import { placeIn, type CheckGroup } from '../walk/grouped.js'
import type { Check, JudgedCheck } from '../walk/check.js'
import type { TypedJudgement } from '../walk/judge.js'

/** Readings of equal things as a table: one row a thing, one column for each that is read there. */
export interface ReadingTable {
  columns: { id: string; title: string; unit: string | undefined }[]
  rows: { id: string; label: string; cells: (JudgedCheck | undefined)[] }[]
}

/** The readings of a group as a table; a thing that is not asked for a reading has an empty cell in its column. */
export function readingTable(group: CheckGroup): ReadingTable {
  const columns: ReadingTable['columns'] = []
  const rows = new Map<string, { label: string; cells: Map<string, JudgedCheck> }>()
  for (const judged of group.checks) {
    const { requirement, unit, subject, ask } = judged.check
    if (ask.kind !== 'reading') continue
    if (!columns.some(({ id }) => id === requirement.id))
      columns.push({ id: requirement.id, title: requirement.title, unit: ask.unit })
    const id = `${unit.id}/${subject.id}`
    const row = rows.get(id) ?? { label: placeIn(group, judged), cells: new Map() }
    row.cells.set(requirement.id, judged)
    rows.set(id, row)
  }
  return {
    columns,
    rows: [...rows].map(([id, { label, cells }]) => ({
      id,
      label,
      cells: columns.map((column) => cells.get(column.id)),
    })),
  }
}

export interface PastedCell {
  judged: JudgedCheck
  typed: string
}
export type Pasted =
  | { ok: true; cells: PastedCell[] }
  | { ok: false; code: 'too-wide' | 'too-long' | 'no-such-cell'; message: string }

/** A block of figures put into a table with its first one at a cell; empty figures leave theirs alone. What does not fit is not cut off: nothing is taken. */
export function pasteInto(
  { rows, columns }: ReadingTable,
  block: readonly (readonly string[])[],
  at: { row: number; column: number },
): Pasted {
  const most = Math.max(0, ...block.map((line) => line.length))
  if (at.row + block.length > rows.length)
    return {
      ok: false,
      code: 'too-long',
      message: `${block.length} rows were pasted, and ${rows.length - at.row} are left from here on`,
    }
  if (at.column + most > columns.length)
    return {
      ok: false,
      code: 'too-wide',
      message: `${most} columns were pasted, and ${columns.length - at.column} are left from here on`,
    }
  const cells: PastedCell[] = []
  for (const [i, line] of block.entries())
    for (const [j, typed] of line.entries()) {
      if (typed.trim() === '') continue
      const row = rows[at.row + i]!
      const judged = row.cells[at.column + j]
      if (!judged)
        return {
          ok: false,
          code: 'no-such-cell',
          message: `${row.label} is not asked for ${columns[at.column + j]!.title}`,
        }
      cells.push({ judged, typed: typed.trim() })
    }
  return { ok: true, cells }
}

/** What is kept of a figure that was typed for a check, with what it was read with. */
export function readingBody(
  check: Check,
  { reading }: Extract<TypedJudgement, { ok: true }>,
  {
    instrument,
    conditions,
    photos = [],
    offPhoto,
  }: Pick<EntryBodies['reading'], 'instrument' | 'conditions' | 'photos' | 'offPhoto'>,
): EntryBodies['reading'] {
  const { value, unit, relation, typed } = reading
  return {
    point: check.point,
    typed,
    value,
    unit,
    relation,
    ...(instrument && { instrument }),
    ...(check.ask.kind === 'reading' && check.ask.conditions.length > 0 && { conditions }),
    ...(photos.length > 0 && { photos }),
    ...(offPhoto && { offPhoto }),
  }
}
