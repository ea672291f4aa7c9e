import type { AsBuilt } from '../as-built/as-built.js'
import { DRAWN_FIGURES } from '../as-built/proposal.js'
import { bareWall, type BareWall } from '../as-built/wall.js'
import type { UnitId } from '../ids/ids.js'
import type { Change } from '../job/entry.js'
import { likeJob } from './like-job.js'

/**
 * What stands at an installation that is inspected again: all of it as it was last time, with its walls, places and serials, to be looked
 * at again. What was read then is not taken over, nor what only a look can say (caps, labels), nor the tape: until somebody measures a wall
 * again, nothing on it conforms by what was measured years ago, and every figure on it is drawn until it is confirmed.
 */
export function reinspectionJob(asBuilt: AsBuilt, units: ReadonlySet<UnitId>): Change[] {
  const { walls, array } = asBuilt
  const serials = new Map(array.devices.map(({ id, serial }) => [id, serial]))
  const rest = likeJob(asBuilt, units).map((change): Change => {
    if (change.kind !== 'devices-fitted') return change
    const devices = (change.body as { devices: AsBuilt['array']['devices'] }).devices
    return {
      kind: 'devices-fitted',
      body: { devices: devices.map((one) => ({ ...one, serial: serials.get(one.id) })) },
    }
  })
  return [
    ...walls.flatMap((wall): Change[] => [
      { kind: 'wall-measured', body: untaped(bareWall(wall)) },
      ...wall.obstructions.map((obstruction): Change => ({
        kind: 'obstruction-measured',
        body: { wallId: wall.id, obstruction: { ...obstruction, ...NOT_MEASURED } },
      })),
    ]),
    ...asBuilt.units
      .filter(({ id }) => units.has(id))
      .map(({ place, ...unit }): Change => ({
        kind: 'unit-fitted',
        body: { ...unit, ...(place && { place: { ...place, ...NOT_MEASURED } }) },
      })),
    ...rest,
  ]
}

const untaped = ({ tape: _, instrument: __, ...wall }: BareWall): BareWall => ({ ...wall, uncertainty: 0 })

const NOT_MEASURED = { drawn: [...DRAWN_FIGURES] }
