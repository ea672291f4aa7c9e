import { existsSync } from 'node:fs'
import { copyFile, mkdir, open, readFile, readdir, rm } from 'node:fs/promises'
import { dirname, join } from 'node:path'
import { DATABASE_FILE, within } from '../database/files.js'
import { LOCKED_KEY_FILE, unlockKey } from '../seal-key.js'
import { damagedIn, readBackupManifest } from './manifest.js'
import { requireHealthy } from './take.js'

/** Stands in a folder into which a backup is being put back: as long as it is there, nothing starts on it. */
export const RESTORE_UNFINISHED = 'restore-unfinished'

export interface Restored {
  files: number
  key: 'opened' | 'left-out'
}

/**
 * Puts a backup back into a folder that is empty or not there (or in which a restore was cut off), verified to the last byte. Its key is
 * opened by the passphrase; `withoutKey` leaves it out on purpose. Throws, and leaves nothing, where the backup is damaged or the passphrase
 * is not the one.
 */
export async function restoreBackup(
  from: string,
  dataDir: string,
  { passphrase, withoutKey = false }: { passphrase?: string | undefined; withoutKey?: boolean } = {},
): Promise<Restored> {
  const manifest = await readBackupManifest(from)
  const cutOff = existsSync(join(dataDir, RESTORE_UNFINISHED))
  if (!cutOff && existsSync(dataDir) && (await readdir(dataDir)).length > 0)
    throw new Error(`${dataDir} is not empty: a backup is put back only where nothing is`)
  const names = Object.keys(manifest.files)
  // A manifest says where each file goes: never out of the folder, nor from outside of the backup.
  for (const name of names) within(dataDir, name)
  const wrong = await damagedIn(from, manifest)
  if (wrong.length > 0) throw new Error(`the backup is damaged: ${wrong.slice(0, 3).join(', ')}`)
  const locked = names.includes(LOCKED_KEY_FILE)
  if (locked && passphrase === undefined && !withoutKey)
    throw new Error(
      'the key of the seals in this backup is locked: name the file of its passphrase with --passphrase-file, or leave the key out with --without-key',
    )
  if (cutOff) await rm(dataDir, { recursive: true })
  await mkdir(dataDir, { recursive: true, mode: 0o700 })
  await markUnfinished(dataDir)
  try {
    for (const name of names.filter((one) => one !== LOCKED_KEY_FILE)) {
      await mkdir(dirname(join(dataDir, name)), { recursive: true, mode: 0o700 })
      await copyFile(within(from, name), join(dataDir, name))
    }
    requireHealthy(join(dataDir, DATABASE_FILE))
    if (locked && passphrase !== undefined)
      unlockKey(await readFile(join(from, LOCKED_KEY_FILE), 'utf8'), passphrase, dataDir)
  } catch (problem) {
    await rm(dataDir, { recursive: true, force: true })
    throw problem
  }
  await rm(join(dataDir, RESTORE_UNFINISHED))
  return { files: names.length, key: locked && passphrase !== undefined ? 'opened' : 'left-out' }
}

/** On the disk before the first file is. */
async function markUnfinished(dataDir: string): Promise<void> {
  const mark = await open(join(dataDir, RESTORE_UNFINISHED), 'w', 0o600)
  await mark.sync()
  await mark.close()
}
