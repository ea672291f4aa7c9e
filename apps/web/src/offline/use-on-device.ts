import { useLiveQuery } from 'dexie-react-hooks'
import type { JobId } from '@plumb-mark/core'
import { useSession } from '../data/session.js'
import { device, type Batch, type KeptJob, type SetAside, type WaitingPhoto } from './device-database.js'
import { useOnlyHere } from './outbox.js'
import { usePhotoSending } from './photos.js'
import { useSetAside } from './set-aside.js'

/** What of this person waits on this device to be sent or to be decided about, and what is kept here for work without signal. */
export interface OnDevice {
  batches: readonly Batch[]
  photos: readonly WaitingPhoto[]
  aside: readonly SetAside[]
  jobs: readonly KeptJob[]
  /** Of others who use this tablet too. */
  othersWait: number
}

const NOTHING = { batches: [], photos: [], jobs: [] }

export function useOnDevice(): OnDevice {
  const id = useSession(({ person }) => person?.id)
  const onlyHere = useOnlyHere(({ batches }) => batches)
  const photosOnlyHere = usePhotoSending((state) => state.onlyHere)
  const aside = useSetAside(({ list }) => list)
  const kept = useLiveQuery(
    async () => {
      const [batches, photos, jobs] = await Promise.all([
        device.batches.toArray(),
        device.photos.toArray(),
        device.jobs.orderBy('usedAt').reverse().toArray(),
      ])
      return { batches, photos, jobs }
    },
    [],
    NOTHING,
  )
  const mine = ({ by }: { by: string }) => by === '' || by === id
  const batches = [...kept.batches, ...onlyHere]
  return {
    batches: batches.filter(mine),
    photos: [...kept.photos, ...photosOnlyHere].filter(mine),
    aside: aside.filter(mine),
    jobs: kept.jobs,
    othersWait: batches.filter((batch) => !mine(batch)).reduce((sum, { entries }) => sum + entries.length, 0),
  }
}

/** How many entries wait, by job. */
export function waitingByJob(batches: readonly Batch[]): ReadonlyMap<JobId, number> {
  const counts = new Map<JobId, number>()
  for (const { jobId, entries } of batches) counts.set(jobId, (counts.get(jobId) ?? 0) + entries.length)
  return counts
}
