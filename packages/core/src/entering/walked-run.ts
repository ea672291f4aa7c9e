import type { PlaceId } from '../ids/ids.js'
import { placeId, readPlace } from '../ids/place-id.js'

/**
 * A walk over modules that goes on to a place in one act: straight along the row or the column, else row by row, to and fro, as strings are
 * laid. What is walked already, and where no module lies, is passed over. From nowhere, or onto another plane, it is the place alone.
 */
export function walkedTo(
  path: readonly PlaceId[],
  to: PlaceId,
  liesAt: (place: PlaceId) => boolean,
): PlaceId[] {
  const [last, target] = [path.at(-1), readPlace(to)]
  const from = last === undefined ? undefined : readPlace(last)
  if (path.includes(to)) return [...path]
  if (!target || !from || from.planeId !== target.planeId) return [...path, to]
  const columns = between(from.column, target.column)
  const run = between(from.row, target.row).flatMap((row, i) =>
    (i % 2 === 0 ? columns : columns.toReversed()).map((column) => placeId(from.planeId, row, column)),
  )
  const walked = new Set(path)
  return [...path, ...run.filter((place) => !walked.has(place) && liesAt(place))]
}

/** The whole numbers from one to another, both included, upwards or downwards. */
const between = (a: number, b: number): number[] =>
  Array.from({ length: Math.abs(b - a) + 1 }, (_, i) => (b >= a ? a + i : a - i))
