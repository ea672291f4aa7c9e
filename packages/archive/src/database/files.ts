import { join, resolve, sep } from 'node:path'
import { BadInput, UUID, digestText } from '@plumb-mark/core'

export const DATABASE_FILE = 'plumb-mark.sqlite'

/** Where the files of a photo and a trace lie beside the database, by their digests. Bad input: `malformed`, what is no digest. */
export const photoPath = (dataDir: string, digest: string): string =>
  byDigest(join(dataDir, 'photos'), digest)
export const tracePath = (dataDir: string, digest: string): string =>
  `${byDigest(join(dataDir, 'traces'), digest)}.csv.gz`
/** Where a maker’s manual lies. Bad input: `malformed`, what is no digest. */
export const manualPath = (dataDir: string, digest: string): string =>
  `${byDigest(join(dataDir, 'manuals'), digest)}.pdf`

/** Where the cut-outs of a manual lie, beside the manuals. Bad input: `malformed`, what is no digest. */
export const clippingsPath = (dataDir: string, digest: string): string =>
  `${byDigest(join(dataDir, 'manuals'), digest)}.clippings.json`

/** The folder of a record from elsewhere that is kept to be read: its ZIP, and its photos and traces as ours lie. Bad input: `malformed`. */
export function recordFolder(dataDir: string, id: string): string {
  if (!UUID.test(id)) throw new BadInput('malformed', 'id', 'must be a UUID')
  return within(join(dataDir, 'records'), id)
}
export const RECORD_ZIP = 'record.zip'

const digestShape = digestText()

function byDigest(folder: string, digest: string): string {
  const checked = digestShape.read(digest, 'sha256')
  return within(folder, join(checked.slice(0, 2), checked))
}

/** A path within a folder, made of a name that came from outside. Bad input: `malformed`, a name that leads out of it. */
export function within(folder: string, name: string): string {
  const path = resolve(folder, name)
  if (!path.startsWith(resolve(folder) + sep))
    throw new BadInput('malformed', name.slice(0, 80), 'leads out of its folder')
  return path
}
