import type { EntryBodies, PointId } from '@plumb-mark/core'
import type { ThingFound, ThingKey } from './things.js'

/** What is to be found at a measuring point: an entry's kind and body, as an inspector who looks would write it. */
export type Answered =
  | { kind: 'reading'; body: EntryBodies['reading'] }
  | { kind: 'observation'; body: EntryBodies['observation'] }
  | { kind: 'record'; body: EntryBodies['record'] }

/** What is to be found where somebody looks: at a measuring point, or at a thing that is not as it is drawn. */
export type Found = Answered | ThingFound
export type Where = PointId | ThingKey

export const whereOf = (found: Found): Where =>
  'point' in found.body ? found.body.point : `${found.kind as ThingFound['kind']}:${found.body.id}`

export const isThing = (found: Found): found is ThingFound => !('point' in found.body)
