import type { ArchivedPhoto } from '@plumb-mark/core'

/** What the files of a ZIP are called. */
export const NAMES = {
  manifest: 'manifest.json',
  inspection: 'inspection.json',
  key: 'public-key.pem',
  page: 'record.html',
} as const
export const sheetFile = (id: string) => `sheets/${id}.yaml`
const EXTENSION = { 'image/jpeg': 'jpg', 'image/png': 'png', 'image/webp': 'webp' } as const
export const photoFile = (id: string, type: ArchivedPhoto['type']) => `photos/${id}.${EXTENSION[type]}`
export const clippingsFile = (digest: string) => `clippings/${digest}.json`
export const traceFile = (id: string) => `traces/${id}.csv`
