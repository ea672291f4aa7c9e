import { placesOf, type ArrayBuilt, type PlaneBuilt } from '../array/places.js'
import { placeId } from '../ids/place-id.js'
import type { PlaceId } from '../ids/ids.js'
import { normaliseLabel } from '../quantity/phrases.js'
import { attempt } from '../shape/attempt.js'
import { mapOf } from '../wall/known-map.js'
import type { Pixel } from '../wall/photo-uncertainty.js'
import { onWall } from '../wall/projective-map.js'
import type { SerialRow } from './serial-table.js'

/** A code that was read in a photo, and the middle of its label there. */
export interface ReadLabel extends Pixel {
  text: string
}

/** The corners of a plane's grid as they lie in a photo: of the field of labels on its paper map, or of the modules themselves. */
export interface GridCorners {
  upperLeft: Pixel
  upperRight: Pixel
  lowerRight: Pixel
  lowerLeft: Pixel
}

export interface LabelledPlace extends SerialRow {
  /** The serial that stands there on the map, where it is another. */
  was?: string | undefined
}

/** Why a label was not put on the map. */
export type UnplacedWhy = 'outside' | 'between-places' | 'two-in-one-place' | 'no-device' | 'twice'

export interface LabelsOnMap {
  placed: LabelledPlace[]
  unplaced: { label: ReadLabel; why: UnplacedWhy; place?: PlaceId }[]
  /** Places with a device on which no label was read. */
  unread: PlaceId[]
}

/** A label whose middle comes this near to the next place, as a share of a place, belongs to neither. */
const NEAR_THE_NEXT = 0.12

/**
 * Many labels of one photo, put on the array map by where they lie in its grid: the corners of the grid make the photo a map of rows and
 * columns. What is not sure is not placed, and says why; a person confirms the rest. Undefined when the corners make no grid.
 */
export function labelsOnMap(
  labels: readonly ReadLabel[],
  { upperLeft, upperRight, lowerRight, lowerLeft }: GridCorners,
  plane: PlaneBuilt,
  { devices }: ArrayBuilt,
): LabelsOnMap | undefined {
  const { rows, columns } = plane
  const grid = attempt(() =>
    mapOf([
      { ...upperLeft, x: 0, y: 0 },
      { ...upperRight, x: columns, y: 0 },
      { ...lowerRight, x: columns, y: rows },
      { ...lowerLeft, x: 0, y: rows },
    ]),
  )
  if (!grid.ok) return undefined
  const at = new Map(devices.map((device) => [device.at, device]))
  const seen = labels.map((label) => ({ label, ...cellAt(onWall(grid.value, label.px, label.py), plane) }))
  const unplaced: LabelsOnMap['unplaced'] = []
  const placed: LabelledPlace[] = []
  for (const { label, place, why } of seen) {
    const others = seen.filter(
      (one) => one.label !== label && normaliseLabel(one.label.text) !== normaliseLabel(label.text),
    )
    const twin = seen.some(
      (one) => one.place !== place && normaliseLabel(one.label.text) === normaliseLabel(label.text),
    )
    const device = place === undefined ? undefined : at.get(place)
    const fault =
      why ??
      (others.some((one) => one.place === place && !one.why)
        ? 'two-in-one-place'
        : twin
          ? 'twice'
          : device
            ? undefined
            : 'no-device')
    if (fault) unplaced.push({ label, why: fault, ...(place && { place }) })
    else if (!placed.some((one) => one.place === place)) {
      const was = device!.serial
      placed.push({
        place: place!,
        serial: label.text.trim(),
        ...(was && normaliseLabel(was) !== normaliseLabel(label.text) && { was }),
      })
    }
  }
  const known = new Set(placed.map(({ place }) => place))
  const unread = placesOf(plane).flatMap(({ id }) => (at.has(id) && !known.has(id) ? [id] : []))
  return { placed, unplaced, unread }
}

/** The place of the grid that a point lies in, with (0, 0) its upper left corner and a place one wide and high. */
function cellAt({ x, y }: { x: number; y: number }, { id, rows, columns }: PlaneBuilt) {
  if (!(x >= 0 && y >= 0 && x < columns && y < rows)) return { place: undefined, why: 'outside' as const }
  const place = placeId(id, Math.floor(y) + 1, Math.floor(x) + 1)
  const fromMiddle = Math.max(Math.abs((x % 1) - 0.5), Math.abs((y % 1) - 0.5))
  return { place, why: fromMiddle > 0.5 - NEAR_THE_NEXT ? ('between-places' as const) : undefined }
}
