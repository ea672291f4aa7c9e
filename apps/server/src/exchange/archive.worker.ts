import { createWriteStream } from 'node:fs'
import { pipeline } from 'node:stream/promises'
import type { MessagePort } from 'node:worker_threads'
import { openData, readJob, sealKeyIn, writeZip } from '@plumb-mark/archive'
import { readSheetText } from '@plumb-mark/contract'

export interface ArchiveAsked {
  dataDir: string
  jobId: string
  /** Where the ZIP is written. */
  target: string
}

/** Reads a job and packs it, in a thread of its own; false where the job has no entries. */
export default async function pack({
  dataDir,
  jobId,
  target,
  port,
}: ArchiveAsked & { port?: MessagePort }): Promise<boolean> {
  const db = openData(dataDir, { readonly: true })
  try {
    const key = sealKeyIn(dataDir)
    const job = await readJob(db.sql, dataDir, jobId, {
      attest: (entries) => key.attest(jobId, entries.at(-1)!),
      readSource: (source) => {
        const text = readSheetText(source)
        return text.ok ? text.sheet : undefined
      },
    })
    if (!job) return false
    await pipeline(
      writeZip(job, (done, of) => port?.postMessage({ done, of })),
      createWriteStream(target),
    )
    return true
  } finally {
    db.close()
  }
}
