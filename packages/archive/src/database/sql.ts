import { setImmediate as turn } from 'node:timers/promises'

/** A statement with its values, and the rows that it answers: all that this package needs to know of a database. */
export type Sql = (text: string, values?: readonly unknown[]) => Promise<Record<string, unknown>[]>

/** Below what one statement of the database may carry. */
const ROWS_AT_ONCE = 100

/** Writes many rows, in parts between which others are answered. `verb` is `INSERT`, or `INSERT OR IGNORE`. */
export async function insertRows(
  sql: Sql,
  verb: 'INSERT' | 'INSERT OR IGNORE',
  table: string,
  columns: readonly string[],
  rows: readonly (readonly unknown[])[],
): Promise<void> {
  const names = columns.map((name) => `"${name}"`).join(', ')
  const places = `(${columns.map(() => '?').join(', ')})`
  for (let i = 0; i < rows.length; i += ROWS_AT_ONCE) {
    if (i > 0) await turn()
    const some = rows.slice(i, i + ROWS_AT_ONCE)
    await sql(`${verb} INTO ${table} (${names}) VALUES ${some.map(() => places).join(', ')}`, some.flat())
  }
}
