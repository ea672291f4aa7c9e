import type { Appended } from '@plumb-mark/contract'
import type { Entry, JobId, NewEntry } from '@plumb-mark/core'
import { ApiError, post } from '../http/api.js'

const key = (jobId: JobId) => `plumb-mark-outbox-${jobId}`

/** Entries of one step, which are kept all or none. */
export type Batch = readonly NewEntry[]

/** As many as one send may carry; a longer step (a tester's file) is sent in parts. */
const MOST_AT_ONCE = 400

/** Batches that wait on this device until the server has acknowledged them, oldest first; they survive a reload. */
export function waitingBatches(jobId: JobId): Batch[] {
  try {
    const kept = JSON.parse(localStorage.getItem(key(jobId)) ?? '[]') as (NewEntry | Batch)[]
    return kept.map((one) => ('id' in one ? [one] : one))
  } catch {
    return []
  }
}

export const waiting = (jobId: JobId): NewEntry[] => waitingBatches(jobId).flat()

function keepWaiting(jobId: JobId, batches: readonly Batch[]): void {
  if (batches.length === 0) localStorage.removeItem(key(jobId))
  else localStorage.setItem(key(jobId), JSON.stringify(batches))
}

export function addToOutbox(jobId: JobId, entries: Batch): void {
  const parts: Batch[] = []
  for (let i = 0; i < entries.length; i += MOST_AT_ONCE) parts.push(entries.slice(i, i + MOST_AT_ONCE))
  keepWaiting(jobId, [...waitingBatches(jobId), ...parts])
}

export type Sent =
  | { kind: 'kept'; entries: readonly Entry[]; clockAhead: number }
  | { kind: 'refused'; entries: Batch; problem: ApiError }
  | { kind: 'unreachable' }
  | { kind: 'nothing' }

/** Sends the oldest waiting batch. Ids are made here, so sending one twice is harmless. */
export async function sendNext(jobId: JobId): Promise<Sent> {
  const [batch] = waitingBatches(jobId)
  if (!batch) return { kind: 'nothing' }
  const [first] = batch
  const done = () =>
    keepWaiting(
      jobId,
      waitingBatches(jobId).filter((one) => one[0]?.id !== first?.id),
    )
  try {
    const { entries, clockAhead } = await post<Appended>(`/api/jobs/${jobId}/entries`, {
      entries: batch,
      clock: new Date().toISOString(),
    })
    done()
    return { kind: 'kept', entries, clockAhead }
  } catch (problem) {
    if (
      !(problem instanceof ApiError) ||
      problem.unreachable ||
      problem.status >= 500 ||
      problem.status === 401
    )
      return { kind: 'unreachable' }
    done()
    return { kind: 'refused', entries: batch, problem }
  }
}
