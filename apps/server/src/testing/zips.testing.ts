import { generateKeyPairSync, sign, type KeyObject } from 'node:crypto'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { v7 as uuid } from 'uuid'
import { ZipFile } from 'yazl'
import { openArchivedJob, sha256 } from '@plumb-mark/archive'
import { readSheetText } from '@plumb-mark/contract'
import {
  linked,
  signedText,
  type Entry,
  type InspectionFile,
  type NewEntry,
  type Person,
} from '@plumb-mark/core'

const folder = mkdtempSync(join(tmpdir(), 'plumb-mark-zips-'))

export function onDisk(zip: Buffer): string {
  const file = join(folder, `${uuid()}.zip`)
  writeFileSync(file, zip)
  return file
}

/** A ZIP as the program opens it. */
export const opened = (zip: Buffer) =>
  openArchivedJob(onDisk(zip), (source) => {
    const text = readSheetText(source)
    return text.ok ? text.sheet : undefined
  })

/** Somebody with a key of their own, who is nobody here. */
export function stranger(): { publicKey: string; attest(file: InspectionFile): InspectionFile } {
  const { privateKey, publicKey } = generateKeyPairSync('ed25519')
  return keyed(privateKey, publicKey)
}

function keyed(privateKey: KeyObject, key: KeyObject) {
  const publicKey = key.export({ type: 'spki', format: 'pem' }) as string
  return {
    publicKey,
    attest(file: InspectionFile): InspectionFile {
      const last = file.entries.at(-1)!
      const head = { seq: last.seq, head: last.hash }
      const signature = sign(null, Buffer.from(signedText(file.jobId, head)), privateKey).toString('base64')
      return { ...file, attested: { ...head, publicKey, signature } }
    },
  }
}

/** A record with more entries at its end, linked as they must be. */
export function extended(file: InspectionFile, by: Person, ...more: NewEntry[]): InspectionFile {
  const entries = more.reduce<Entry[]>(
    (all, entry) => [...all, linked(entry, file.jobId, by, all.at(-1), sha256)],
    [...file.entries],
  )
  return { ...file, entries }
}

/** A ZIP that the program made, with its record changed and all files of photos and traces as they were. */
export async function changedZip(
  zip: Buffer,
  change: (file: InspectionFile) => InspectionFile,
): Promise<Buffer> {
  const archived = await opened(zip)
  const { photos, traces } = archived.manifest
  const files: Record<string, Buffer> = {}
  for (const { file } of [...photos, ...traces]) files[file] = await archived.zip.read(file)
  archived.zip.close()
  return zipWith(change(archived.file), { manifest: { photos, traces }, files })
}

/** A ZIP of a record with nothing wrong in its list of files; `manifest` and `files` say what is. */
export async function zipWith(
  file: InspectionFile,
  { manifest = {}, files = {} }: { manifest?: object; files?: Record<string, Buffer> } = {},
): Promise<Buffer> {
  const inspection = Buffer.from(JSON.stringify(file))
  const all: Record<string, Buffer> = { 'inspection.json': inspection, ...files }
  const list = Object.entries(all).map(([name, content]) => ({ name, sha256: sha256(content) }))
  const whole = {
    format: 'plumb-mark-job',
    version: 1,
    jobId: file.jobId,
    number: '',
    title: '',
    head: file.entries.at(-1)!.hash,
    photos: [],
    traces: [],
    files: list,
    ...manifest,
  }
  return packed({ 'manifest.json': Buffer.from(JSON.stringify(whole)), ...all })
}

export async function packed(files: Record<string, Buffer>): Promise<Buffer> {
  const zip = new ZipFile()
  for (const [name, content] of Object.entries(files)) zip.addBuffer(content, name)
  zip.end()
  const parts: Buffer[] = []
  for await (const part of zip.outputStream) parts.push(part as Buffer)
  return Buffer.concat(parts)
}
