import type { MessagePort } from 'node:worker_threads'
import { readFile } from 'node:fs/promises'
import sharp from 'sharp'
import {
  clippingsOf,
  clippingsPath,
  entriesOf,
  openData,
  photoPath,
  toldPartsOf,
  type Sql,
} from '@plumb-mark/archive'
import { readSheetText } from '@plumb-mark/contract'
import {
  asTold,
  fold,
  inspect,
  photosShown,
  readClippings,
  sheetsById,
  type Clippings,
  type Entry,
  type Sheet,
} from '@plumb-mark/core'
import { smallOf } from '../../evidence/picture.js'
import { report, type ReportWish } from './report.js'

export interface ReportAsked {
  of: JobAsked | RecordAsked
  broken: readonly string[]
  keyFingerprint: string
  reworkAddress: string
  wish: ReportWish
}
/** Read here: a long record is not carried from thread to thread. `folder` is where the photos lie. */
interface JobAsked {
  kind: 'job'
  folder: string
  jobId: string
}
/** One from elsewhere, with the digests of its photos by their ids. */
interface RecordAsked {
  kind: 'record'
  folder: string
  entries: readonly Entry[]
  sheets: readonly Sheet[]
  photos: ReadonlyMap<string, string>
}

// One picture at a time: the other cores belong to whoever is being answered.
sharp.concurrency(1)

/** Judges a record and sets its report, in a thread of its own. */
export default async function makeReport({
  of: source,
  wish,
  port,
  ...record
}: ReportAsked & { port?: MessagePort }): Promise<Uint8Array> {
  const { entries, sheets, photos } = source.kind === 'record' ? source : await jobOf(source)
  const inspection = inspect(fold(entries), sheetsById(sheets))
  const shown = new Set(entries.flatMap(photosShown).map(({ id }) => id))
  let done = 0
  const of = shown.size + 2
  const tell = () => port?.postMessage({ done: ++done, of })
  tell()
  const clippings = wish.parts.includes('clauses') ? await cutOuts(source.folder, sheets) : undefined
  const pdf = await report({ inspection, clippings, ...record }, wish, async (id) => {
    tell()
    const digest = photos.get(id)
    // One that is gone is told where it would have been shown.
    if (digest === undefined) throw new Error(`the photo ${id} is gone`)
    return smallOf(photoPath(source.folder, digest), digest)
  })
  return new Uint8Array(pdf)
}

/** Those that are here; of a record from elsewhere they lie in its own folder. */
async function cutOuts(folder: string, sheets: readonly Sheet[]): Promise<ReadonlyMap<string, Clippings>> {
  const found = await Promise.all(
    clippingsOf(sheets).map(async (digest): Promise<[string, Clippings][]> => {
      const text = await readFile(clippingsPath(folder, digest), 'utf8').catch(() => undefined)
      return text === undefined ? [] : [[digest, readClippings(text)]]
    }),
  )
  return new Map(found.flat())
}

async function jobOf({
  folder,
  jobId,
}: JobAsked): Promise<Pick<RecordAsked, 'entries' | 'sheets' | 'photos'>> {
  const db = openData(folder, { readonly: true })
  try {
    const entries = asTold(await entriesOf(db.sql, jobId), await toldPartsOf(db.sql, jobId))
    const photos = await db.sql('SELECT id, sha256 FROM photos WHERE jobId = ?', [jobId])
    return {
      entries,
      sheets: await sheetsOf(db.sql, jobId),
      photos: new Map(photos.map((row) => [row['id'] as string, row['sha256'] as string])),
    }
  } finally {
    db.close()
  }
}

async function sheetsOf(sql: Sql, jobId: string): Promise<Sheet[]> {
  const rows = await sql(
    'SELECT source FROM sheets JOIN job_sheets ON job_sheets.sheetId = sheets.id WHERE job_sheets.jobId = ?',
    [jobId],
  )
  return rows.flatMap(({ source }) => {
    const text = readSheetText(source as string)
    return text.ok ? [text.sheet] : []
  })
}
