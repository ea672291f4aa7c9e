import type { PersonId } from '../ids/ids.js'
import { instant } from '../shape/time.js'
import type { EntryKind } from '../job/entries/registry.js'
import type { EntryWith } from '../job/entry-with.js'

/** Refusals that would be the same wherever somebody stood: they speak of the job's end, of who writes, or of what cannot be read. */
const SAME_EVERYWHERE: ReadonlySet<string> = new Set([
  'sealed',
  'job-full',
  'not-your-entry',
  'unreadable',
  'unknown-kind',
  'not-open',
])

/** Said of the whole job as it stands here: never of what one device knew of it. */
const SAID_OF_THE_WHOLE: ReadonlySet<EntryKind> = new Set(['job-opened', 'signed', 'handed-over'])

/**
 * May an entry that is refused as the job stands now have been valid where it was done, by somebody who worked apart and did not know what
 * others did meanwhile?
 */
export const mayHoldWhereDone = (kind: EntryKind, code: string): boolean =>
  !SAME_EVERYWHERE.has(code) && !SAID_OF_THE_WHOLE.has(kind)

/** What the device of somebody knew of a job when they entered something. */
export interface Knew {
  person: PersonId
  /** The last place in the job that had reached the device; undefined where it does not say. */
  after?: number | undefined
  /** When it was entered by the clock of the device, RFC 3339: what the server had received by then counts as known where `after` is not said. */
  at: string
}

/** The entries of a job that somebody knew who worked apart: how it was opened, their own, and what had reached their device. */
export function knownWhereDone<E extends EntryWith<unknown>>(
  entries: readonly E[],
  { person, after, at }: Knew,
): E[] {
  const time = instant(at)
  const reached = (one: E) =>
    after === undefined ? instant(one.received ?? one.at) <= time : one.seq <= after
  return entries.filter((one) => one.kind === 'job-opened' || one.by.id === person || reached(one))
}
