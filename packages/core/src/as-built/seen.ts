import type { PhotoId } from '../ids/ids.js'
import { num, object, optional, text, type Read } from '../shape/shape.js'

const edge = (about: string) => optional(num({ unit: 'mm', sign: 'magnitude', about }))

/**
 * Of what was placed by its corners on a photo: how well each edge is known that way, expanded. A direction that was taken with the tape
 * since is left out, and then it is as sure as the tape of the wall.
 */
export const seenShape = object({
  photoId: text<PhotoId>('of the wall'),
  across: edge('of the left and right edges'),
  up: edge('of the lower and upper edges'),
})
export type Seen = Read<typeof seenShape>
