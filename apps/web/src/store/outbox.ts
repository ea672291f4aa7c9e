import type { Appended } from '@plumb-mark/contract'
import type { Entry, NewEntry } from '@plumb-mark/core'
import { ApiError, post } from '../http/api.js'

const key = (jobId: string) => `plumb-mark-outbox-${jobId}`

/** Entries that wait on this device until the server has acknowledged them; they survive a reload. */
export function waiting(jobId: string): NewEntry[] {
  try {
    return JSON.parse(localStorage.getItem(key(jobId)) ?? '[]') as NewEntry[]
  } catch {
    return []
  }
}

function keepWaiting(jobId: string, entries: readonly NewEntry[]): void {
  if (entries.length === 0) localStorage.removeItem(key(jobId))
  else localStorage.setItem(key(jobId), JSON.stringify(entries))
}

export function addToOutbox(jobId: string, entries: readonly NewEntry[]): void {
  keepWaiting(jobId, [...waiting(jobId), ...entries])
}

export type Sent =
  | { kind: 'kept'; entry: Entry }
  | { kind: 'refused'; entry: NewEntry; problem: ApiError }
  | { kind: 'unreachable' }
  | { kind: 'nothing' }

/** Sends the oldest waiting entry. Ids are made here, so sending one twice is harmless. */
export async function sendNext(jobId: string): Promise<Sent> {
  const [entry] = waiting(jobId)
  if (!entry) return { kind: 'nothing' }
  const done = () =>
    keepWaiting(
      jobId,
      waiting(jobId).filter(({ id }) => id !== entry.id),
    )
  try {
    const { entries } = await post<Appended>(`/api/jobs/${jobId}/entries`, { entries: [entry] })
    done()
    return { kind: 'kept', entry: entries[0]! }
  } catch (problem) {
    if (
      !(problem instanceof ApiError) ||
      problem.unreachable ||
      problem.status >= 500 ||
      problem.status === 401
    )
      return { kind: 'unreachable' }
    done()
    return { kind: 'refused', entry, problem }
  }
}
