import type { EntryBodies } from '../job/entries/registry.js'
import { sameMessage, type Message } from '../quantity/message.js'
import { inForce } from '../job/state.js'
import { placeIn, type CheckGroup } from '../walk/grouped.js'
import type { Check, JudgedCheck } from '../walk/check.js'
import type { TypedJudgement } from '../walk/judge.js'

/** Readings of equal things as a table: one row a thing, one column for each that is read there. */
export interface ReadingTable {
  /** What is required of every cell of a column is said at its head. */
  columns: { id: string; title: string; unit: string | undefined; required: Message | undefined }[]
  /** What is required of a row alike, where its columns do not say it already. */
  rows: { id: string; label: string; cells: (JudgedCheck | undefined)[]; required: Message | undefined }[]
}

/** The readings of a group as a table; a thing that is not asked for a reading has an empty cell in its column. */
export function readingTable(group: CheckGroup): ReadingTable {
  const named: Omit<ReadingTable['columns'][number], 'required'>[] = []
  const things = new Map<string, { label: string; cells: Map<string, JudgedCheck> }>()
  for (const judged of group.checks) {
    const { requirement, unit, subject, ask } = judged.check
    if (ask.kind !== 'reading') continue
    if (!named.some(({ id }) => id === requirement.id))
      named.push({ id: requirement.id, title: requirement.title, unit: ask.unit })
    const id = `${unit.id}/${subject.id}`
    const thing = things.get(id) ?? { label: placeIn(group, judged), cells: new Map() }
    thing.cells.set(requirement.id, judged)
    things.set(id, thing)
  }
  const columns = named.map((column) => ({
    ...column,
    required: requiredOfAll([...things.values()].map(({ cells }) => cells.get(column.id))),
  }))
  const rows = [...things].map(([id, { label, cells }]) => {
    const line = columns.map((column) => cells.get(column.id))
    return { id, label, cells: line, required: requiredOfAll(line.filter((_, i) => !columns[i]!.required)) }
  })
  return { columns, rows }
}

/** The cells of a column below a row that nobody has read yet: a figure that is filled down goes there, over nothing that was read. */
export const unreadBelow = (
  { rows }: ReadingTable,
  { row, column }: { row: number; column: number },
): JudgedCheck[] =>
  rows.slice(row + 1).flatMap(({ cells }) => {
    const judged = cells[column]
    return judged && inForce(judged.history) === undefined ? [judged] : []
  })

/** What is required of all of these alike, to the last digit. */
function requiredOfAll(cells: readonly (JudgedCheck | undefined)[]): Message | undefined {
  const [first, ...others] = cells.flatMap((judged) => judged?.check.required ?? [])
  return others.every((required) => sameMessage(required, first)) ? first : undefined
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
