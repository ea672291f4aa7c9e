import { canonicalJson, type Entry } from '@plumb-mark/core'

/** How an entry lies in the database: its columns in their order. `by` and `body` are the canonical JSON that was hashed. */
export const ENTRY_COLUMNS = [
  'id',
  'jobId',
  'seq',
  'kind',
  'at',
  'said',
  'received',
  'by',
  'body',
  'prev',
  'hash',
] as const satisfies readonly (keyof Entry)[]

export const entryValues = (entry: Entry): unknown[] =>
  ENTRY_COLUMNS.map((name) =>
    name === 'by' || name === 'body' ? canonicalJson(entry[name]) : (entry[name] ?? null),
  )

export type EntryRowValues = Record<(typeof ENTRY_COLUMNS)[number], unknown>

export function asEntry({ by, body, said, received, ...row }: EntryRowValues): Entry {
  const times = { ...(said !== null && { said }), ...(received !== null && { received }) }
  return { ...row, ...times, by: JSON.parse(by as string), body: JSON.parse(body as string) } as Entry
}
