import type { GapId, ObstructionId, WallId } from '../ids/ids.js'
import { instrumentShape } from '../instrument/instrument.js'
import { photoRefShape } from '../answer/photo-ref.js'
import { photoSetUpShape } from '../wall/photo-tape.js'
import { drawnField } from './proposal.js'
import { seenShape } from './seen.js'
import { anyText, flag, num, object, oneOf, optional, text, type Read } from '../shape/shape.js'

const edge = (about?: string) => num({ unit: 'mm', sign: 'divisor', ...(about && { about }) })

/** A wall by itself, as its own entry has it. */
export const bareWallShape = object({
  id: text<WallId>(),
  title: anyText(),
  width: optional(edge()),
  height: optional(edge('to the ceiling')),
  leftCorner: flag(),
  rightCorner: flag(),
  uncertainty: num({
    unit: 'mm',
    sign: 'magnitude',
    about: 'of a gap measured with the tape that was named, k = 2; 0 when none was',
  }),
  tape: optional(anyText('its name, as it was when the wall was measured')),
  instrument: optional(instrumentShape),
})
export type BareWall = Read<typeof bareWallShape>

export const obstructionShape = object({
  id: text<ObstructionId>(),
  label: anyText(),
  class: anyText(),
  x: num({ unit: 'mm' }),
  y: num({ unit: 'mm' }),
  w: edge(),
  h: edge(),
  seen: optional(seenShape),
  drawn: drawnField,
})
export type ObstructionBuilt = Read<typeof obstructionShape>

/** A gap between two things on a wall, or from a thing to a corner. `from` stands left of or below `to`. */
export const gapShape = object({
  id: text<GapId>(),
  from: text(),
  to: text(),
  axis: oneOf(['across', 'up'] as const),
  value: num({ unit: 'mm' }),
  typed: anyText(),
})
export type GapMeasured = Read<typeof gapShape>

/** A photo of a wall that was made a tape: the known points are places on this wall. */
export const wallPhotoShape = object({ photo: photoRefShape, setUp: photoSetUpShape })
export type WallPhoto = Read<typeof wallPhotoShape>

/** A wall with what stands on it, its photos, and the gaps that were measured one by one beside the offsets from the datum. */
export interface WallBuilt extends BareWall {
  obstructions: ObstructionBuilt[]
  gaps: GapMeasured[]
  photos?: WallPhoto[]
}

/** The wall without what stands on it. */
export function bareWall({ obstructions: _, gaps: __, photos: ___, ...bare }: WallBuilt): BareWall {
  return bare
}
