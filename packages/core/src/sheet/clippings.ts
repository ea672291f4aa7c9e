import { BadInput } from '../shape/bad-input.js'
import { count, digestText, list, num, object, oneOf, refine, text, type Read } from '../shape/shape.js'
import type { PlaceInManual } from './place.js'

/** More than any manual has places, and what they come to at most. */
const MOST_CLIPPINGS = 2000
/** Characters of one picture, some times that of a whole page. */
const LARGEST_PICTURE = 2_000_000

const PICTURE = /^data:image\/(?:webp|png|jpeg);base64,[A-Za-z0-9+/]+={0,2}$/
const corners = () => list(num({ min: 0 }), { max: 4, about: 'left, top, right and bottom in points' })

const pictureShape = refine(text('as a data address'), (value, path) => {
  if (value.length > LARGEST_PICTURE)
    throw new BadInput('too-large', path, 'is larger than a page of a manual')
  if (!PICTURE.test(value)) throw new BadInput('malformed', path, 'must be a picture as a data address')
})

const clippingShape = object({
  page: count('of the file, from 1'),
  box: corners(),
  area: corners(),
  picture: pictureShape,
})
export type Clipping = Read<typeof clippingShape>

const clippingsShape = object({
  format: oneOf(['plumb-mark-clippings'] as const),
  version: oneOf([1] as const),
  manual: digestText(),
  clippings: list(clippingShape, { max: MOST_CLIPPINGS, mayBeEmpty: true }),
})
/** The cut-outs of a manual, small pictures of the places that a sheet names, in one file. */
export type Clippings = Read<typeof clippingsShape>

/** Reads a file of cut-outs. Bad input: whatever does not fit, with its path; `not-json`. */
export function readClippings(json: string): Clippings {
  let data: unknown
  try {
    data = JSON.parse(json)
  } catch {
    throw new BadInput('not-json', '', 'is not JSON')
  }
  return clippingsShape.read(data, '')
}

export const clippingsText = (manual: string, clippings: readonly Clipping[]): string =>
  JSON.stringify({
    format: 'plumb-mark-clippings',
    version: 1,
    manual,
    clippings: [...clippings],
  } satisfies Clippings)

/** The cut-out of a place; undefined where none was made of it. */
export const clippingAt = (
  { clippings }: Clippings,
  { page, box = [] }: PlaceInManual,
): Clipping | undefined => clippings.find((one) => one.page === page && one.box.join() === box.join())
