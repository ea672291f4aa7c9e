import type { WallBuilt } from '../../as-built/wall.js'
import type { UnitBuilt } from '../../as-built/unit.js'
import type { Sheet } from '../sheet.js'
import { attempt } from '../../shape/attempt.js'
import { BadInput } from '../../shape/bad-input.js'
import { countedUncertainty, type DecisionRule } from '../../verdict/decision.js'
import { clearanceOf, type ClearanceResult } from '../../wall/clearance.js'
import { requireNamesOfTheirOwn, type Item, type ReadWall, type Unit } from '../../wall/items.js'
import type { AsBuilt } from '../../as-built/as-built.js'

export interface MeasuredWall {
  wall: WallBuilt
  /** The wall as the clearance calculator takes it. */
  given: ReadWall
  result: ClearanceResult
  /** Why nothing could be measured on it, such as two things with one name. */
  problem?: BadInput | undefined
}

const NO_DEMAND = { left: 0, right: 0, top: 0, bottom: 0 }

/**
 * Puts the units that hang on a wall, with what their sheets demand, and its obstructions before the
 * clearance calculator, by the job's rule for doubtful measures.
 */
export function measureWall(
  wall: WallBuilt,
  { units }: AsBuilt,
  sheetOf: (unit: UnitBuilt) => Sheet | undefined,
  rule: DecisionRule,
): MeasuredWall {
  const hung = units
    .filter(({ place }) => place?.wallId === wall.id)
    .map((unit) => asUnit(unit, sheetOf(unit)))
  const others: Item[] = wall.obstructions.map(({ id, class: of, x, y, w, h }) => ({
    kind: 'obstruction',
    id,
    class: of,
    x,
    y,
    w,
    h,
  }))
  const given: ReadWall = {
    wall: {
      leftCorner: wall.leftCorner,
      rightCorner: wall.rightCorner && wall.width !== undefined,
      ...(wall.width !== undefined && { width: wall.width }),
      ...(wall.height !== undefined && { height: wall.height }),
    },
    uncertainty: countedUncertainty(wall.uncertainty, rule),
    items: [...hung, ...others],
  }
  if (given.items.length === 0) return { wall, given, result: EMPTY }
  const measured = attempt(() => {
    if (given.items.length > MOST_ON_A_WALL)
      throw new BadInput('wrong-length', 'items', `may be at most ${MOST_ON_A_WALL} on one wall`)
    requireNamesOfTheirOwn(given.items)
    return clearanceOf(given)
  })
  return measured.ok
    ? { wall, given, result: measured.value }
    : { wall, given, result: EMPTY, problem: measured.problem }
}

/** More than any wall carries; each may overlap each, and a wall is measured on every keystroke. */
const MOST_ON_A_WALL = 300

const EMPTY: ClearanceResult = { units: [], collisions: [], verdict: 'conforms', working: [], notes: [] }

/** A unit without a clearance requirement in its sheet asks for nothing, but stands in the way of others. */
function asUnit({ id, place }: UnitBuilt, sheet: Sheet | undefined): Unit {
  const { x, y, w, h } = place!
  const demand = sheet?.requirements.find((requirement) => requirement.kind === 'clearance')
  if (!demand) return { kind: 'unit', id, x, y, w, h, clear: NO_DEMAND, reach: 'straight', keepOut: [] }
  return {
    kind: 'unit',
    id,
    x,
    y,
    w,
    h,
    clear: demand.clear,
    reach: demand.reach,
    keepOut: demand.keepOut,
    ...(demand.neighbour && { neighbour: demand.neighbour }),
    ...(demand.base && { base: demand.base }),
  }
}
