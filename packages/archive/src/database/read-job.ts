import { existsSync } from 'node:fs'
import {
  fold,
  sheetId,
  type ArchivedPhoto,
  type ArchivedTrace,
  type Attestation,
  type Entry,
  type InspectionFile,
  type Sheet,
  type ToldPart,
} from '@plumb-mark/core'
import { keyFingerprint, type SealKeyPair } from '../seal-key.js'
import { wordFor, type KeptSeal } from '../word-for.js'
import type { KeptJob } from '../zip/write.js'
import { asEntry, type EntryRowValues } from './entry-row.js'
import { clippingsPath, photoPath, tracePath } from './files.js'
import type { Sql } from './sql.js'

/** The entries of a job as they are kept; none where it is not there. */
export async function entriesOf(sql: Sql, jobId: string): Promise<Entry[]> {
  const rows = await sql('SELECT * FROM entries WHERE jobId = ? ORDER BY seq', [jobId])
  return rows.map((row) => asEntry(row as EntryRowValues))
}

/** The word that was given for a sealed record when it was sealed; none for one that is open. */
export async function sealOf(
  sql: Sql,
  jobId: string,
  isOwn: (publicKey: string) => boolean,
): Promise<KeptSeal | undefined> {
  const [row] = await sql('SELECT seq, head, publicKey, signature FROM seals WHERE jobId = ?', [jobId])
  if (!row) return undefined
  const word = row as unknown as Attestation
  const brought = await sql('SELECT key FROM imported_parts WHERE jobId = ?', [jobId])
  const fingerprint = keyFingerprint(word.publicKey)
  return { word, known: isOwn(word.publicKey) || brought.some(({ key }) => key === fingerprint) }
}

export interface Reading {
  key: SealKeyPair
  /** Reads a sheet as its maker's file. */
  readSource: (source: string) => Sheet | undefined
}

/** Which stretches of a job another installation told. */
export async function toldPartsOf(sql: Sql, jobId: string): Promise<ToldPart[]> {
  const rows = await sql(
    'SELECT fromSeq, toSeq, installation, key FROM imported_parts WHERE jobId = ? ORDER BY fromSeq',
    [jobId],
  )
  return rows as unknown as ToldPart[]
}

/** The record of a job with the word that goes under it. */
export async function readRecord(
  sql: Sql,
  jobId: string,
  { key, readSource, gone = [] }: Reading & { gone?: readonly string[] },
): Promise<{ file: InspectionFile; sources: ReadonlyMap<string, string> } | undefined> {
  const entries = await entriesOf(sql, jobId)
  if (entries.length === 0) return undefined
  const { header } = fold(entries)
  const ids = [...(header?.sheets ?? []), ...(header?.replaced ?? [])].map(({ id }) => id)
  const sources = new Map<string, string>()
  const sheets: Sheet[] = []
  for (const id of [...new Set(ids)]) {
    const [row] = await sql('SELECT source FROM sheets WHERE id = ?', [id])
    const sheet = row && readSource(row['source'] as string)
    if (!sheet) continue
    sources.set(sheetId(sheet), row['source'] as string)
    sheets.push(sheet)
  }
  const record = { format: 'plumb-mark-inspection', version: 1, jobId, sheets, entries } as const
  const word = wordFor(jobId, record, await sealOf(sql, jobId, key.isOwn), key, gone)
  return { file: { ...record, ...word }, sources }
}

/** Everything that is kept of a job, ready to leave. A photo or trace whose file is gone is told, and the rest leaves without it. */
export async function readJob(
  sql: Sql,
  dataDir: string,
  jobId: string,
  reading: Reading,
): Promise<KeptJob | undefined> {
  const photos = (await sql('SELECT * FROM photos WHERE jobId = ? ORDER BY id', [jobId])).map((row) => {
    const { id, sha256, type, width, height, personId, keptAt } = row as unknown as ArchivedPhoto
    return { id, sha256, type, width, height, personId, keptAt, path: photoPath(dataDir, sha256) }
  })
  const traces = (await sql('SELECT * FROM traces WHERE jobId = ? ORDER BY id', [jobId])).map((row) => {
    const { id, sha256, samples, personId, keptAt } = row as unknown as ArchivedTrace
    return { id, sha256, samples, personId, keptAt, path: tracePath(dataDir, sha256) }
  })
  const isThere = ({ path }: { path: string }) => existsSync(path)
  const gone = [
    ...photos.filter((one) => !isThere(one)).map(({ id }) => `the file of photo ${id} is gone`),
    ...traces.filter((one) => !isThere(one)).map(({ id }) => `the file of trace ${id} is gone`),
  ]
  const record = await readRecord(sql, jobId, { ...reading, gone })
  if (!record) return undefined
  // What a manual says is in the sheet; without its picture nothing of the record is missing.
  const clippings = clippingsOf(record.file.sheets).map((digest) => ({
    digest,
    path: clippingsPath(dataDir, digest),
  }))
  return {
    ...record,
    photos: photos.filter(isThere),
    traces: traces.filter(isThere),
    clippings: clippings.filter(isThere),
  }
}

/** The files of cut-outs that sheets name, each once; what is no digest names none. */
export const clippingsOf = (sheets: readonly Sheet[]): string[] => [
  ...new Set(
    sheets.flatMap(({ manual }) =>
      manual?.clippings && DIGEST.test(manual.clippings) ? [manual.clippings] : [],
    ),
  ),
]
const DIGEST = /^[0-9a-f]{64}$/
