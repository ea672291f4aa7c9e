import { createHash } from 'node:crypto'
import { pipeline } from 'node:stream/promises'
import {
  BadInput,
  photosShown,
  readArchiveManifest,
  readInspectionFile,
  sheetId,
  verifyInspectionFile,
  type ArchiveManifest,
  type FileFault,
  type InspectionFile,
} from '@plumb-mark/core'
import { sha256 } from '../digest.js'
import { signatureHolds } from '../signature-holds.js'
import { NAMES, sheetFile } from './names.js'
import { openZip, type OpenZip } from './read.js'

/** What is wrong with a ZIP beside its record: a file that is not what the manifest says, is missing, or is named by nobody. */
export interface ZipFault {
  fault: 'file-changed' | 'file-absent' | 'file-unknown' | 'photo-absent' | 'trace-absent' | 'head-differs'
  name: string
}

/** A ZIP of a job, read and compared with all that it claims. */
export interface ArchivedJob {
  zip: OpenZip
  manifest: ArchiveManifest
  file: InspectionFile
  sources: ReadonlyMap<string, string>
  faults: readonly (FileFault | ZipFault)[]
}

/** Opens a ZIP and verifies the chain, its signature, the sheets, and every photo and trace. Whoever opens it closes `zip`. Bad input: what cannot be read, with the file in the ZIP and the place in it. */
export async function openArchivedJob(path: string): Promise<ArchivedJob> {
  const zip = await openZip(path)
  try {
    const manifest = within(NAMES.manifest, () => readArchiveManifest, await zip.read(NAMES.manifest))
    const file = within(NAMES.inspection, () => inspectionIn, await zip.read(NAMES.inspection))
    const sources = new Map<string, string>()
    for (const id of file.sheets.map(sheetId))
      if (zip.names.has(sheetFile(id))) sources.set(id, (await zip.read(sheetFile(id))).toString('utf8'))
    const faults = [
      ...verifyInspectionFile(file, sha256, signatureHolds),
      ...recordFaults(manifest, file),
      ...(await fileFaults(zip, manifest)),
    ]
    return { zip, manifest, file, sources, faults }
  } catch (problem) {
    zip.close()
    throw problem
  }
}

function inspectionIn(json: string): InspectionFile {
  try {
    return readInspectionFile(JSON.parse(json))
  } catch (problem) {
    if (problem instanceof BadInput) throw problem
    throw new BadInput('not-json', '', 'is not JSON')
  }
}

/** A refusal names the file in the ZIP before the place in it. */
function within<T>(name: string, reader: () => (json: string) => T, content: Buffer): T {
  try {
    return reader()(content.toString('utf8'))
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
  // A photo is what the record calls it, whatever the list of files says of its file.
  for (const { file, sha256: digest } of [...photos, ...traces])
    if (digests.get(file) !== digest) faults.push({ fault: 'file-changed', name: file })
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
