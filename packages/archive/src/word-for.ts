import {
  fileFaultWords,
  fold,
  verifyInspectionFile,
  type Attestation,
  type FileFault,
  type InspectionFile,
} from '@plumb-mark/core'
import { sha256 } from './digest.js'
import type { SealKeyPair } from './seal-key.js'
import { signatureHolds } from './signature-holds.js'

/** A record as it is kept, without anybody's word for it. */
export type Unsigned = Omit<InspectionFile, 'attested' | 'broken'>

/** The word that a sealed record was given when it was sealed, and whether it is by a key that may have given it. */
export interface KeptSeal {
  word: Attestation
  known: boolean
}

const UNKNOWN_KEY = 'the seal is by a key that is none of this installation, nor of the one that it came from'

/** What is broken in a record as it is kept, in words; nothing where it is intact. */
export function brokenIn(record: Unsigned, seal: KeptSeal | undefined): string[] {
  const file = { ...record, ...(seal && { attested: seal.word }) }
  return [
    ...verifyInspectionFile(file, sha256, signatureHolds).map((fault: FileFault) => fileFaultWords(fault)),
    ...(seal && !seal.known ? [UNKNOWN_KEY] : []),
  ]
}

/**
 * What goes under a record that leaves: the word of its seal; for one that is open, the word of this installation as it stands. One that is
 * broken gets no fresh word, and says why; `gone` is what of its files is missing, in words.
 */
export function wordFor(
  jobId: string,
  record: Unsigned,
  seal: KeptSeal | undefined,
  key: Pick<SealKeyPair, 'attest'>,
  gone: readonly string[] = [],
): Pick<InspectionFile, 'attested' | 'broken'> {
  const broken = [...brokenIn(record, seal), ...gone]
  const last = record.entries.at(-1)
  // A record of before seals were signed is sealed and has no word: none is made up for it afterwards.
  const open = !seal && !fold(record.entries).seal
  const attested = seal?.word ?? (open && last && broken.length === 0 ? key.attest(jobId, last) : undefined)
  return { ...(attested && { attested }), ...(broken.length > 0 && { broken }) }
}
