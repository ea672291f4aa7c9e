import type { Inspection } from '@plumb-mark/core'

/** What a report is made of. */
export interface Reported {
  inspection: Inspection
  /** What is broken in a sealed record. */
  broken: readonly string[]
  /** Of the key with which this installation signs seals. */
  keyFingerprint: string
}
