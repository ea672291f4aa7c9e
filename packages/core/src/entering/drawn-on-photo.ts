import { seenOf } from '../as-built/seen.js'
import type { UnitBuilt } from '../as-built/unit.js'
import type { WallPhoto } from '../as-built/wall.js'
import type { ObstructionId, WallId } from '../ids/ids.js'
import type { Change } from '../job/entry.js'
import { photoTape, rectangleOn, type SeenRectangle } from '../wall/photo-tape.js'
import type { Place } from '../wall/photo-uncertainty.js'
import { backToPhoto } from '../wall/projective-map.js'

/** Two opposite corners as they were touched on the drawing, and how well one can be hit there; mm. */
export interface TouchedCorners {
  one: Place
  other: Place
  hitTo: number
}

/** What lies between two touched corners, as the photo of the wall shows it; undefined where one lies at the rim of the photo or beyond it. */
export function seenBetween(
  { setUp }: WallPhoto,
  { one, other, hitTo }: TouchedCorners,
): SeenRectangle | undefined {
  const tape = photoTape(setUp)
  if (!tape.usable) return undefined
  const inPhoto = backToPhoto(tape.map)
  const [a, b] = [inPhoto(one.x, one.y), inPhoto(other.x, other.y)]
  const found = a.seen && b.seen ? rectangleOn(setUp, tape, a, b) : undefined
  return found && { ...found, across: Math.hypot(found.across, hitTo), up: Math.hypot(found.up, hitTo) }
}

interface Size {
  width: number
  height: number
}

/** The sheet knows how large a unit is. Where the photo makes it otherwise, its corners do not lie in the plane of the marks. */
export const sizeDisagrees = ({ w, h, across, up }: SeenRectangle, { width, height }: Size): boolean =>
  Math.abs(w - width) > Math.SQRT2 * across || Math.abs(h - height) > Math.SQRT2 * up

/** Hangs a unit where a photo shows it. It keeps the size of its sheet: the middle of what was touched is its own. */
export function unitSeenAt(
  unit: UnitBuilt,
  wallId: WallId,
  photo: WallPhoto,
  found: SeenRectangle,
  size: Size,
): Change {
  const place = {
    wallId,
    x: tenth(found.x + (found.w - size.width) / 2),
    y: tenth(found.y + (found.h - size.height) / 2),
    w: size.width,
    h: size.height,
    seen: seenOf(photo.photo.id, found, false),
  }
  return { kind: 'unit-fitted', body: { ...unit, place } }
}

/** Enters an obstruction where a photo shows it, by its class. */
export function obstructionSeenAt(
  id: ObstructionId,
  of: string,
  wallId: WallId,
  { photo }: WallPhoto,
  { x, y, w, h, ...known }: SeenRectangle,
): Change {
  const obstruction = {
    id,
    label: of,
    class: of,
    x: tenth(x),
    y: tenth(y),
    w: Math.max(1, tenth(w)),
    h: Math.max(1, tenth(h)),
    seen: seenOf(photo.id, { x, y, w, h, ...known }, true),
  }
  return { kind: 'obstruction-measured', body: { wallId, obstruction } }
}

const tenth = (mm: number): number => Math.round(mm * 10) / 10
