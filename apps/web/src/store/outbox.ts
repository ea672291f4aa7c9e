import type { Appended } from '@plumb-mark/contract'
import type { Entry, JobId, NewEntry, PersonId } from '@plumb-mark/core'
import { ApiError, post } from '../http/api.js'
import { kept, putAway, keysOf } from './on-device.js'
import { useSetAside } from './set-aside.js'

const PREFIX = 'plumb-mark-outbox-'
const key = (jobId: JobId) => `${PREFIX}${jobId}`

/** Entries of one step, which are kept all or none; what waits belongs to the person who entered it. */
export interface Batch {
  by: PersonId
  entries: readonly NewEntry[]
}

/** As many as one send may carry; a longer step (a tester's file) is sent in parts. */
const MOST_AT_ONCE = 400

/** Batches that wait on this device until the server has acknowledged them, oldest first; they survive a reload. */
function waitingBatches(jobId: JobId): Batch[] {
  const all = kept<Partial<Batch> | readonly NewEntry[] | NewEntry>(key(jobId))
  // What an earlier version kept names nobody: whoever opens the tablet then sends it, as before.
  return all.map((one) => {
    if (Array.isArray(one)) return { by: '', entries: one as readonly NewEntry[] }
    return 'entries' in one ? (one as Batch) : { by: '', entries: [one as NewEntry] }
  })
}

const isOf =
  (person: PersonId) =>
  ({ by }: Batch): boolean =>
    by === '' || by === person

/** What this person entered in a job and the server does not have yet. */
export const waiting = (jobId: JobId, person: PersonId): NewEntry[] =>
  waitingBatches(jobId)
    .filter(isOf(person))
    .flatMap(({ entries }) => entries)

/** The jobs of which something waits on this device, whoever entered it. */
export const waitingJobs = (): JobId[] => keysOf(PREFIX).map((one) => one.slice(PREFIX.length))

export function addToOutbox(jobId: JobId, by: PersonId, entries: readonly NewEntry[]): void {
  const parts: Batch[] = []
  for (let i = 0; i < entries.length; i += MOST_AT_ONCE)
    parts.push({ by, entries: entries.slice(i, i + MOST_AT_ONCE) })
  putAway(key(jobId), [...waitingBatches(jobId), ...parts])
}

export type Sent =
  | { kind: 'kept'; entries: readonly Entry[]; clockAhead: number }
  | { kind: 'refused'; entries: readonly NewEntry[]; problem: ApiError }
  | { kind: 'signed-out' }
  | { kind: 'unreachable' }
  | { kind: 'nothing' }

/** Answers that say something of the line and nothing of what was sent. */
const LINE = [0, 407, 408, 429]
const SIGNED_OUT = 401
const SERVER_FAULT = 500

/** Sends the oldest batch of this person; what the server refuses is set aside. Ids are made here, so sending one twice is harmless. */
export async function sendNext(jobId: JobId, person: PersonId): Promise<Sent> {
  const batch = waitingBatches(jobId).find(isOf(person))
  if (!batch) return { kind: 'nothing' }
  const first = batch.entries[0]?.id
  const done = () =>
    putAway(
      key(jobId),
      waitingBatches(jobId).filter(({ entries }) => entries[0]?.id !== first),
    )
  try {
    const { entries, clockAhead } = await post<Appended>(`/api/jobs/${jobId}/entries`, {
      entries: batch.entries,
      clock: new Date().toISOString(),
    })
    done()
    return { kind: 'kept', entries, clockAhead }
  } catch (problem) {
    if (!(problem instanceof ApiError)) return { kind: 'unreachable' }
    if (problem.status === SIGNED_OUT) return { kind: 'signed-out' }
    // A proxy on the way speaks no word of ours: what it refuses was not refused by the server.
    if (!problem.own || LINE.includes(problem.status) || problem.status >= SERVER_FAULT)
      return { kind: 'unreachable' }
    const { entries } = batch
    const at = new Date().toISOString()
    // There before it is gone here: a page that is closed in between finds it twice, and not never.
    useSetAside.getState().put({ jobId, by: person, at, entries, reason: problem.message })
    done()
    return { kind: 'refused', entries, problem }
  }
}
