import type { AsBuilt } from '../as-built/as-built.js'
import type { PhotoRef } from '../answer/photo-ref.js'
import { attempt } from '../shape/attempt.js'
import { entryRow, type EntryBodies, type EntryKind } from './entries/registry.js'
import type { EntryWith } from './entry-with.js'

export type EntryOf<K extends EntryKind> = EntryWith<EntryBodies[K], K>
export type Entry = { [K in EntryKind]: EntryOf<K> }[EntryKind]

/** What a client sends; the server adds who, where and the hashes. */
export type NewEntry = { [K in EntryKind]: Pick<EntryOf<K>, 'id' | 'kind' | 'at' | 'body'> }[EntryKind]

/** A kind of entry with what it holds: a change that somebody is about to make. */
export type Change = { [K in EntryKind]: { kind: K; body: EntryBodies[K] } }[EntryKind]

/** The changes that take one back, seen from before it; none where it cannot be taken back. */
export function inverseOf({ kind, body }: Change, before: AsBuilt): Change[] {
  return (entryRow(kind)?.undo?.(body, before) ?? []) as Change[]
}

/** The photos that an entry shows, wherever in it they stand. None for a body that cannot be read. */
export function photosShown({ kind, body }: Pick<NewEntry, 'kind' | 'body'>): readonly PhotoRef[] {
  const row = entryRow(kind)
  const read = row && attempt(() => row.schema.read(body, 'body'))
  return read?.ok ? (row?.shows?.(read.value) ?? []) : []
}
