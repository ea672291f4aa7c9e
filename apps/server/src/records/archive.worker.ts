import { createWriteStream } from 'node:fs'
import { pipeline } from 'node:stream/promises'
import type { MessagePort } from 'node:worker_threads'
import {
  brokenJob,
  digestOfFile,
  openArchivedJob,
  openData,
  readJob,
  readRecord,
  sealKeyIn,
  unpackFiles,
  writeZip,
  type ArchivedRecord,
  type FileSizes,
} from '@plumb-mark/archive'
import { readSheetText } from '@plumb-mark/contract'
import type { Sheet } from '@plumb-mark/core'
import { answeredLater, type Answered } from '../work/answered.js'

export type ArchiveAsked =
  /** Packs a job into a ZIP. */
  | { task: 'pack'; dataDir: string; jobId: string; target: string }
  /** The record of a job as the text of its open file. */
  | { task: 'inspection'; dataDir: string; jobId: string }
  /** Says what is broken in a job. */
  | { task: 'verify'; dataDir: string; jobId: string }
  /** Reads and verifies a ZIP that arrived; with a folder it is unpacked there too. */
  | { task: 'read'; zip: string; unpackTo?: string }

export interface ReadZip {
  record: ArchivedRecord
  /** Of the ZIP. */
  digest: string
  sizes: FileSizes
}
/** `false` where a job has no entries. */
export type ArchiveAnswered = { packed: boolean } | { text: Uint8Array } | { broken: string[] } | ReadZip

/** What is done with whole records, in a thread of its own. */
export default function work({
  port,
  ...asked
}: ArchiveAsked & { port?: MessagePort }): Promise<Answered<ArchiveAnswered>> {
  return answeredLater(async () => {
    if (asked.task === 'read') return read(asked)
    const db = openData(asked.dataDir, { readonly: true })
    const reading = { key: sealKeyIn(asked.dataDir), readSource }
    try {
      if (asked.task === 'verify')
        return { broken: await brokenJob(db.sql, asked.dataDir, asked.jobId, reading) }
      if (asked.task === 'inspection') {
        const record = await readRecord(db.sql, asked.jobId, reading)
        return { text: Buffer.from(record ? JSON.stringify(record.file) : '') }
      }
      const job = await readJob(db.sql, asked.dataDir, asked.jobId, reading)
      if (!job) return { packed: false }
      const zip = writeZip(job, (done, of) => port?.postMessage({ done, of }))
      await pipeline(zip, createWriteStream(asked.target, { mode: 0o600 }))
      return { packed: true }
    } finally {
      db.close()
    }
  })
}

async function read({ zip: file, unpackTo }: Extract<ArchiveAsked, { task: 'read' }>): Promise<ReadZip> {
  const archived = await openArchivedJob(file, readSource)
  const { zip, ...record } = archived
  try {
    // What is not intact is taken by nobody: nothing of it comes out.
    const unpacked = unpackTo !== undefined && archived.faults.length === 0
    const sizes = unpacked ? await unpackFiles(unpackTo, archived) : new Map<string, number>()
    return { record, sizes, digest: await digestOfFile(file) }
  } finally {
    zip.close()
  }
}

function readSource(source: string): Sheet | undefined {
  const text = readSheetText(source)
  return text.ok ? text.sheet : undefined
}
