import type { EntryBodies } from '@plumb-mark/core'

/** What is to be found at a measuring point: an entry's kind and body, as an inspector who looks would write it. */
export type Found =
  | { kind: 'reading'; body: EntryBodies['reading'] }
  | { kind: 'observation'; body: EntryBodies['observation'] }
  | { kind: 'record'; body: EntryBodies['record'] }
