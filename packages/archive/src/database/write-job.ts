import { existsSync } from 'node:fs'
import { mkdir } from 'node:fs/promises'
import { dirname } from 'node:path'
import { promisify } from 'node:util'
import { gzip } from 'node:zlib'
import {
  BadInput,
  fold,
  meetingOf,
  sheetFingerprint,
  sheetId,
  type Entry,
  type Meeting,
  type Sheet,
} from '@plumb-mark/core'
import { sha256 } from '../digest.js'
import { durable } from '../durable.js'
import type { ArchivedJob } from '../zip/archived-job.js'
import { photoPath, tracePath } from './files.js'
import { entriesOf, entryValues } from './read-job.js'
import type { Sql } from './sql.js'

/** A job that comes in is continued here, or kept as a record that nobody adds to. */
export type ImportedAs = 'job' | 'record'

const pack = promisify(gzip)

/** Why a ZIP cannot come in as it is; nothing where it can. */
export async function obstacleTo(
  sql: Sql,
  { file, manifest, faults }: ArchivedJob,
): Promise<string | undefined> {
  if (faults.length > 0) return 'the record is not intact'
  const { header, unreadable } = fold(file.entries)
  if (!header) return 'the record does not begin with the opening of a job'
  if (unreadable.length > 0)
    return 'the record holds entries that this program cannot read: it is of a newer one'
  const [same] = await sql('SELECT id FROM jobs WHERE number = ? AND id <> ?', [
    header.number,
    manifest.jobId,
  ])
  if (same) return `another job has the number ${header.number} already`
  for (const sheet of file.sheets) {
    const [here] = await sql('SELECT fingerprint FROM sheets WHERE id = ?', [sheetId(sheet)])
    if (here && here['fingerprint'] !== sheetFingerprint(sheet, sha256))
      return `the sheet ${sheetId(sheet)} says something else here`
  }
  return undefined
}

/** What a ZIP would change, against the job as it is kept. */
export const meetingWith = async (sql: Sql, { file }: ArchivedJob): Promise<Meeting> =>
  meetingOf(await entriesOf(sql, file.jobId), file.entries)

/**
 * Puts the photos and traces of a ZIP where the data lies, and says how large each is by its name in the ZIP. Before any row names them:
 * what is left when it breaks off is named by nobody.
 */
export async function writeFiles(
  dataDir: string,
  { zip, manifest }: ArchivedJob,
): Promise<ReadonlyMap<string, number>> {
  const bytes = new Map<string, number>()
  const put = async (name: string, target: string, packed?: 'packed') => {
    const content = await zip.read(name)
    bytes.set(name, content.length)
    if (existsSync(target)) return
    await mkdir(dirname(target), { recursive: true })
    await durable(target, packed ? await pack(content, { level: 9 }) : content)
  }
  for (const { file, sha256: digest } of manifest.photos) await put(file, photoPath(dataDir, digest))
  for (const { file, sha256: digest } of manifest.traces)
    await put(file, tracePath(dataDir, digest), 'packed')
  return bytes
}

/**
 * Writes what a ZIP adds, within one transaction of the caller: a job that is not here whole, one that is continued from where it stands.
 * Nothing that is here is changed. Bad input: `fork`, where both went on in their own way.
 */
export async function writeRows(
  sql: Sql,
  archived: ArchivedJob,
  { as, now, bytes }: { as: ImportedAs; now: string; bytes: ReadonlyMap<string, number> },
): Promise<Meeting> {
  const { file, sources, manifest } = archived
  const obstacle = await obstacleTo(sql, archived)
  if (obstacle) throw new BadInput('not-importable', '', obstacle)
  const meeting = await meetingWith(sql, archived)
  if (meeting.kind === 'fork')
    throw new BadInput(
      'fork',
      `entries[${meeting.at}]`,
      'the job went on here in another way: neither is changed',
    )
  const added = meeting.kind === 'new' ? file.entries : meeting.kind === 'extends' ? meeting.added : []
  if (added.length > 0) {
    const { header, seal } = fold(file.entries)
    for (const sheet of file.sheets) await writeSheet(sql, sheet, sources)
    if (meeting.kind === 'new')
      await sql('INSERT INTO jobs (id, number, changedAt, readOnly) VALUES (?, ?, ?, ?)', [
        file.jobId,
        header?.number,
        now,
        Number(as === 'record'),
      ])
    for (const entry of added) await writeEntry(sql, entry)
    // After its entries: a sealed job takes none.
    await sql('UPDATE jobs SET changedAt = ?, sealedAt = ? WHERE id = ?', [now, seal?.at ?? null, file.jobId])
    if (seal && file.attested)
      await sql('INSERT INTO seals (jobId, seq, head, publicKey, signature) VALUES (?, ?, ?, ?, ?)', [
        file.jobId,
        file.attested.seq,
        file.attested.head,
        file.attested.publicKey,
        file.attested.signature,
      ])
    for (const { id } of [...(header?.sheets ?? []), ...(header?.replaced ?? [])])
      await sql('INSERT OR IGNORE INTO job_sheets (jobId, sheetId) SELECT ?, id FROM sheets WHERE id = ?', [
        file.jobId,
        id,
      ])
    for (const { id } of fold(file.entries).sharedWith)
      await sql('INSERT OR IGNORE INTO job_people (jobId, personId) SELECT ?, id FROM people WHERE id = ?', [
        file.jobId,
        id,
      ])
    // Lists know it when it has been judged here.
    await sql('UPDATE job_summaries SET version = 0 WHERE jobId = ?', [file.jobId])
  }
  for (const { id, sha256: digest, type, width, height, personId, keptAt, file: name } of manifest.photos)
    await sql(
      `INSERT OR IGNORE INTO photos (id, jobId, sha256, type, width, height, bytes, personId, keptAt) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)`,
      [id, file.jobId, digest, type, width, height, bytes.get(name), personId, keptAt],
    )
  for (const { id, sha256: digest, samples, personId, keptAt, file: name } of manifest.traces)
    await sql(
      'INSERT OR IGNORE INTO traces (id, jobId, sha256, samples, bytes, personId, keptAt) VALUES (?, ?, ?, ?, ?, ?, ?)',
      [id, file.jobId, digest, samples, bytes.get(name), personId, keptAt],
    )
  return meeting
}

const writeEntry = (sql: Sql, entry: Entry) =>
  sql(
    `INSERT INTO entries (id, jobId, seq, kind, at, said, received, "by", body, prev, hash) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
    entryValues(entry),
  )

async function writeSheet(sql: Sql, sheet: Sheet, sources: ReadonlyMap<string, string>): Promise<void> {
  const id = sheetId(sheet)
  const [here] = await sql('SELECT id FROM sheets WHERE id = ?', [id])
  if (here) return
  const source = sources.get(id) ?? JSON.stringify(sheet, null, 1)
  const { maker, model, revision } = sheet
  await sql(
    'INSERT INTO sheets (id, maker, model, revision, source, fingerprint) VALUES (?, ?, ?, ?, ?, ?)',
    [id, maker, model, revision, source, sheetFingerprint(sheet, sha256)],
  )
}
