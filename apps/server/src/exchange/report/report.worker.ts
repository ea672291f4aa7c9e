import type { MessagePort } from 'node:worker_threads'
import sharp from 'sharp'
import { fold, inspect, sheetsById, type Entry, type Sheet } from '@plumb-mark/core'
import { report, type ReportWish } from './report.js'

export interface ReportAsked {
  entries: readonly Entry[]
  sheets: readonly Sheet[]
  broken: readonly string[]
  keyFingerprint: string
  reworkAddress: string
  wish: ReportWish
  /** The small copy of each photo, by its id. */
  photos: ReadonlyMap<string, string>
}

// One picture at a time: the other cores belong to whoever is being answered.
sharp.concurrency(1)

/** Judges a record and sets its report, in a thread of its own. */
export default async function makeReport({
  entries,
  sheets,
  broken,
  keyFingerprint,
  reworkAddress,
  wish,
  photos,
  port,
}: ReportAsked & { port?: MessagePort }): Promise<Uint8Array> {
  const inspection = inspect(fold(entries), sheetsById(sheets))
  let done = 0
  const of = photos.size + 2
  const tell = () => port?.postMessage({ done: ++done, of })
  tell()
  const pdf = await report({ inspection, broken, keyFingerprint, reworkAddress }, wish, async (id) => {
    tell()
    const file = photos.get(id)
    if (file === undefined) throw new Error(`the photo ${id} is gone`)
    return file
  })
  return new Uint8Array(pdf)
}
