import { photosShown, type Entry, type TraceAnswer } from '@plumb-mark/core'
import { digestOfFile, digestOfPacked } from '../digest.js'
import { brokenIn } from '../word-for.js'
import { photoPath, tracePath } from './files.js'
import { readRecord, sealOf, type Reading } from './read-job.js'
import type { Sql } from './sql.js'

/** What is broken in a job as it is kept, in words: its chain, its seal, and every photo and trace that it shows. */
export async function brokenJob(
  sql: Sql,
  dataDir: string,
  jobId: string,
  reading: Reading,
): Promise<string[]> {
  const record = await readRecord(sql, jobId, reading)
  if (!record) return []
  // What it would say when it leaves is what is worked out here.
  const { format, version, sheets, entries } = record.file
  const unsigned = { format, version, jobId, sheets, entries }
  const shown = new Map(entries.flatMap(photosShown).map((photo) => [photo.id, photo.sha256]))
  const traced = new Map(entries.flatMap(tracesShown).map(({ trace }) => [trace.id, trace.sha256]))
  const photos = await brokenFiles(shown, 'photo', (digest) => digestOfFile(photoPath(dataDir, digest)))
  const traces = await brokenFiles(traced, 'trace', (digest) => digestOfPacked(tracePath(dataDir, digest)))
  return [...brokenIn(unsigned, await sealOf(sql, jobId, reading.key.isOwn)), ...photos, ...traces]
}

async function brokenFiles(
  shown: ReadonlyMap<string, string>,
  what: 'photo' | 'trace',
  digestUnder: (digest: string) => Promise<string | undefined>,
): Promise<string[]> {
  const broken: string[] = []
  for (const [id, wanted] of shown) {
    const found = await digestUnder(wanted).catch(() => undefined)
    if (found === undefined) broken.push(`${what} ${id} is gone`)
    else if (found !== wanted)
      broken.push(`${what} ${id} is not the one that was ${what === 'photo' ? 'shown' : 'judged'}`)
  }
  return broken
}

/** The traces that an entry shows. */
const tracesShown = ({ kind, body }: Entry): TraceAnswer[] =>
  kind === 'record' && 'trace' in body.answer ? [body.answer] : []
