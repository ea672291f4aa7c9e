import { join } from 'node:path'

export const DATABASE_FILE = 'plumb-mark.sqlite'

/** Where the files of a photo and a trace lie beside the database, by their digests. */
export const photoPath = (dataDir: string, digest: string): string =>
  join(dataDir, 'photos', digest.slice(0, 2), digest)
export const tracePath = (dataDir: string, digest: string): string =>
  join(dataDir, 'traces', digest.slice(0, 2), `${digest}.csv.gz`)
