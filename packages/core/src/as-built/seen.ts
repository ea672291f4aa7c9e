import type { PhotoId } from '../ids/ids.js'
import { num, object, optional, text, type Read } from '../shape/shape.js'
import type { EdgeUncertainty } from '../wall/gap-uncertainty.js'
import type { SeenRectangle } from '../wall/photo-tape.js'

const known = (about?: string) => optional(num({ unit: 'mm', sign: 'magnitude', ...(about && { about }) }))

/**
 * Of what was placed by its corners on a photo: how well each figure is known that way, expanded. One that was taken with the tape since,
 * or comes from a sheet, is left out, and then it is as sure as the tape of the wall.
 */
export const seenShape = object({
  photoId: text<PhotoId>('of the wall'),
  x: known('of the left edge'),
  y: known('of the lower edge'),
  w: known(),
  h: known(),
})
export type Seen = Read<typeof seenShape>

/** Where the near edge was read off the photo, so was the far one, as well; where it was taped, the far one is as sure as the size. */
export const edgesSeen = ({ x, y, w, h }: Seen): EdgeUncertainty => ({ across: x ?? w, up: y ?? h })

/** A size is the difference of two edges. */
export const seenOf = (photoId: PhotoId, { across, up }: SeenRectangle, sized: boolean): Seen => ({
  photoId,
  x: across,
  y: up,
  ...(sized && { w: Math.SQRT2 * across, h: Math.SQRT2 * up }),
})

/** What is left to the photo once some figures were taken otherwise; undefined when nothing is. */
export function seenWithout(seen: Seen | undefined, ...figures: ('x' | 'y' | 'w' | 'h')[]): Seen | undefined {
  if (!seen) return undefined
  const { photoId, ...rest } = seen
  const left = Object.entries(rest).filter(
    ([name, one]) => one !== undefined && !figures.includes(name as 'x'),
  )
  return left.length > 0 ? { photoId, ...Object.fromEntries(left) } : undefined
}
