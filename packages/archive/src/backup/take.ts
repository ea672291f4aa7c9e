import { existsSync } from 'node:fs'
import { copyFile, link, mkdir, readdir, rename, rm, stat, writeFile } from 'node:fs/promises'
import { dirname, join } from 'node:path'
import { DATABASE_FILE } from '../database/files.js'
import { Sqlite } from '../database/sqlite.js'
import { LOCKED_KEY_FILE, OWN_KEYS_FILE, lockedKey } from '../seal-key.js'
import { MANIFEST, damagedIn, digestsIn, type BackupManifest } from './manifest.js'

/** Folders of files that are never changed once they are there: they are linked, not copied, where the disk allows it. */
const FILES = ['photos', 'traces', 'records', 'manuals']
/** What is still arriving is no evidence yet. */
const COMING = ['coming', 'arriving']
/** What a copy of the database is to hold nothing of: who is signed in, and on which devices somebody was. */
const LEFT_OUT = ['DELETE FROM sessions', `DELETE FROM office_figures WHERE name = 'known-device-secret'`]
const PREFIX = 'plumb-mark-'

export interface Taken {
  folder: string
  name: string
  at: string
  files: number
  bytes: number
}

/**
 * A copy of everything, taken while people work: the database by its own online copy, without sessions; photos, traces and records by hard
 * link or copy, each with its digest, read again before it gets its name. The key of the seals is left out, or lies in it under a
 * passphrase. A try that was cut off leaves a folder that ends in `.part` and is no backup; it is cleared away by the next.
 */
export async function takeBackup(
  dataDir: string,
  target: string,
  { at = new Date().toISOString(), passphrase }: { at?: string; passphrase?: string | undefined } = {},
): Promise<Taken> {
  if (!existsSync(join(dataDir, DATABASE_FILE)))
    throw new Error(`${dataDir} holds no data: name its folder with --data`)
  await mkdir(target, { recursive: true, mode: 0o700 })
  for (const left of await readdir(target))
    if (left.startsWith(PREFIX) && left.endsWith('.part')) await rm(join(target, left), { recursive: true })
  // To the millisecond: a second one within the second must not meet the first under its name.
  const name = `${PREFIX}${at.replaceAll(/[:.]/g, '-').slice(0, 23)}`
  const half = join(target, `${name}.part`)
  await mkdir(half, { mode: 0o700 })
  // The database first: a file is kept before anything names it, so all that this copy names is there afterwards.
  const db = new Sqlite(join(dataDir, DATABASE_FILE), { readonly: true })
  try {
    await db.copyTo(join(half, DATABASE_FILE))
  } finally {
    db.close()
  }
  for (const folder of FILES) await carry(join(dataDir, folder), join(half, folder))
  leaveOut(join(half, DATABASE_FILE))
  if (existsSync(join(dataDir, OWN_KEYS_FILE)))
    await copyFile(join(dataDir, OWN_KEYS_FILE), join(half, OWN_KEYS_FILE))
  if (passphrase !== undefined)
    await writeFile(join(half, LOCKED_KEY_FILE), lockedKey(dataDir, passphrase), { mode: 0o600 })
  const files = await digestsIn(half)
  const bytes = await sizeOf(half)
  const manifest: BackupManifest = { format: 'plumb-mark-backup', version: 1, at, bytes, files }
  await writeFile(join(half, MANIFEST), JSON.stringify(manifest, null, 1), { mode: 0o600 })
  requireHealthy(join(half, DATABASE_FILE))
  const damaged = await damagedIn(half, manifest)
  if (damaged.length > 0)
    throw new Error(`the backup cannot be read again: ${damaged.slice(0, 3).join(', ')}`)
  // Whole under its name, or not there at all.
  await rename(half, join(target, name))
  return { folder: join(target, name), name, at, files: Object.keys(files).length, bytes }
}

/** Overwritten, and not only let go; the copy is one file again. */
function leaveOut(file: string): void {
  const db = new Sqlite(file)
  try {
    db.pragma('secure_delete = ON')
    db.pragma('journal_mode = DELETE')
    for (const statement of LEFT_OUT) {
      const table = /FROM (\w+)/.exec(statement)![1]
      // A database of before some table was made is copied all the same.
      if (db.prepare('SELECT 1 FROM sqlite_master WHERE name = ?').get(table)) db.exec(statement)
    }
  } finally {
    db.close()
  }
}

/** Throws where a copy of the database is damaged. */
export function requireHealthy(file: string): void {
  const db = new Sqlite(file, { readonly: true })
  try {
    if (db.pragma('quick_check', { simple: true }) !== 'ok')
      throw new Error('the database in the backup is damaged')
  } finally {
    db.close()
  }
}

async function carry(from: string, to: string): Promise<void> {
  if (!existsSync(from)) return
  for (const entry of await readdir(from, { withFileTypes: true, recursive: true })) {
    // A file that is still being written has no name of its own yet.
    if (!entry.isFile() || entry.name.endsWith('.part')) continue
    const source = join(entry.parentPath, entry.name)
    if (COMING.some((folder) => source.slice(from.length + 1).startsWith(folder))) continue
    const target = join(to, source.slice(from.length))
    await mkdir(dirname(target), { recursive: true })
    await link(source, target).catch(() => copyFile(source, target))
  }
}

async function sizeOf(folder: string): Promise<number> {
  let bytes = 0
  for (const entry of await readdir(folder, { withFileTypes: true, recursive: true }))
    if (entry.isFile()) bytes += (await stat(join(entry.parentPath, entry.name))).size
  return bytes
}
