import type { Attestation, Entry, InspectionFile, Sheet } from '@plumb-mark/core'

/** The open file of a job, `plumb-mark-inspection` version 1: all that is needed to judge and to verify it elsewhere. */
export function inspectionFile(
  jobId: string,
  entries: readonly Entry[],
  sheets: Iterable<Sheet>,
  attested?: Attestation,
): InspectionFile {
  return {
    format: 'plumb-mark-inspection',
    version: 1,
    jobId,
    sheets: [...sheets],
    entries: [...entries],
    ...(attested && { attested }),
  }
}
