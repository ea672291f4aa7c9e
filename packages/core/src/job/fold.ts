import { attempt } from '../shape/attempt.js'
import { BadInput } from '../shape/bad-input.js'
import { entryRow } from './entries/registry.js'
import type { EntryKindRow } from './entries/entry-kind.js'
import type { Entry } from './entry.js'
import type { EntryWith } from './entry-with.js'
import { NOTHING_ENTERED, arrived, draftOf, isLater, type Draft, type JobState } from './state.js'

/** Folds the entries of one job into its state. The order in which they arrived does not matter: that of time does, and of ids where times agree. */
export const fold = (entries: readonly Entry[]): JobState => applied(NOTHING_ENTERED, entries)

/**
 * A state carried forward by more entries. What comes late is put in its place, and the job folded anew. An entry that is kept and cannot
 * be read (an older program may have taken it) changes nothing: it is listed as unreadable, stands in the way of a signature, and can be
 * struck out.
 */
export function applied(state: JobState, entries: readonly Entry[]): JobState {
  const fresh = [...entries].sort(inTime)
  const last = state.entered.at(-1)
  if (last && fresh[0] && inTime(fresh[0], last) < 0) {
    const before = state.entered.findLastIndex((one) => inTime(one, fresh[0]!) < 0) + 1
    // Evidence finds its place among evidence by itself, as long as nothing was built after it was taken.
    const passed = state.entered.slice(before)
    if (![...passed, ...fresh].every(isEvidence)) return foldedAnew(state, fresh)
    return {
      ...put(draftOf(state), fresh),
      entered: [...state.entered.slice(0, before), ...[...passed, ...fresh].sort(inTime)],
      head: lastOf(state.head, entries),
    }
  }
  return {
    ...put(draftOf(state), fresh),
    entered: [...state.entered, ...fresh],
    head: lastOf(state.head, entries),
  }
}

/**
 * Folds anew from before what came late. The state up to there is remembered: a device that was away sends many such entries, one after
 * the other.
 */
function foldedAnew(state: JobState, fresh: readonly Entry[]): JobState {
  const known = state.upTo?.entered.at(-1)
  const from = known && inTime(fresh[0]!, known) > 0 ? state.upTo! : NOTHING_ENTERED
  const all = [...(state.entered.slice(from.entered.length) as readonly Entry[]), ...fresh].sort(inTime)
  const late = all.findLastIndex((one) => fresh.includes(one)) + 1
  const upTo = applied(from, all.slice(0, late))
  return { ...applied(upTo, all.slice(late)), upTo }
}

function put(draft: Draft, entries: readonly EntryWith<unknown>[]): Draft {
  for (const entry of entries) {
    apply(draft, entry)
    for (let due = draft.due.shift(); due; due = draft.due.shift()) apply(draft, due)
  }
  return draft
}

const EVIDENCE: ReadonlySet<string> = new Set([
  'reading',
  'observation',
  'walked-over',
  'record',
  'not-applicable',
])
/** Does an entry say what was read or seen, as against what was built, decided or struck out? */
export const isEvidence = ({ kind }: Pick<EntryWith<unknown>, 'kind'>): boolean => EVIDENCE.has(kind)

/** A job is opened before anything else is said of it, whatever the clocks say. */
function inTime(a: EntryWith<unknown>, b: EntryWith<unknown>): number {
  const [opensA, opensB] = [a.kind === 'job-opened', b.kind === 'job-opened']
  if (opensA !== opensB) return opensA ? -1 : 1
  return a.id === b.id ? 0 : isLater(a, b) ? 1 : -1
}

/** The head of the chain is the entry that arrived last. */
function lastOf(head: JobState['head'], entries: readonly Entry[]): JobState['head'] {
  return entries.reduce(
    (last, { seq, hash }) => (last === undefined || seq >= last.seq ? { seq, hash } : last),
    head,
  )
}

function apply(draft: Draft, entry: EntryWith<unknown>): void {
  const row = entryRow(entry.kind)
  const body = attempt(() => readBody(row, entry))
  if (body.ok) return row!.apply(draft, body.value, { ...entry, body: body.value })
  draft.unreadable = [...draft.unreadable, { entry, problem: body.problem }]
  arrived(draft, entry.id)
}

function readBody(row: EntryKindRow<object> | undefined, { kind, body }: EntryWith<unknown>): object {
  if (!row) throw new BadInput('not-listed', 'kind', `“${String(kind)}” is no kind of entry`)
  return row.schema.read(body, 'body')
}
