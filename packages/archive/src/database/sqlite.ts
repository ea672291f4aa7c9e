import {
  DatabaseSync,
  backup,
  type DatabaseSyncInstance,
  type StatementSyncInstance,
} from '@photostructure/sqlite'
import { existsSync } from 'node:fs'

/** How a file is opened. `timeout`: how long a statement waits for another process that holds the file, ms. */
export interface SqliteOptions {
  readonly?: boolean
  fileMustExist?: boolean
  timeout?: number
}

type Row = Record<string, unknown>
type Value = string | number | bigint | Uint8Array | null

/** What the database calls its refusals (`errcode` of what is thrown), as far as anybody here asks. Source: the result codes of SQLite. */
export const REFUSAL = { busy: 5, trigger: 1811, primaryKey: 1555, unique: 2067 } as const

/** The code of a refusal of the database; 0 for whatever else was thrown. A busy file has several, which are one to everybody here. */
export function refusalOf(problem: unknown): number {
  const code = (problem as { errcode?: number }).errcode ?? 0
  return (code & 0xff) === REFUSAL.busy ? REFUSAL.busy : code
}

/**
 * A database file, under the names that TypeORM calls its driver by. Beneath it stands the interface that Node itself has from version
 * 22 on, as a package that brings its binary along: nothing is compiled where it is installed.
 */
export class Sqlite {
  private readonly db: DatabaseSyncInstance

  /** Throws where there is no such file and `readonly` or `fileMustExist` forbids to make one. */
  constructor(path: string, { readonly = false, fileMustExist = false, timeout = 5000 }: SqliteOptions = {}) {
    if ((fileMustExist || readonly) && !existsSync(path)) throw new Error(`there is no database ${path}`)
    this.db = new DatabaseSync(path, { readOnly: readonly, timeout })
  }

  /** A statement that is run once or often; a wrong one throws here. */
  prepare(text: string): SqliteStatement {
    return new SqliteStatement(this.db.prepare(text))
  }

  /** One or several statements, whose rows nobody wants. */
  exec(text: string): void {
    this.db.exec(text)
  }

  /** Sets or asks a property of the database: its rows, or with `simple` the first figure of the first. */
  pragma(text: string, { simple = false }: { simple?: boolean } = {}): unknown {
    const rows = this.prepare(`PRAGMA ${text}`).all()
    return simple ? Object.values(rows[0] ?? {})[0] : rows
  }

  /** A copy of the whole file as of one moment, taken while others read and write. */
  async copyTo(path: string): Promise<void> {
    // All pages in one step: a copy that pauses begins anew whenever somebody else writes, and never ends while many do.
    await backup(this.db, path, { rate: 0x7fffffff })
  }

  close(): void {
    this.db.close()
  }
}

export class SqliteStatement {
  /** Does it answer with rows? Asked once: statements are kept and run often. */
  readonly reader: boolean

  constructor(private readonly statement: StatementSyncInstance) {
    this.reader = statement.columns().length > 0
  }

  all(...values: unknown[]): Row[] {
    return this.statement.all(...values.map(bound)) as Row[]
  }

  get(...values: unknown[]): Row | undefined {
    return this.statement.get(...values.map(bound)) as Row | undefined
  }

  run(...values: unknown[]): { changes: number; lastInsertRowid: number | bigint } {
    return this.statement.run(...values.map(bound))
  }
}

/** What is not there is null in a row. */
const bound = (value: unknown): Value => (value ?? null) as Value
