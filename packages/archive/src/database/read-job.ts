import {
  canonicalJson,
  fold,
  sheetId,
  type ArchivedPhoto,
  type ArchivedTrace,
  type Attestation,
  type Entry,
  type Sheet,
} from '@plumb-mark/core'
import type { KeptJob } from '../zip/write.js'
import { photoPath, tracePath } from './files.js'
import type { Sql } from './sql.js'

/** The entries of a job as they are kept; none where it is not there. */
export async function entriesOf(sql: Sql, jobId: string): Promise<Entry[]> {
  const rows = await sql('SELECT * FROM entries WHERE jobId = ? ORDER BY seq', [jobId])
  return rows.map(asEntry)
}

export function asEntry({ by, body, said, received, ...row }: Record<string, unknown>): Entry {
  const times = { ...(said !== null && { said }), ...(received !== null && { received }) }
  return { ...row, ...times, by: JSON.parse(by as string), body: JSON.parse(body as string) } as Entry
}

/** A row of the table of entries, in the order in which `write-job` names its columns. */
export const entryValues = ({
  id,
  jobId,
  seq,
  kind,
  at,
  said,
  received,
  by,
  body,
  prev,
  hash,
}: Entry): unknown[] => [
  id,
  jobId,
  seq,
  kind,
  at,
  said ?? null,
  received ?? null,
  canonicalJson(by),
  canonicalJson(body),
  prev,
  hash,
]

/** The word that was given for a sealed record when it was sealed; none for one that is open. */
export async function sealOf(sql: Sql, jobId: string): Promise<Attestation | undefined> {
  const [row] = await sql('SELECT seq, head, publicKey, signature FROM seals WHERE jobId = ?', [jobId])
  return row as Attestation | undefined
}

/** Everything that is kept of a job, ready to leave: `attest` gives this installation's word for an open one, `readSource` reads a sheet file. */
export async function readJob(
  sql: Sql,
  dataDir: string,
  jobId: string,
  {
    attest,
    readSource,
  }: {
    attest: (entries: readonly Entry[]) => Attestation
    readSource: (source: string) => Sheet | undefined
  },
): Promise<KeptJob | undefined> {
  const entries = await entriesOf(sql, jobId)
  if (entries.length === 0) return undefined
  const { header, seal } = fold(entries)
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
  const word = (await sealOf(sql, jobId)) ?? (seal ? undefined : attest(entries))
  const photos = await sql('SELECT * FROM photos WHERE jobId = ? ORDER BY id', [jobId])
  const traces = await sql('SELECT * FROM traces WHERE jobId = ? ORDER BY id', [jobId])
  return {
    file: {
      format: 'plumb-mark-inspection',
      version: 1,
      jobId,
      sheets,
      entries,
      ...(word && { attested: word }),
    },
    sources,
    photos: photos.map((row) => {
      const { id, sha256, type, width, height, personId, keptAt } = row as unknown as ArchivedPhoto
      return { id, sha256, type, width, height, personId, keptAt, path: photoPath(dataDir, sha256) }
    }),
    traces: traces.map((row) => {
      const { id, sha256, samples, personId, keptAt } = row as unknown as ArchivedTrace
      return { id, sha256, samples, personId, keptAt, path: tracePath(dataDir, sha256) }
    }),
  }
}
