import { create } from 'zustand'
import type { Appended } from '@plumb-mark/contract'
import { photosShown, type Entry, type JobId, type NewEntry, type PersonId } from '@plumb-mark/core'
import { ApiError, post } from '../data/api.js'
import { device, type Batch } from './device-database.js'
import { rememberEntries } from './kept-jobs.js'
import { sendPhotos } from './photos.js'
import { putAside } from './set-aside.js'

/** As many as one send may carry; a longer step (a tester's file) is sent in parts. */
const MOST_AT_ONCE = 400

/**
 * What this device could not keep, because its storage is full or absent: it is in this page alone, is sent from there, and the page says so.
 */
export const useOnlyHere = create<{ batches: readonly Batch[] }>(() => ({ batches: [] }))

/** Writing goes on while the page does; whoever asks what waits is answered after it. */
let writing: Promise<void> = Promise.resolve()

/**
 * Keeps the entries of a step on this device until the server has acknowledged them, with the last place in the job that it knew of: the
 * server weighs them as they were valid here.
 */
export function addToOutbox(
  jobId: JobId,
  by: PersonId,
  entries: readonly NewEntry[],
  after?: number,
): Promise<void> {
  const parts: Batch[] = []
  for (let i = 0; i < entries.length; i += MOST_AT_ONCE)
    parts.push({
      jobId,
      by,
      entries: entries.slice(i, i + MOST_AT_ONCE),
      ...(after !== undefined && { after }),
    })
  writing = writing.then(async () => {
    try {
      await device.batches.bulkAdd(parts.map((part) => ({ ...part })))
    } catch {
      useOnlyHere.setState(({ batches }) => ({ batches: [...batches, ...parts] }))
    }
  })
  return writing
}

async function batchesOf(person: PersonId): Promise<Batch[]> {
  await writing
  const kept = await device.batches.toArray().catch(() => [])
  return [...kept, ...useOnlyHere.getState().batches].filter(({ by }) => by === '' || by === person)
}

/** What this person entered in a job and the server does not have yet, oldest first. */
export async function waiting(jobId: JobId, person: PersonId): Promise<NewEntry[]> {
  const batches = await batchesOf(person)
  return batches.filter((one) => one.jobId === jobId).flatMap(({ entries }) => entries)
}

/** What this person entered in any job and the server does not have yet. */
export const waitingInAll = async (person: PersonId): Promise<NewEntry[]> =>
  (await batchesOf(person)).flatMap(({ entries }) => entries)

/** The jobs of which something of this person waits. */
export const waitingJobs = async (person: PersonId): Promise<JobId[]> => [
  ...new Set((await batchesOf(person)).map(({ jobId }) => jobId)),
]

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

/**
 * Sends the oldest batch of this person, the photos that it shows before it; what the server refuses is set aside. Ids are made here, so
 * sending one twice is harmless.
 */
export async function sendNext(jobId: JobId, person: PersonId): Promise<Sent> {
  const batch = (await batchesOf(person)).find((one) => one.jobId === jobId)
  if (!batch) return { kind: 'nothing' }
  const { entries, after } = batch
  try {
    await sendPhotos(entries.flatMap((entry) => photosShown(entry)).map(({ id }) => id))
    const answer = await post<Appended>(`/api/jobs/${jobId}/entries`, {
      entries,
      clock: new Date().toISOString(),
      after,
    })
    // A door on the way may answer with success and know of nothing: what waits leaves only when it is named.
    if (!names(answer, entries, jobId)) return { kind: 'unreachable' }
    await done(batch, answer.entries)
    return { kind: 'kept', entries: answer.entries, clockAhead: answer.clockAhead ?? 0 }
  } catch (problem) {
    if (!(problem instanceof ApiError)) return { kind: 'unreachable' }
    if (problem.status === SIGNED_OUT) return { kind: 'signed-out' }
    // A proxy on the way speaks no word of ours: what it refuses was not refused by the server.
    if (!problem.own || LINE.includes(problem.status) || problem.status >= SERVER_FAULT)
      return { kind: 'unreachable' }
    // There before it is gone here: a page that is closed in between finds it twice, and not never.
    const at = new Date().toISOString()
    const { message: reason, code } = problem
    const onDevice = await putAside({ id: entries[0]!.id, jobId, by: person, at, entries, reason, code })
    // On a device that is full it stays where it is kept: nothing leaves the queue for a page that may be closed.
    if (!onDevice && batch.n !== undefined) return { kind: 'unreachable' }
    await done(batch)
    return { kind: 'refused', entries, problem }
  }
}

const HASH = /^[0-9a-f]{64}$/

/** Does an answer say of each of these entries that it stands in this job, and under which hash? */
function names(answer: unknown, entries: readonly NewEntry[], jobId: JobId): answer is Appended {
  const told = (answer as Partial<Appended> | null)?.entries
  if (!Array.isArray(told)) return false
  const kept = new Map(told.map((one) => [one?.id, one]))
  return entries.every(({ id, kind }) => {
    const one = kept.get(id)
    return one?.kind === kind && one.jobId === jobId && HASH.test(one.hash)
  })
}

/** Waits no longer. What was kept goes at the same moment to what this device knows of the job: it is seen without signal too. */
async function done({ n, entries }: Batch, kept: readonly Entry[] = []): Promise<void> {
  if (n !== undefined)
    return (
      device
        .transaction('rw', device.batches, device.later, async () => {
          await rememberEntries(kept)
          await device.batches.delete(n)
        })
        // A device that is full can still let go what the server has.
        .catch(() => device.batches.delete(n))
    )
  useOnlyHere.setState(({ batches }) => ({ batches: batches.filter((one) => one.entries !== entries) }))
}
