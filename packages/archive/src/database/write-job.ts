import { existsSync } from 'node:fs'
import { mkdir, rename, rm } from 'node:fs/promises'
import { dirname } from 'node:path'
import { promisify } from 'node:util'
import { gzip } from 'node:zlib'
import {
  BadInput,
  UUID,
  compareChains,
  fold,
  readClippings,
  sheetFingerprint,
  sheetId,
  type Entry,
  type ChainComparison,
  type Sheet,
  type Signer,
} from '@plumb-mark/core'
import { digestOfFile, sha256 } from '../digest.js'
import { durable } from '../durable.js'
import type { ArchivedJob } from '../zip/archived-job.js'
import { clippingsFile } from '../zip/names.js'
import { clippingsPath, photoPath, tracePath } from './files.js'
import { clippingsOf, entriesOf } from './read-job.js'
import { insertRows, type Sql } from './sql.js'
import { writeEntries } from './write-entries.js'

const pack = promisify(gzip)

/** A record without its open ZIP: what can be handed from thread to thread. */
export type ArchivedRecord = Omit<ArchivedJob, 'zip'>

/** Why a record cannot become a job that is worked on here; nothing where it can. It can always be opened to be read. */
export async function obstacleTo(
  sql: Sql,
  { file, manifest, faults }: ArchivedRecord,
  signer: Signer,
): Promise<string | undefined> {
  if (faults.length > 0) return 'the record is not intact'
  if (signer.kind === 'nobody') return 'no installation gave its word for it: it can be opened to be read'
  if (signer.kind === 'stranger')
    return `it is signed by ${signer.key}, a key that the office has not accepted: it can be opened to be read`
  const { header, unreadable } = fold(file.entries)
  if (!header) return 'the record does not begin with the opening of a job'
  if (unreadable.length > 0)
    return 'the record holds entries that this program cannot read: it is of a newer one'
  const strange = file.entries.find(({ id }) => !UUID.test(id))
  if (strange) return `entry ${strange.seq} has an id that is none`
  const [same] = await sql('SELECT id FROM jobs WHERE number = ? AND id <> ?', [
    header.number,
    manifest.jobId,
  ])
  if (same) return `another job has the number ${header.number} already`
  if (await meetsAnother(sql, file.jobId, 'entries', file.entries))
    return 'an entry of it has the id of one of another job'
  for (const table of ['photos', 'traces'] as const)
    if (await meetsAnother(sql, file.jobId, table, manifest[table]))
      return `${table} of it have ids that others have here`
  for (const sheet of file.sheets) {
    const [here] = await sql('SELECT fingerprint FROM sheets WHERE id = ?', [sheetId(sheet)])
    if (here && here['fingerprint'] !== sheetFingerprint(sheet, sha256))
      return `the sheet ${sheetId(sheet)} says something else here`
  }
  return undefined
}

/** Is there something under one of these ids that belongs to another job, or is another file? */
async function meetsAnother(
  sql: Sql,
  jobId: string,
  table: 'entries' | 'photos' | 'traces',
  items: readonly { id: string; sha256?: string }[],
): Promise<boolean> {
  const digest = table === 'entries' ? `NULL` : 'sha256'
  const wanted = new Map(items.map(({ id, sha256: one }) => [id, one]))
  const ids = [...wanted.keys()]
  for (let i = 0; i < ids.length; i += IDS_AT_ONCE) {
    const some = ids.slice(i, i + IDS_AT_ONCE)
    const here = await sql(
      `SELECT id, jobId, ${digest} AS digest FROM ${table} WHERE id IN (${some.map(() => '?').join(', ')})`,
      some,
    )
    if (
      here.some(
        (row) => row['jobId'] !== jobId || (row['digest'] ?? undefined) !== wanted.get(row['id'] as string),
      )
    )
      return true
  }
  return false
}
const IDS_AT_ONCE = 500

/** What a record would change, against the job as it is kept. */
export const meetingWith = async (sql: Sql, { file }: ArchivedRecord): Promise<ChainComparison> =>
  compareChains(await entriesOf(sql, file.jobId), file.entries)

/** The files of a record, unpacked: how large each is, by its name in the ZIP. */
export type FileSizes = ReadonlyMap<string, number>

/** Unpacks photos, traces and cut-outs of manuals into a folder, each under its digest, which is worked out from what came out. Bad input: `malformed`, a file that is not what it is called. */
export async function unpackFiles(
  folder: string,
  { zip, manifest, file: { sheets } }: ArchivedJob,
): Promise<FileSizes> {
  const sizes = new Map<string, number>()
  const put = async (name: string, digest: string, target: string, packed?: 'packed') => {
    const content = await zip.read(name)
    if (sha256(content) !== digest) throw new BadInput('malformed', name, 'is not what the manifest says')
    sizes.set(name, content.length)
    await mkdir(dirname(target), { recursive: true })
    await durable(target, packed ? await pack(content, { level: 9 }) : content)
  }
  for (const { file, sha256: digest } of manifest.photos) await put(file, digest, photoPath(folder, digest))
  for (const { file, sha256: digest } of manifest.traces)
    await put(file, digest, tracePath(folder, digest), 'packed')
  for (const digest of clippingsOf(sheets)) {
    const name = clippingsFile(digest)
    if (!zip.names.has(name)) continue
    readClippings((await zip.read(name)).toString('utf8'))
    await put(name, digest, clippingsPath(folder, digest))
  }
  return sizes
}

