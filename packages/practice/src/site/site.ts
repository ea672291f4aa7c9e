import {
  fold,
  inspect,
  type Entry,
  type EntryBodies,
  type EntryKind,
  type Inspection,
  type Sheet,
} from '@plumb-mark/core'
import type { Chance } from '../chance.js'

type EntryOf<K extends EntryKind> = Extract<Entry, { kind: K }>

/** A site that is put together entry by entry; a change writes into an entry, as if it had been entered so from the start. */
export class Site {
  readonly sheets = new Map<string, Sheet>()
  entries: Entry[] = []

  constructor(readonly chance: Chance) {}

  write<K extends EntryKind>(kind: K, body: EntryBodies[K], at?: string): Entry {
    const n = this.entries.length
    const entry = {
      id: `e${String(n).padStart(6, '0')}`,
      jobId: 'job',
      kind,
      body,
      at: at ?? new Date(Date.UTC(2026, 5, 1, 8, 0, n)).toISOString(),
      by: { id: 'i', name: 'I', role: 'inspector' },
      seq: n + 1,
      prev: '',
      hash: '',
    } as Entry
    this.entries.push(entry)
    return entry
  }

  find<K extends EntryKind>(kind: K, test: (body: EntryBodies[K]) => boolean = () => true): EntryOf<K>[] {
    return this.entries.filter(
      (entry): entry is EntryOf<K> => entry.kind === kind && test(entry.body as EntryBodies[K]),
    )
  }

  /** The entries of a kind that speak of an id, or of a point; false where there is none. */
  change<K extends EntryKind>(
    kind: K,
    id: string,
    by: (body: EntryBodies[K]) => Partial<EntryBodies[K]>,
  ): boolean {
    const speaksOf = (body: object) =>
      ('id' in body && body.id === id) || ('point' in body && body.point === id)
    const found = this.find(kind, speaksOf)
    for (const entry of found) entry.body = { ...entry.body, ...by(entry.body as EntryBodies[K]) }
    return found.length > 0
  }

  remove(test: (entry: Entry) => boolean): boolean {
    const before = this.entries.length
    this.entries = this.entries.filter((entry) => !test(entry))
    return this.entries.length < before
  }

  inspection(): Inspection {
    return inspect(fold(this.entries), this.sheets)
  }
}
