import { createHash } from 'node:crypto'
import { pipeline } from 'node:stream/promises'
import {
  BadInput,
  photosShown,
  readArchiveManifest,
  readInspectionFile,
  sheetFingerprint,
  sheetId,
  unknownInspectionFields,
  verifyInspectionFile,
  type ArchiveManifest,
  type FileFault,
  type InspectionFile,
  type Sheet,
} from '@plumb-mark/core'
import { sha256 } from '../digest.js'
import { signatureHolds } from '../signature-holds.js'
import { requireModest } from './modest.js'
import { NAMES, photoFile, sheetFile, traceFile } from './names.js'
import { openZip, type OpenZip } from './read.js'

/** What is wrong with a ZIP beside its record: a file that is not what the manifest says, is missing, or is named by nobody. */
export interface ZipFault {
  fault:
    | 'file-changed'
    | 'file-absent'
    | 'file-unknown'
    | 'photo-absent'
    | 'trace-absent'
    | 'head-differs'
    | 'sheet-file-differs'
  name: string
}

/** A ZIP of a job, read and compared with all that it claims. */
export interface ArchivedJob {
  zip: OpenZip
  manifest: ArchiveManifest
  file: InspectionFile
  sources: ReadonlyMap<string, string>
  faults: readonly (FileFault | ZipFault)[]
  /** Fields in the bodies of entries that this program does not know: covered by their hash, of a newer program. */
  unread: readonly string[]
}

/** As many values as the largest job comes to, some times over. */
const MOST_IN_MANIFEST = 1_000_000
const MOST_IN_RECORD = 4_000_000
const LARGEST_SHEET = 2 * 1024 * 1024

/**
 * Opens a ZIP and verifies the chain, its signature, the sheets, and every photo and trace; `readSheetFile` reads a sheet as its maker's
 * file. Whoever opens it closes `zip`. Bad input: what cannot be read, with the file in the ZIP and the place in it.
 */
export async function openArchivedJob(
  path: string,
  readSheetFile: (source: string) => Sheet | undefined,
): Promise<ArchivedJob> {
  const zip = await openZip(path)
  try {
    const manifest = await named(zip, NAMES.manifest, MOST_IN_MANIFEST, readArchiveManifest)
    const { file, unknown } = await named(zip, NAMES.inspection, MOST_IN_RECORD, inspectionIn)
    const sources = new Map<string, string>()
    const otherSources: ZipFault[] = []
    for (const sheet of file.sheets) {
      const name = sheetFile(sheetId(sheet))
      if (!zip.names.has(name)) continue
      const source = (await zip.read(name, LARGEST_SHEET)).toString('utf8')
      const read = readSheetFile(source)
      // A file that says something else than the sheet that was judged by would enter the library under its name.
      if (read && sheetFingerprint(read, sha256) === sheetFingerprint(sheet, sha256))
        sources.set(sheetId(sheet), source)
      else otherSources.push({ fault: 'sheet-file-differs', name })
    }
    const faults = [
      ...verifyInspectionFile(file, sha256, signatureHolds),
      ...unknown.loose.map((path): FileFault => ({ fault: 'field-unknown', path })),
      ...recordFaults(manifest, file),
      ...otherSources,
      ...(await fileFaults(zip, manifest)),
    ]
    return { zip, manifest, file, sources, faults, unread: unknown.hashed }
  } catch (problem) {
    zip.close()
    throw problem
  }
}

function inspectionIn(json: string) {
  const data = parsed(json)
  const file: InspectionFile = readInspectionFile(data)
  return { file, unknown: unknownInspectionFields(data) }
}

function parsed(json: string): unknown {
  try {
    return JSON.parse(json)
  } catch {
    throw new BadInput('not-json', '', 'is not JSON')
  }
}

/** A JSON file of the ZIP; a refusal names the file before the place in it. */
async function named<T>(zip: OpenZip, name: string, most: number, read: (json: string) => T): Promise<T> {
  const content = await zip.read(name)
  requireModest(content, name, most)
  try {
    return read(content.toString('utf8'))
  } catch (problem) {
    if (!(problem instanceof BadInput)) throw problem
    throw new BadInput(problem.code, problem.path ? `${name}: ${problem.path}` : name, problem.reason)
  }
}

/** Photos and traces that the record shows must be there by the very digests that it names. */
function recordFaults(manifest: ArchiveManifest, { jobId, entries }: InspectionFile): ZipFault[] {
  const head = entries.at(-1)?.hash
  const differs = manifest.jobId !== jobId || manifest.head !== head
  const photos = new Map(manifest.photos.map((photo) => [photo.id, photo.sha256]))
  const traces = new Map(manifest.traces.map((trace) => [trace.id, trace.sha256]))
  const absentPhotos = entries
    .flatMap(photosShown)
    .filter(({ id, sha256: wanted }) => photos.get(id) !== wanted)
  const absentTraces = entries.flatMap(({ kind, body }) =>
    kind === 'record' &&
    'trace' in body.answer &&
    traces.get(body.answer.trace.id) !== body.answer.trace.sha256
      ? [body.answer.trace]
      : [],
  )
  return [
    ...(differs ? [{ fault: 'head-differs', name: NAMES.manifest } as const] : []),
    ...absentPhotos.map(({ id }): ZipFault => ({ fault: 'photo-absent', name: id })),
    ...absentTraces.map(({ id }): ZipFault => ({ fault: 'trace-absent', name: id })),
  ]
}

async function fileFaults(zip: OpenZip, { files, photos, traces }: ArchiveManifest): Promise<ZipFault[]> {
  const faults: ZipFault[] = []
  const digests = new Map(files.map(({ name, sha256: digest }) => [name, digest]))
  // A photo is what the record calls it, whatever the list of files says of its file, and lies under its own name.
  const kept = [
    ...photos.map((photo) => ({ ...photo, wanted: photoFile(photo.id, photo.type) })),
    ...traces.map((trace) => ({ ...trace, wanted: traceFile(trace.id) })),
  ]
  for (const { file, wanted, sha256: digest } of kept)
    if (file !== wanted || digests.get(file) !== digest) faults.push({ fault: 'file-changed', name: file })
  for (const name of zip.names)
    if (name !== NAMES.manifest && !digests.has(name)) faults.push({ fault: 'file-unknown', name })
  for (const [name, wanted] of digests) {
    if (!zip.names.has(name)) {
      faults.push({ fault: 'file-absent', name })
      continue
    }
    const hash = createHash('sha256')
    const whole = await pipeline(await zip.stream(name), hash).then(
      () => true,
      () => false,
    )
    if (!whole || hash.digest('hex') !== wanted) faults.push({ fault: 'file-changed', name })
  }
  return faults
}
