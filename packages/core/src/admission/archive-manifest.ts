import { BadInput } from '../shape/bad-input.js'
import { anyText, list, num, object, oneOf, text, type Read, type JsonSchema } from '../shape/shape.js'

/** What the program keeps of a photo or a trace beside its file. */
const keptFile = {
  id: text(),
  sha256: text('of the content, lower-case hex'),
  /** Within the ZIP. */
  file: text(),
  personId: anyText(),
  keptAt: anyText(),
}
const photoShape = object({
  ...keptFile,
  type: oneOf(['image/jpeg', 'image/png', 'image/webp'] as const),
  width: num({ min: 1 }),
  height: num({ min: 1 }),
})
const traceShape = object({ ...keptFile, samples: num({ min: 1 }) })
export type ArchivedPhoto = Read<typeof photoShape>
export type ArchivedTrace = Read<typeof traceShape>

const manifestShape = object({
  format: oneOf(['plumb-mark-job'] as const),
  version: oneOf([1] as const),
  jobId: text(),
  number: anyText(),
  title: anyText(),
  head: text('hash of the last entry'),
  photos: list(photoShape, { mayBeEmpty: true }),
  traces: list(traceShape, { mayBeEmpty: true }),
  files: list(object({ name: text(), sha256: text() })),
})

/** What a ZIP of a job holds: the record’s head, the photos and traces with what is kept of them, and the digest of every file. */
export type ArchiveManifest = Read<typeof manifestShape>

/** The published shape of the manifest in a ZIP of a job. */
export const archiveManifestSchema = (): JsonSchema & Record<string, unknown> => ({
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  $id: 'plumb-mark-job-1',
  title: 'plumb-mark-job, version 1: manifest.json of the ZIP',
  ...manifestShape.schema,
})

/** Bad input: whatever does not fit, with its path. */
export function readArchiveManifest(json: string): ArchiveManifest {
  let data: unknown
  try {
    data = JSON.parse(json)
  } catch {
    throw new BadInput('not-json', 'manifest.json', 'is not JSON')
  }
  return manifestShape.read(data, '')
}
