import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { DATABASE_FILE } from './files.js'
import type { Sql } from './sql.js'
import { Sqlite } from './sqlite.js'

/** A folder of data opened by a program that is not its server. */
export interface OpenData {
  sql: Sql
  /** All of it, or nothing. */
  transaction<T>(work: () => Promise<T>): Promise<T>
  close(): void
}

/** Opens the database of a folder. Throws where there is none. */
export function openData(dataDir: string, { readonly }: { readonly: boolean }): OpenData {
  const file = join(dataDir, DATABASE_FILE)
  if (!existsSync(file)) throw new Error(`${dataDir} holds no data: name its folder with --data`)
  const db = new Sqlite(file, { readonly })
  db.pragma('foreign_keys = ON')
  db.pragma('busy_timeout = 5000')
  if (!readonly) db.pragma('synchronous = FULL')
  return {
    sql: async (text, values = []) => {
      const statement = db.prepare(text)
      if (statement.reader) return statement.all(...values)
      statement.run(...values)
      return []
    },
    transaction: async (work) => {
      db.exec('BEGIN IMMEDIATE')
      try {
        const done = await work()
        db.exec('COMMIT')
        return done
      } catch (problem) {
        db.exec('ROLLBACK')
        throw problem
      }
    },
    close: () => db.close(),
  }
}

/** Holds a folder that nobody else may use meanwhile; undefined where a program serves it. */
export function lockFolder(dataDir: string): { release(): void } | undefined {
  const lock = new Sqlite(join(dataDir, 'in-use.lock'), { timeout: 0 })
  try {
    lock.exec('BEGIN EXCLUSIVE')
    return { release: () => lock.close() }
  } catch {
    lock.close()
    return undefined
  }
}
