import type { Person } from './person.js'
import { canonicalJson } from './canonical.js'
import type { Entry, NewEntry } from './entry.js'

/** SHA-256 of UTF-8 text, as lower-case hex; comes from outside, since this package has no cryptography of its own. */
export type Sha256 = (text: string) => string

/** The link of an entry: the hash of all it says, the hash of the entry before it included. */
export function hashOf(
  { id, jobId, seq, kind, at, said, received, by, body, prev }: Omit<Entry, 'hash'>,
  sha256: Sha256,
): string {
  // Records that were made before both times were kept have neither, and hash as they did.
  const times = { ...(said !== undefined && { said }), ...(received !== undefined && { received }) }
  return sha256(canonicalJson({ id, jobId, seq, kind, at, ...times, by, body, prev }))
}

/** Puts a new entry at the end of a chain. */
export function linked(
  entry: NewEntry & Pick<Entry, 'said' | 'received'>,
  jobId: string,
  by: Person,
  last: Pick<Entry, 'seq' | 'hash'> | undefined,
  sha256: Sha256,
): Entry {
  const open = { ...entry, jobId, by, seq: (last?.seq ?? 0) + 1, prev: last?.hash ?? '' } as Omit<
    Entry,
    'hash'
  >
  return { ...open, hash: hashOf(open, sha256) } as Entry
}

export type ChainFault = {
  seq: number
  entryId: string
  fault: 'changed' | 'not-linked' | 'out-of-place' | 'after-seal' | 'wrong-seal'
}

/**
 * Recomputes a chain. Returns every fault: an entry whose content no longer fits its hash, one that does not continue the one before, a
 * gap or repetition in the numbering, anything appended after the seal, a seal that names another head.
 */
export function verifyChain(entries: readonly Entry[], sha256: Sha256): ChainFault[] {
  const faults: ChainFault[] = []
  let sealed = false
  entries.forEach((entry, i) => {
    const report = (fault: ChainFault['fault']) => faults.push({ seq: entry.seq, entryId: entry.id, fault })
    const before = entries[i - 1]
    if (entry.seq !== i + 1) report('out-of-place')
    if (entry.prev !== (before?.hash ?? '')) report('not-linked')
    if (hashOf(entry, sha256) !== entry.hash) report('changed')
    if (sealed) report('after-seal')
    if (entry.kind === 'signed') {
      sealed = true
      if (entry.body.sealedHead !== (before?.hash ?? '')) report('wrong-seal')
    }
  })
  return faults
}

/** A fingerprint as people compare it: the first 32 hex digits in groups of four. */
export function fingerprint(hash: string): string {
  return (hash.slice(0, 32).match(/.{4}/g) ?? []).join(' ')
}
