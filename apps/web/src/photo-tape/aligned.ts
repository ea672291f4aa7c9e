import type { Pixel, PhotoRef } from '@plumb-mark/core'
import type { Size } from './touched-photo.js'

/** Where the same places lie in two photos, and how large these are. */
export interface Alignment {
  sizes: { before: Size; after: Size }
  touched: { before: Pixel[]; after: Pixel[] }
}

const KEY = 'plumb-mark-aligned'
/** Old ones go when there are more. */
const MOST_KEPT = 60

const pairOf = (before: PhotoRef, after: PhotoRef) => `${before.id} ${after.id}`

function kept(): [pair: string, alignment: Alignment][] {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? '[]') as [string, Alignment][]
  } catch {
    return []
  }
}

/** How two photos were laid on each other on this device; it is no part of the record, which shows both as they were taken. */
export const alignmentOf = (before: PhotoRef, after: PhotoRef): Alignment | undefined =>
  kept().find(([pair]) => pair === pairOf(before, after))?.[1]

export function keepAlignment(before: PhotoRef, after: PhotoRef, alignment: Alignment): void {
  const pair = pairOf(before, after)
  const others = kept().filter(([one]) => one !== pair)
  try {
    localStorage.setItem(KEY, JSON.stringify([[pair, alignment], ...others].slice(0, MOST_KEPT)))
  } catch {
    // A device that is full lays them on each other anew the next time.
  }
}
