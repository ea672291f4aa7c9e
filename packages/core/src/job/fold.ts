import { attempt } from '../shape/attempt.js'
import { BadInput } from '../shape/bad-input.js'
import { entryRow } from './entries/registry.js'
import type { EntryKindRow } from './entries/entry-kind.js'
import type { Entry } from './entry.js'
import { NOTHING_ENTERED, draftOf, type Draft, type JobState } from './state.js'

/** Folds the entries of one job, in their order, into its state. */
export const fold = (entries: readonly Entry[]): JobState => applied(NOTHING_ENTERED, entries)

/**
 * A state carried forward by more entries. An entry that is kept and cannot be read (an older program may
 * have taken it) changes nothing: it is listed as unreadable, stands in the way of a signature, and can be
 * struck out.
 */
export function applied(state: JobState, entries: readonly Entry[]): JobState {
  const draft = draftOf(state)
  for (const entry of entries) apply(draft, entry)
  return draft
}

function apply(draft: Draft, entry: Entry): void {
  const row = entryRow(entry.kind)
  const body = attempt(() => readBody(row, entry))
  if (body.ok) row!.apply(draft, body.value, { ...entry, body: body.value })
  else draft.unreadable = [...draft.unreadable, { entry, problem: body.problem }]
  draft.head = { seq: entry.seq, hash: entry.hash }
}

function readBody(row: EntryKindRow<object> | undefined, { kind, body }: Entry): object {
  if (!row) throw new BadInput('not-listed', 'kind', `“${String(kind)}” is no kind of entry`)
  return row.holds.read(body, 'body')
}
