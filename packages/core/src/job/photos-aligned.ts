import { photoRefShape, type PhotoRef } from '../answer/photo-ref.js'
import { BadInput } from '../shape/bad-input.js'
import { count, list, num, object, refine, type Read } from '../shape/shape.js'
import type { Pixel } from '../wall/photo-uncertainty.js'
import type { KnownPoint } from '../wall/projective-map.js'

/** As many places as two photos need to lie on each other. */
export const SAME_PLACES = 4

const side = object({
  photo: photoRefShape,
  width: count('px'),
  height: count('px'),
  places: list(object({ px: num(), py: num() }), { max: SAME_PLACES, about: 'px, y down, the same in both' }),
})

/** Where the same four places lie in two photos, a photo of a defect and one of its rework. */
export const photosAlignedShape = refine(object({ before: side, after: side }), ({ before, after }, path) => {
  for (const [name, { places }] of Object.entries({ before, after }))
    if (places.length !== SAME_PLACES)
      throw new BadInput('wrong-length', `${path}.${name}.places`, `must be ${SAME_PLACES} places`)
})
export type PhotosAligned = Read<typeof photosAlignedShape>

/** Where the places of the photo after lie in the one before, y up. */
type Places = { places: readonly Pixel[] }
export const samePlaces = ({ before, after }: { before: Places; after: Places }): KnownPoint[] =>
  after.places.map((pixel, i) => ({ ...pixel, x: before.places[i]!.px, y: -before.places[i]!.py }))

export const isAlignmentOf = (one: PhotosAligned, before: PhotoRef, after: PhotoRef): boolean =>
  one.before.photo.id === before.id && one.after.photo.id === after.id