/**
 * Moves unpacked files to where the data lies, before any row names them. Answers with how to take them back, should the rows be refused:
 * what was there before stays.
 */
export async function placeFiles(
  dataDir: string,
  unpacked: string,
  { manifest, file: { sheets } }: ArchivedRecord,
): Promise<() => Promise<void>> {
  const placed: string[] = []
  const move = async (from: string, to: string, isThere: boolean) => {
    if (isThere || !existsSync(from)) return
    await mkdir(dirname(to), { recursive: true })
    await rename(from, to)
    placed.push(to)
  }
  for (const { sha256: digest } of manifest.photos) {
    const to = photoPath(dataDir, digest)
    // What lies under a digest and is something else is put right.
    await move(photoPath(unpacked, digest), to, existsSync(to) && (await digestOfFile(to)) === digest)
  }
  for (const { sha256: digest } of manifest.traces) {
    const to = tracePath(dataDir, digest)
    await move(tracePath(unpacked, digest), to, existsSync(to))
  }
  for (const digest of clippingsOf(sheets)) {
    const to = clippingsPath(dataDir, digest)
    await move(clippingsPath(unpacked, digest), to, existsSync(to))
  }
  return async () => {
    for (const file of placed) await rm(file, { force: true })
  }
}

/**
 * Writes what a record adds, within one transaction of the caller: a job that is not here whole, one that is continued from where it
 * stands. Nothing that is here is changed. What another installation wrote is kept as told by it, and lets nobody in. Bad input: `fork`,
 * where both went on in their own way; `not-importable`, with the obstacle.
 */
export async function writeRows(
  sql: Sql,
  record: ArchivedRecord,
  { signer, now, sizes }: { signer: Signer; now: string; sizes: FileSizes },
): Promise<ChainComparison> {
  const { file, manifest, sources } = record
  const obstacle = await obstacleTo(sql, record, signer)
  if (obstacle) throw new BadInput('not-importable', '', obstacle)
  const meeting = await meetingWith(sql, record)
  if (meeting.kind === 'fork')
    throw new BadInput(
      'fork',
      `entries[${meeting.at}]`,
      'the job went on here in another way: neither is changed',
    )
  const added = addedBy(meeting, file.entries)
  if (added.length > 0) {
    for (const sheet of file.sheets) await writeSheet(sql, sheet, sources)
    if (meeting.kind === 'new')
      await sql('INSERT INTO jobs (id, number, changedAt) VALUES (?, ?, ?)', [
        file.jobId,
        fold(file.entries).header?.number,
        now,
      ])
    const theirs = signer.kind === 'known'
    await writeEntries(sql, file.jobId, added, { sealWith: () => file.attested, theirs })
    if (signer.kind === 'known')
      await sql(
        'INSERT INTO imported_parts (jobId, fromSeq, toSeq, installation, key, at) VALUES (?, ?, ?, ?, ?, ?)',
        [file.jobId, added[0]!.seq, added.at(-1)!.seq, signer.name, signer.key, now],
      )
    await sql('UPDATE jobs SET changedAt = ? WHERE id = ?', [now, file.jobId])
    // Lists know it when it has been judged here.
    await sql('UPDATE job_summaries SET version = 0 WHERE jobId = ?', [file.jobId])
  }
  const rowsOf = (items: readonly { file: string }[], columns: readonly string[]) =>
    items.map((one) => {
      const row: Record<string, unknown> = { ...one, jobId: file.jobId, bytes: sizes.get(one.file) }
      return columns.map((name) => row[name])
    })
  await insertRows(sql, 'INSERT OR IGNORE', 'photos', PHOTO_COLUMNS, rowsOf(manifest.photos, PHOTO_COLUMNS))
  await insertRows(sql, 'INSERT OR IGNORE', 'traces', TRACE_COLUMNS, rowsOf(manifest.traces, TRACE_COLUMNS))
  return meeting
}

const FILE_COLUMNS = ['id', 'jobId', 'sha256', 'bytes', 'personId', 'keptAt'] as const
const PHOTO_COLUMNS = [...FILE_COLUMNS, 'type', 'width', 'height'] as const
const TRACE_COLUMNS = [...FILE_COLUMNS, 'samples'] as const

function addedBy(meeting: ChainComparison, all: readonly Entry[]): readonly Entry[] {
  if (meeting.kind === 'new') return all
  return meeting.kind === 'extends' ? meeting.added : []
}

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
