import { existsSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { REFUSAL, Sqlite, refusalOf } from './sqlite.js'

let folder: string
let file: string
let db: Sqlite
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'plumb-mark-sqlite-'))
  file = join(folder, 'one.sqlite')
  db = new Sqlite(file, { timeout: 0 })
  db.pragma('journal_mode = WAL')
  db.exec(`CREATE TABLE readings (id TEXT PRIMARY KEY, value REAL, serial TEXT UNIQUE);
    CREATE TRIGGER kept BEFORE DELETE ON readings BEGIN SELECT RAISE(ABORT, 'a reading is never deleted'); END`)
  db.exec(`INSERT INTO readings VALUES ('a', 2.2, 'S-1')`)
})
afterEach(() => {
  db.close()
  rmSync(folder, { recursive: true })
})

const refused = (by: Sqlite, text: string) => {
  try {
    by.exec(text)
  } catch (problem) {
    return refusalOf(problem)
  }
  return 'taken'
}

it.each([
  ['an id that is here', `INSERT INTO readings VALUES ('a', 1, 'S-2')`, REFUSAL.primaryKey],
  ['a serial that is here', `INSERT INTO readings VALUES ('b', 1, 'S-1')`, REFUSAL.unique],
  ['what a trigger keeps', `DELETE FROM readings`, REFUSAL.trigger],
  ['what is no statement', `INSERT INTO`, 1],
  ['a new one', `INSERT INTO readings VALUES ('b', 1, 'S-2')`, 'taken'],
])('%s is refused under its code, or taken', (_name, text, code) => expect(refused(db, text)).toBe(code))

it('whatever else was thrown is no refusal of the database', () => {
  for (const other of [new Error('x'), 'x', {}]) expect(refusalOf(other)).toBe(0)
})

it('while another holds the file, a write is refused as busy and reading goes on', () => {
  const other = new Sqlite(file, { timeout: 0 })
  db.exec('BEGIN IMMEDIATE')
  expect(refused(other, 'BEGIN IMMEDIATE')).toBe(REFUSAL.busy)
  expect(other.prepare('SELECT value FROM readings').get()).toMatchObject({ value: 2.2 })
  db.exec('ROLLBACK')
  other.close()
})

it('one that is opened to be read writes nothing, and makes no file', () => {
  const reader = new Sqlite(file, { readonly: true })
  expect(refused(reader, `INSERT INTO readings VALUES ('b', 1, 'S-2')`)).not.toBe('taken')
  reader.close()
  const missing = join(folder, 'none.sqlite')
  for (const wish of [{ readonly: true }, { fileMustExist: true }])
    expect(() => new Sqlite(missing, wish)).toThrow('there is no database')
  expect(existsSync(missing)).toBe(false)
})

it('what is not there is null; a statement says whether it answers', () => {
  const put = db.prepare('INSERT INTO readings VALUES (?, ?, ?)')
  expect([put.reader, db.prepare('SELECT 1').reader]).toEqual([false, true])
  expect(put.run('b', undefined, null)).toMatchObject({ changes: 1 })
  expect(db.prepare('SELECT id FROM readings WHERE value IS NULL AND serial IS NULL').all()).toMatchObject([
    { id: 'b' },
  ])
  expect(db.prepare('SELECT * FROM readings WHERE id = ?').get('c')).toBeUndefined()
  expect(db.pragma('journal_mode', { simple: true })).toBe('wal')
})

it('a copy is of one moment: committed is in it, what a transaction still holds is not', async () => {
  const other = new Sqlite(file)
  other.exec(`INSERT INTO readings VALUES ('b', 1, 'S-2')`)
  other.exec(`BEGIN IMMEDIATE; INSERT INTO readings VALUES ('c', 1, 'S-3')`)
  await db.copyTo(join(folder, 'copy.sqlite'))
  other.exec('COMMIT')
  other.close()
  const copy = new Sqlite(join(folder, 'copy.sqlite'), { readonly: true })
  expect(copy.prepare('SELECT id FROM readings ORDER BY id').all()).toMatchObject([{ id: 'a' }, { id: 'b' }])
  copy.close()
})
