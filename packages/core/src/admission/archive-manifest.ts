import { BadInput } from '../shape/bad-input.js'
import { MOST_ENTRIES } from '../job/limits.js'
import {
  anyText,
  count,
  digestText,
  list,
  object,
  oneOf,
  optional,
  requireUniqueIds,
  text,
  uuidText,
  type JsonSchema,
  type Read,
} from '../shape/shape.js'

/** What the program keeps of a photo or a trace beside its file. */
const keptFile = {
  id: uuidText(),
  /** Of the content. */
  sha256: digestText(),
  /** Within the ZIP. */
  file: text(),
  personId: anyText(),
  keptAt: anyText(),
}
const photoShape = object({
  ...keptFile,
  type: oneOf(['image/jpeg', 'image/png', 'image/webp'] as const),
  width: count(),
  height: count(),
})
const traceShape = object({ ...keptFile, samples: count() })
export type ArchivedPhoto = Read<typeof photoShape>
export type ArchivedTrace = Read<typeof traceShape>

const manifestShape = object({
  format: oneOf(['plumb-mark-job'] as const),
  version: oneOf([1] as const),
  jobId: uuidText(),
  number: anyText(),
  title: anyText(),
  /** Hash of the last entry. */
  head: digestText(),
  photos: list(photoShape, { mayBeEmpty: true, max: MOST_ENTRIES }),
  traces: list(traceShape, { mayBeEmpty: true, max: MOST_ENTRIES }),
  files: list(object({ name: text(), sha256: digestText() }), { max: 3 * MOST_ENTRIES }),
  /** Why the installation that exported it gave no word for it. */
  broken: optional(list(text())),
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
  const manifest = manifestShape.read(data, '')
  requireUniqueIds(manifest.photos, 'photos')
  requireUniqueIds(manifest.traces, 'traces')
  return manifest
}
