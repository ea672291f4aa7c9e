import type { SheetId, UnitId, WallId } from '../ids/ids.js'
import { MOUNTED, PLACED } from '../sheet/terms.js'
import { drawnField } from './proposal.js'
import { seenShape } from './seen.js'
import { anyText, num, object, oneOf, optional, text, type Read } from '../shape/shape.js'

/** Where a unit stands, as far as somebody said so; `wall` hangs off the floor, `floor` stands on it. */
export const situationShape = object({ placed: optional(oneOf(PLACED)), mounted: optional(oneOf(MOUNTED)) })
export type Situation = Read<typeof situationShape>

const edge = () => num({ unit: 'mm', sign: 'divisor' })

/** Lower left corner on a wall, from the datum and from finished floor; the size as measured when it is not the sheet's. */
export const wallPlaceShape = object({
  wallId: text<WallId>(),
  x: num({ unit: 'mm' }),
  y: num({ unit: 'mm' }),
  w: edge(),
  h: edge(),
  seen: optional(seenShape),
  drawn: drawnField,
  typed: optional(
    object(
      { x: optional(anyText()), y: optional(anyText()), w: optional(anyText()), h: optional(anyText()) },
      'what was typed for each figure',
    ),
  ),
})
export type WallPlace = Read<typeof wallPlaceShape>

export const unitShape = object({
  id: text<UnitId>(),
  label: anyText(),
  sheetId: text<SheetId>('of a revision that the job pins'),
  serial: optional(anyText()),
  place: optional(wallPlaceShape),
  situation: optional(situationShape),
})
export type UnitBuilt = Read<typeof unitShape>
