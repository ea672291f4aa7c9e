import { isAlignmentOf, type PhotoRef, type PhotosAligned } from '@plumb-mark/core'

const KEY = 'plumb-mark-aligned'
/** Old ones go when there are more. */
const MOST_KEPT = 60

function kept(): PhotosAligned[] {
  try {
    const all = JSON.parse(localStorage.getItem(KEY) ?? '[]') as Partial<PhotosAligned>[]
    return all.filter((one): one is PhotosAligned => one.before?.places !== undefined)
  } catch {
    return []
  }
}

/** How two photos were laid on each other by somebody who writes nothing into the record: on this device. */
export const alignmentHere = (before: PhotoRef, after: PhotoRef): PhotosAligned | undefined =>
  kept().find((one) => isAlignmentOf(one, before, after))

export function keepHere(alignment: PhotosAligned): void {
  const { before, after } = alignment
  const others = kept().filter((one) => !isAlignmentOf(one, before.photo, after.photo))
  try {
    localStorage.setItem(KEY, JSON.stringify([alignment, ...others].slice(0, MOST_KEPT)))
  } catch {
    // A device that is full lays them on each other anew the next time.
  }
}
