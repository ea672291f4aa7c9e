import { fold } from '@plumb-mark/core'
import type { ArchivedRecord } from './write-job.js'

/** How a record from elsewhere that is kept to be read stands in the database. */
export interface RecordRowValues {
  id: string
  /** The job that it tells of, which may be worked on here under the same id. */
  jobId: string
  number: string
  title: string
  site: string
  entries: number
  sealed: boolean
  /** Whose word it carries; null where nobody gave any. */
  publicKey: string | null
  /** Of its ZIP, as it arrived. */
  sha256: string
  openedAt: string
  openedBy: string
}

/** The row of a record that was read out of a ZIP. */
export function recordRowOf(
  { file, manifest }: Pick<ArchivedRecord, 'file' | 'manifest'>,
  opened: Pick<RecordRowValues, 'id' | 'sha256' | 'openedAt' | 'openedBy'>,
): RecordRowValues {
  const { header, seal } = fold(file.entries)
  return {
    ...opened,
    jobId: file.jobId,
    number: header?.number ?? manifest.number,
    title: header?.title ?? manifest.title,
    site: header?.site ?? '',
    entries: file.entries.length,
    sealed: seal !== undefined,
    publicKey: file.attested?.publicKey ?? null,
  }
}
