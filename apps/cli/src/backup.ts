import { createHash } from 'node:crypto'
import { existsSync, createReadStream } from 'node:fs'
import { copyFile, link, mkdir, readFile, readdir, rename, rm, writeFile } from 'node:fs/promises'
import { dirname, join } from 'node:path'
import { pipeline } from 'node:stream/promises'
import { parseArgs } from 'node:util'
import Database from 'better-sqlite3'
import type { Command } from './command.js'

const DATABASE = 'plumb-mark.sqlite'
const MANIFEST = 'manifest.json'
/** Folders of files that are never changed once they are there: they are linked, not copied, where the disk allows it. */
const FILES = ['photos', 'traces']
/** The key that seals are signed with lies beside the database. */
const ALONE = ['seal-key.pem']

interface Manifest {
  format: 'plumb-mark-backup'
  version: 1
  at: string
  /** SHA-256 of every file, by its path within the backup. */
  files: Record<string, string>
}

/** `backup <folder> [--data DIR]`: a copy of everything, taken while people work, with the digest of every file. */
export const backup: Command = async (args) => {
  const { target, data } = placesIn(args, 'backup')
  if (!existsSync(join(data, DATABASE))) throw new Error(`${data} holds no data: name its folder with --data`)
  const at = new Date().toISOString()
  const name = `plumb-mark-${at.replaceAll(':', '-').slice(0, 19)}`
  const half = join(target, `${name}.part`)
  await mkdir(half, { recursive: true })
  // The database first: a file is kept before anything names it, so all that this copy names is there afterwards.
  const db = new Database(join(data, DATABASE), { readonly: true })
  try {
    await db.backup(join(half, DATABASE))
  } finally {
    db.close()
  }
  for (const folder of FILES) await carry(join(data, folder), join(half, folder))
  for (const file of ALONE)
    if (existsSync(join(data, file))) await copyFile(join(data, file), join(half, file))
  const files = await digestsIn(half)
  const manifest: Manifest = { format: 'plumb-mark-backup', version: 1, at, files }
  await writeFile(join(half, MANIFEST), JSON.stringify(manifest, null, 1))
  // Whole under its name, or not there at all.
  await rename(half, join(target, name))
  console.log(`${join(target, name)}: ${Object.keys(files).length} files`)
  return 0
}

/** `restore <backup> --data DIR`: verified to the last byte, into a folder that is empty or not there. */
export const restore: Command = async (args) => {
  const { target: from, data } = placesIn(args, 'restore')
  const { format, files } = JSON.parse(await readFile(join(from, MANIFEST), 'utf8')) as Partial<Manifest>
  if (format !== 'plumb-mark-backup' || !files) throw new Error(`${from} is no backup of ours`)
  if (existsSync(data) && (await readdir(data)).length > 0)
    throw new Error(`${data} is not empty: a backup is put back only where nothing is`)
  const found = await digestsIn(from)
  const wrong = Object.keys(files).filter((name) => found[name] !== files[name])
  if (wrong.length > 0) throw new Error(`the backup is damaged: ${wrong.slice(0, 3).join(', ')}`)
  for (const name of Object.keys(files)) {
    await mkdir(dirname(join(data, name)), { recursive: true })
    await copyFile(join(from, name), join(data, name))
  }
  const db = new Database(join(data, DATABASE), { readonly: true })
  const healthy = db.pragma('quick_check', { simple: true }) === 'ok'
  db.close()
  if (!healthy) {
    await rm(data, { recursive: true, force: true })
    throw new Error('the database in the backup is damaged')
  }
  console.log(`${data}: ${Object.keys(files).length} files put back and verified`)
  return 0
}

function placesIn(args: string[], command: string): { target: string; data: string } {
  const { values, positionals } = parseArgs({
    args,
    allowPositionals: true,
    options: { data: { type: 'string', default: 'data' } },
  })
  const [target] = positionals
  if (!target || positionals.length > 1) throw new Error(`${command} takes one folder; see plumb-mark --help`)
  return { target, data: values.data }
}

async function carry(from: string, to: string): Promise<void> {
  if (!existsSync(from)) return
  for (const entry of await readdir(from, { withFileTypes: true, recursive: true })) {
    // A file that is still being written has no name of its own yet.
    if (!entry.isFile() || entry.name.endsWith('.part')) continue
    const source = join(entry.parentPath, entry.name)
    const target = join(to, source.slice(from.length))
    await mkdir(dirname(target), { recursive: true })
    await link(source, target).catch(() => copyFile(source, target))
  }
}

async function digestsIn(folder: string): Promise<Record<string, string>> {
  const digests: Record<string, string> = {}
  for (const entry of await readdir(folder, { withFileTypes: true, recursive: true })) {
    if (!entry.isFile() || entry.name === MANIFEST) continue
    const file = join(entry.parentPath, entry.name)
    const hash = createHash('sha256')
    await pipeline(createReadStream(file), hash)
    digests[file.slice(folder.length + 1)] = hash.digest('hex')
  }
  return digests
}
