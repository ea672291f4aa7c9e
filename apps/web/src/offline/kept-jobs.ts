import { photosShown, type Entry, type JobId } from '@plumb-mark/core'
import type { JobBundle } from '@plumb-mark/contract'
import { get } from '../data/api.js'
import { device, type KeptJob } from './device-database.js'
import { PHOTO_CACHE, photoAddress } from './photos.js'
import { isPracticeJob, practiceBundle } from './practice-job.js'

/** Jobs that were opened and not chosen: the last ones stay, for a cellar nobody planned for. */
const MOST_UNCHOSEN = 12
/** A line that gives nothing for so long is none, where a copy is at hand. */
const PATIENCE_MS = 4000

/**
 * A job from the server, or, without signal, as this device kept it. When the line is thin and a copy is here, the copy is given first and
 * the job of the server is handed to `late` when it comes. The practice job is made here.
 */
export async function fetchJob(jobId: JobId, late: (bundle: JobBundle) => void): Promise<JobBundle> {
  if (isPracticeJob(jobId)) return practiceBundle()
  const copy = await device.jobs.get(jobId).catch(() => undefined)
  const fetched = get<JobBundle>(`/api/jobs/${jobId}`).then((bundle) => {
    void keepJob(bundle)
    return bundle
  })
  if (!copy) return fetched
  return new Promise((resolve, reject) => {
    let given = false
    const give = () => {
      if (given) return
      given = true
      void device.jobs.update(jobId, { usedAt: new Date().toISOString() }).catch(() => undefined)
      void withLater(copy.bundle).then(resolve)
    }
    const patience = setTimeout(give, PATIENCE_MS)
    fetched
      .then((bundle) => (given ? late(bundle) : resolve(bundle)))
      // Whoever may not see the job any more is told so; a line that is down, or a door in the way, is not the server's word.
      .catch((problem: { status?: number; own?: boolean }) =>
        problem.own && (problem.status === 403 || problem.status === 404) ? reject(problem as Error) : give(),
      )
      .finally(() => clearTimeout(patience))
  })
}

/** Entries that the server has since the job was fetched: in the copy they would be missing. */
export async function rememberEntries(entries: readonly Entry[]): Promise<void> {
  await device.later.bulkPut(entries.map((entry) => ({ id: entry.id, jobId: entry.jobId, entry })))
}

async function withLater(bundle: JobBundle): Promise<JobBundle> {
  const here = new Set(bundle.entries.map(({ id }) => id))
  const later = await device.later.where({ jobId: bundle.id }).toArray()
  const added = later.map(({ entry }) => entry).filter(({ id }) => !here.has(id))
  return { ...bundle, entries: [...bundle.entries, ...added.sort((a, b) => a.seq - b.seq)] }
}

/** Keeps a job as the server gave it; where there is no room the job is still shown. */
export async function keepJob(bundle: JobBundle, chosen?: boolean): Promise<void> {
  const opened = bundle.entries.find(({ kind }) => kind === 'job-opened')
  const { number, title } = (opened?.body ?? { number: '', title: '' }) as { number: string; title: string }
  const now = new Date().toISOString()
  try {
    const before = await device.jobs.get(bundle.id)
    await device.jobs.put({
      id: bundle.id,
      number,
      title,
      bundle,
      fetchedAt: now,
      usedAt: now,
      chosen: chosen ?? before?.chosen ?? false,
      bytes: JSON.stringify(bundle).length,
    })
    const known = new Set(bundle.entries.map(({ id }) => id))
    await device.later
      .where({ jobId: bundle.id })
      .and(({ id }) => known.has(id))
      .delete()
    const unchosen = (await device.jobs.orderBy('usedAt').reverse().toArray()).filter((job) => !job.chosen)
    const gone = unchosen.slice(MOST_UNCHOSEN).map(({ id }) => id)
    await device.jobs.bulkDelete(gone)
    await device.later.where('jobId').anyOf(gone).delete()
  } catch {
    // Said where storage is asked about; nothing that a person entered is lost by it.
  }
}

/** Fetches jobs with their sheets, instruments and small photos, so that they open without signal; says after each job and photo how far it is. */
export async function takeAlong(
  jobIds: readonly JobId[],
  onProgress: (done: number, of: number) => void,
): Promise<void> {
  const photos: string[] = []
  let done = 0
  for (const id of jobIds) {
    const bundle = await get<JobBundle>(`/api/jobs/${id}`)
    await keepJob(bundle, true)
    photos.push(...bundle.entries.flatMap(photosShown).map((photo) => photoAddress(id, photo.id, true)))
    onProgress(++done, jobIds.length + photos.length)
  }
  if (typeof caches === 'undefined') return
  const cache = await caches.open(PHOTO_CACHE)
  for (const address of photos) {
    if (!(await cache.match(address))) await cache.add(address).catch(() => undefined)
    onProgress(++done, jobIds.length + photos.length)
  }
}

/** Lets a copy go; what waits to be sent of the job stays. */
export async function letGo(jobId: JobId): Promise<void> {
  await device.jobs.delete(jobId)
  await device.later.where({ jobId }).delete()
}

/** What was opened is on the device for work without signal; whoever opens the tablet next finds none of it. */
export async function forgetJobs(): Promise<void> {
  await Promise.all([device.jobs.clear(), device.later.clear()]).catch(() => undefined)
}

export type { KeptJob }
