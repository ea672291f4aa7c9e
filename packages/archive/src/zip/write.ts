import { createReadStream } from 'node:fs'
import type { Readable } from 'node:stream'
import { createGunzip } from 'node:zlib'
import { ZipFile } from 'yazl'
import {
  sheetId,
  type ArchiveManifest,
  type ArchivedPhoto,
  type ArchivedTrace,
  type InspectionFile,
} from '@plumb-mark/core'
import { sha256 } from '../digest.js'
import { NAMES, clippingsFile, photoFile, sheetFile, traceFile } from './names.js'
import { recordPage } from './page.js'

/** A job as it is kept: its record, the sheets as their makers’ files, and where the photos and traces lie. */
export interface KeptJob {
  file: InspectionFile
  /** The file of each sheet as it came, by its id. */
  sources: ReadonlyMap<string, string>
  photos: readonly (Omit<ArchivedPhoto, 'file'> & { path: string })[]
  /** Packed on the disk, plain in the ZIP. */
  traces: readonly (Omit<ArchivedTrace, 'file'> & { path: string })[]
  /** Cut-outs of the makers’ manuals that the sheets name, by their digests. */
  clippings: readonly { digest: string; path: string }[]
}

/**
 * Everything of a job in one ZIP, as a stream: the same job gives the same bytes. Times of its files are those of the last entry, since a
 * copy made tomorrow says nothing else. `onFile` is told after each photo or trace is begun.
 */
export function writeZip(
  { file, sources, photos, traces, clippings }: KeptJob,
  onFile: (done: number, of: number) => void = () => undefined,
): Readable {
  const zip = new ZipFile()
  const last = file.entries.at(-1)
  const mtime = new Date(last?.at ?? 0)
  const texts: [name: string, text: string][] = [
    [NAMES.inspection, `${JSON.stringify(file, null, 1)}\n`],
    ...file.sheets.map(sheetId).flatMap((id): [string, string][] => {
      const source = sources.get(id)
      return source === undefined ? [] : [[sheetFile(id), source]]
    }),
    ...(file.attested ? [[NAMES.key, file.attested.publicKey] as [string, string]] : []),
    [NAMES.page, recordPage(file, photos)],
  ]
  const opened = file.entries.find(({ kind }) => kind === 'job-opened')?.body as
    { number: string; title: string } | undefined
  const pictures = photos.map(({ path: _path, ...photo }) => ({
    ...photo,
    file: photoFile(photo.id, photo.type),
  }))
  const series = traces.map(({ path: _path, ...trace }) => ({ ...trace, file: traceFile(trace.id) }))
  const manifest: ArchiveManifest = {
    format: 'plumb-mark-job',
    version: 1,
    jobId: file.jobId,
    number: opened?.number ?? '',
    title: opened?.title ?? '',
    head: last?.hash ?? '',
    ...(file.broken && { broken: file.broken }),
    photos: pictures,
    traces: series,
    files: [
      ...texts.map(([name, text]) => ({ name, sha256: sha256(text) })),
      ...[...pictures, ...series].map((one) => ({ name: one.file, sha256: one.sha256 })),
      ...clippings.map(({ digest }) => ({ name: clippingsFile(digest), sha256: digest })),
    ],
  }
  const add = (name: string, text: string) => zip.addBuffer(Buffer.from(text), name, { mtime })
  add(NAMES.manifest, `${JSON.stringify(manifest, null, 1)}\n`)
  for (const [name, text] of texts) add(name, text)
  let begun = 0
  const lazily = (name: string, open: () => Readable, compress: boolean) =>
    zip.addReadStreamLazy(name, { mtime, compress }, (give) => {
      onFile(++begun, photos.length + traces.length + clippings.length)
      give(null, open())
    })
  // Pictures are packed already.
  for (const { id, type, path } of photos) lazily(photoFile(id, type), () => createReadStream(path), false)
  for (const { id, path } of traces)
    lazily(traceFile(id), () => createReadStream(path).pipe(createGunzip()), true)
  for (const { digest, path } of clippings) lazily(clippingsFile(digest), () => createReadStream(path), true)
  zip.end()
  return zip.outputStream as Readable
}
