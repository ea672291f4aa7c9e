import type { PhotoId } from '../ids/ids.js'
import { anyText, object, optional, text, type Read } from '../shape/shape.js'

/** A photo that an entry shows; the digest ties the record to the very file. */
export const photoRefShape = object({
  id: text<PhotoId>(),
  sha256: text('of the file, lower-case hex'),
  caption: optional(anyText()),
})
export type PhotoRef = Read<typeof photoRefShape>
