import { seenWithout, type AsBuilt, type Change, type DrawnFigure, type WallPlace } from '@plumb-mark/core'
import type { Dragged } from '../../ui/drawings/wall-elevation.js'
import { withObstruction, withUnit } from '../../job/undo-history.js'

/** A tenth of a millimetre is more than a finger can mean. */
const tenth = (mm: number) => Math.round(mm * 10) / 10

/** The as-built with the dragged thing where it is held. */
export function movedBy(asBuilt: AsBuilt, { wallId, id, x, y }: Dragged): AsBuilt {
  const unit = asBuilt.units.find((one) => one.id === id)
  if (unit?.place) return withUnit(asBuilt, { ...unit, place: { ...unit.place, x, y } })
  const obstruction = asBuilt.walls
    .find((wall) => wall.id === wallId)
    ?.obstructions.find((one) => one.id === id)
  return obstruction ? withObstruction(asBuilt, wallId, { ...obstruction, x, y }) : asBuilt
}

/** A finger is no tape: where it was let go is drawn, whatever was measured before. Its size is as sure as it was. */
const withDrawn = ({ drawn = [] }: { drawn?: readonly DrawnFigure[] | undefined }): DrawnFigure[] => [
  ...new Set<DrawnFigure>([...drawn, 'x', 'y']),
]
const dragged = (place: WallPlace, to: { x: number; y: number }): WallPlace => ({
  ...place,
  ...to,
  seen: seenWithout(place.seen, 'x', 'y'),
  drawn: withDrawn(place),
  typed: {},
})

/** What letting go writes down; nothing when it stands where it stood. What was typed before no longer says where it is. */
export function dropChange(asBuilt: AsBuilt, { wallId, id, x, y }: Dragged): Change | undefined {
  const to = { x: tenth(x), y: tenth(y) }
  const unit = asBuilt.units.find((one) => one.id === id)
  if (unit?.place)
    return unit.place.x === to.x && unit.place.y === to.y
      ? undefined
      : { kind: 'unit-fitted', body: { ...unit, place: dragged(unit.place, to) } }
  const obstruction = asBuilt.walls
    .find((wall) => wall.id === wallId)
    ?.obstructions.find((one) => one.id === id)
  return obstruction && (obstruction.x !== to.x || obstruction.y !== to.y)
    ? {
        kind: 'obstruction-measured',
        body: { wallId, obstruction: { ...obstruction, ...to, drawn: withDrawn(obstruction) } },
      }
    : undefined
}
