import { useState } from 'react'
import { inForce, type JudgedCheck, type PhotoRef } from '@plumb-mark/core'
import { useCommit } from '../job/use-commit.js'

/**
 * The photos of a check. What is taken while something is being answered goes with that answer; what is taken of a check that is answered
 * already belongs to it at once, so that leaving loses nothing.
 */
export function usePhotos(
  { history }: JudgedCheck,
  answering: boolean,
): { photos: PhotoRef[]; change: (next: PhotoRef[]) => void; clear: () => void } {
  const commit = useCommit()
  const [photos, setPhotos] = useState<PhotoRef[]>([])
  const current = inForce(history)
  const change = (next: PhotoRef[]) => {
    const fresh = next.filter(({ id }) => !photos.some((one) => one.id === id))
    const belongs = current && !answering && photos.length === 0 && fresh.length > 0
    if (belongs && commit({ kind: 'photos-added', body: { entryId: current.id, photos: fresh } })) return
    setPhotos(next)
  }
  return { photos, change, clear: () => setPhotos([]) }
}
