import { readdir, rm } from 'node:fs/promises'
import { join } from 'node:path'
import { readBackupManifest } from './manifest.js'

/** How many of the last days, weeks and months keep their last backup. */
const RULE = { days: 7, weeks: 4, months: 12 } as const

export interface KeptBackup {
  name: string
  /** ISO 8601. */
  at: string
}

/** The backups of a folder, the latest first; what is no backup is passed over. */
export async function backupsIn(folder: string): Promise<KeptBackup[]> {
  const found: KeptBackup[] = []
  for (const name of await readdir(folder).catch(() => [])) {
    if (name.endsWith('.part')) continue
    const manifest = await readBackupManifest(join(folder, name)).catch(() => undefined)
    if (manifest) found.push({ name, at: manifest.at })
  }
  return found.sort((a, b) => b.at.localeCompare(a.at))
}

/**
 * Which backups stay: the last of each of the last seven days that have one, of the last four weeks and of the last twelve months. A time
 * without backups makes none of those before it go, and the latest always stays.
 */
export function staying(backups: readonly KeptBackup[]): ReadonlySet<string> {
  const sorted = [...backups].sort((a, b) => b.at.localeCompare(a.at))
  const kept = new Set<string>()
  const lastOfEach = (span: (at: string) => string, most: number) => {
    const seen = new Set<string>()
    for (const { name, at } of sorted) {
      if (seen.has(span(at))) continue
      if (seen.size === most) break
      seen.add(span(at))
      kept.add(name)
    }
  }
  lastOfEach((at) => at.slice(0, 10), RULE.days)
  lastOfEach(weekOf, RULE.weeks)
  lastOfEach((at) => at.slice(0, 7), RULE.months)
  return kept
}

/** Clears away what the rule does not keep; says what stays. */
export async function clearOld(folder: string): Promise<KeptBackup[]> {
  const all = await backupsIn(folder)
  const kept = staying(all)
  for (const { name } of all) if (!kept.has(name)) await rm(join(folder, name), { recursive: true })
  return all.filter(({ name }) => kept.has(name))
}

const DAY_MS = 86_400_000
/** Monday, 5 January 1970. */
const FIRST_MONDAY = 4 * DAY_MS
const weekOf = (at: string) => String(Math.floor((Date.parse(at) - FIRST_MONDAY) / (7 * DAY_MS)))
