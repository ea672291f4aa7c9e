import { readFile, readdir } from 'node:fs/promises'
import { join } from 'node:path'
import { digestOfFile } from '../digest.js'

export const MANIFEST = 'manifest.json'

/** What a backup is made of, with the digest of every file. */
export interface BackupManifest {
  format: 'plumb-mark-backup'
  version: 1
  /** ISO 8601. */
  at: string
  bytes?: number
  /** SHA-256 of every file, by its path within the backup. */
  files: Record<string, string>
}

/** Throws where there is none of ours. */
export async function readBackupManifest(folder: string): Promise<BackupManifest> {
  const text = await readFile(join(folder, MANIFEST), 'utf8').catch(() => '{}')
  const manifest = JSON.parse(text) as Partial<BackupManifest>
  if (manifest.format !== 'plumb-mark-backup' || !manifest.files || !manifest.at)
    throw new Error(`${folder} is no backup of ours`)
  return manifest as BackupManifest
}

/** The files of a backup that are not what its manifest says; none where it is whole. */
export async function damagedIn(folder: string, { files }: BackupManifest): Promise<string[]> {
  const found = await digestsIn(folder)
  return Object.keys(files).filter((name) => found[name] !== files[name])
}

export async function digestsIn(folder: string): Promise<Record<string, string>> {
  const digests: Record<string, string> = {}
  for (const entry of await readdir(folder, { withFileTypes: true, recursive: true })) {
    if (!entry.isFile() || entry.name === MANIFEST) continue
    const file = join(entry.parentPath, entry.name)
    digests[file.slice(folder.length + 1)] = await digestOfFile(file)
  }
  return digests
}
