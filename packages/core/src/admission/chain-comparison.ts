import type { Entry } from '../job/entry.js'

/** What comes of a record that arrives where the same job is kept already. */
export type ChainComparison =
  /** The job is not here. */
  | { kind: 'new' }
  | { kind: 'same' }
  /** What arrives is an earlier state of what is here; `missing` entries have been made since. */
  | { kind: 'older'; missing: number }
  /** What arrives continues what is here. */
  | { kind: 'extends'; added: readonly Entry[] }
  /** Both went on from one entry, each in its own way: nobody can say which of them is the record. */
  | { kind: 'fork'; at: number; here: readonly Entry[]; there: readonly Entry[] }

/** Compares two chains of one job by their hashes, from the first entry on. */
export function compareChains(here: readonly Entry[], there: readonly Entry[]): ChainComparison {
  if (here.length === 0) return { kind: 'new' }
  const shared = Math.min(here.length, there.length)
  let at = 0
  while (at < shared && here[at]!.hash === there[at]!.hash) at++
  if (at < shared) return { kind: 'fork', at, here: here.slice(at), there: there.slice(at) }
  if (here.length === there.length) return { kind: 'same' }
  return here.length > there.length
    ? { kind: 'older', missing: here.length - there.length }
    : { kind: 'extends', added: there.slice(at) }
}
