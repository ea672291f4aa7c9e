import { existsSync } from 'node:fs'
import { copyFile, mkdir, readdir, rm } from 'node:fs/promises'
import { dirname, join } from 'node:path'
import { DATABASE_FILE } from '../database/files.js'
import { damagedIn, readBackupManifest } from './manifest.js'
import { requireHealthy } from './take.js'

/** Puts a backup back into a folder that is empty or not there, verified to the last byte; says how many files. Throws, and leaves nothing, where it is damaged. */
export async function restoreBackup(from: string, dataDir: string): Promise<number> {
  const manifest = await readBackupManifest(from)
  if (existsSync(dataDir) && (await readdir(dataDir)).length > 0)
    throw new Error(`${dataDir} is not empty: a backup is put back only where nothing is`)
  const wrong = await damagedIn(from, manifest)
  if (wrong.length > 0) throw new Error(`the backup is damaged: ${wrong.slice(0, 3).join(', ')}`)
  const names = Object.keys(manifest.files)
  for (const name of names) {
    await mkdir(dirname(join(dataDir, name)), { recursive: true })
    await copyFile(join(from, name), join(dataDir, name))
  }
  try {
    requireHealthy(join(dataDir, DATABASE_FILE))
  } catch (problem) {
    await rm(dataDir, { recursive: true, force: true })
    throw problem
  }
  return names.length
}
