import { edgesSeen } from '../../as-built/seen.js'
import type { WallBuilt } from '../../as-built/wall.js'
import type { UnitBuilt } from '../../as-built/unit.js'
import { measures, outOfCalibration, vouching } from '../../instrument/instrument.js'
import type { DrawnFigure } from '../../as-built/proposal.js'
import { mm } from '../../quantity/figure.js'
import { joinAnd } from '../../quantity/phrases.js'
import type { Moment } from '../../job/state.js'
import type { Requirement } from '../kinds.js'
import type { Sheet } from '../sheet.js'
import { attempt } from '../../shape/attempt.js'
import { BadInput } from '../../shape/bad-input.js'
import { countedUncertainty, type DecisionRule } from '../../verdict/decision.js'
import { clearanceOf, type ClearanceResult, type UnitClearance } from '../../wall/clearance.js'
import { requireNamesOfTheirOwn, type Item, type ReadWall, type Unit } from '../../wall/items.js'
import { SIDES, type Side } from '../../wall/sides.js'
import { misclosures, wallEnds, type Misclosure } from '../../wall/misclosure.js'
import type { AsBuilt } from '../../as-built/as-built.js'

export interface MeasuredWall {
  wall: WallBuilt
  /** The wall as the clearance calculator takes it. */
  input: ReadWall
  result: ClearanceResult
  /** The result by one requirement alone, where several speak of a unit; by `unit/requirement`. */
  byRequirement: ReadonlyMap<string, UnitClearance>
  /** Gaps that were measured one by one and contradict the offsets. */
  contradictions: readonly Misclosure[]
  /** Why what was measured on it proves nothing. */
  doubt?: string | undefined
  /** What stands on it by figures of which one was drawn and not measured. */
  drawn: ReadonlySet<string>
  /** Why nothing could be measured on it, such as two things with one name. */
  problem?: BadInput | undefined
}

export type ClearanceRequirement = Extract<Requirement, { kind: 'clearance' }>

/** What measuring a wall has to know of its job. */
export interface WallContext {
  sheetOf(unit: UnitBuilt): Sheet | undefined
  /** Does a requirement apply to a unit, as far as anybody said? */
  applies(requirement: Requirement, unit: UnitBuilt): boolean
  rule: DecisionRule
  /** When the wall was last measured. */
  measuredAt?: Moment | undefined
  /** IANA, of the site. */
  timeZone?: string | undefined
}

/**
 * Puts the units that hang on a wall, with what their sheets demand, and its obstructions before the
 * clearance calculator, by the job's rule for doubtful measures.
 */
export function measureWall(wall: WallBuilt, { units }: AsBuilt, context: WallContext): MeasuredWall {
  const hung = units.filter(({ place }) => place?.wallId === wall.id)
  const demanded = hung.map((unit) => ({ unit, demands: demandsFor(unit, context) }))
  const others: Item[] = wall.obstructions.map(({ id, class: of, x, y, w, h, seen }) => ({
    kind: 'obstruction',
    id,
    class: of,
    x,
    y,
    w,
    h,
    ...(seen && { uncertainty: edgesSeen(seen) }),
  }))
  const surveyed = [...demanded.map(({ unit, demands }) => asUnit(unit, demands)), ...others]
  const gaps = tapedAgain(surveyed, wall)
  const input: ReadWall = {
    wall: {
      leftCorner: wall.leftCorner,
      rightCorner: wall.rightCorner && wall.width !== undefined,
      ...(wall.width !== undefined && { width: wall.width }),
      ...(wall.height !== undefined && { height: wall.height }),
    },
    uncertainty: countedUncertainty(wall.uncertainty, context.rule),
    items: surveyed.map(({ uncertainty, ...item }) =>
      uncertainty && context.rule !== 'simple' ? { ...item, uncertainty } : item,
    ) as Item[],
    gaps: gaps.filter(({ tooLarge }) => !tooLarge).map(({ measured: value, ...gap }) => ({ ...gap, value })),
  }
  const drawn = drawnOn(wall, hung)
  const base = {
    wall,
    input,
    byRequirement: new Map(),
    contradictions: [],
    drawn: new Set(drawn.map(({ id }) => id)),
    doubt: doubtOf(wall, surveyed, context) ?? doubtOfDrawn(drawn),
  }
  if (input.items.length === 0) return { ...base, result: EMPTY }
  const measured = attempt(() => {
    if (input.items.length > MOST_ON_A_WALL)
      throw new BadInput('wrong-length', 'items', `may be at most ${MOST_ON_A_WALL} on one wall`)
    requireNamesOfTheirOwn(input.items)
    return {
      result: clearanceOf(input),
      byRequirement: alone(input, demanded),
      contradictions: misclosures([...surveyed, ...wallEnds(wall)], wall.gaps, wall.uncertainty).filter(
        ({ tooLarge }) => tooLarge,
      ),
    }
  })
  return measured.ok ? { ...base, ...measured.value } : { ...base, result: EMPTY, problem: measured.problem }
}

/** The gaps that were read with the tape between things of which one was placed off a photo: there the tape knows better. */
function tapedAgain(surveyed: readonly Item[], wall: WallBuilt): Misclosure[] {
  const offPhoto = new Set(surveyed.filter(({ uncertainty }) => uncertainty).map(({ id }) => id))
  if (offPhoto.size === 0) return []
  const gaps = wall.gaps.filter(({ from, to }) => offPhoto.has(from) || offPhoto.has(to))
  return misclosures([...surveyed, ...wallEnds(wall)], gaps, wall.uncertainty)
}

/** More than any wall carries; each may overlap each, and a wall is measured on every keystroke. */
const MOST_ON_A_WALL = 300

const EMPTY: ClearanceResult = { units: [], collisions: [], verdict: 'conforms', working: [], notes: [] }
const NO_DEMAND = { left: 0, right: 0, top: 0, bottom: 0 }

function demandsFor(unit: UnitBuilt, { sheetOf, applies }: WallContext): ClearanceRequirement[] {
  return (sheetOf(unit)?.requirements ?? []).filter(
    (one): one is ClearanceRequirement => one.kind === 'clearance' && applies(one, unit),
  )
}

/** A unit without a clearance requirement asks for nothing, but stands in the way of others; of several the strictest governs. */
function asUnit({ id, place }: UnitBuilt, demands: readonly ClearanceRequirement[]): Unit {
  const { x, y, w, h, seen } = place!
  const rules = demands.flatMap((one) => one.neighbour ?? [])
  const neighbour = rules.find(({ rule }) => rule === 'sum') ?? rules[0]
  const bases = demands.flatMap(({ base }) => base ?? [])
  const least = bases.flatMap(({ min }) => min ?? [])
  const most = bases.flatMap(({ max }) => max ?? [])
  return {
    kind: 'unit',
    id,
    x,
    y,
    w,
    h,
    clear: demands.reduce((so, { clear }) => largest(so, clear), NO_DEMAND),
    reach: demands.some(({ reach }) => reach === 'envelope') ? 'envelope' : 'straight',
    keepOut: demands.flatMap(({ keepOut }) => keepOut),
    ...(seen && { uncertainty: edgesSeen(seen) }),
    ...(neighbour && { neighbour }),
    ...(demands.length > 1 && { demands }),
    ...(bases.length > 0 && {
      base: {
        ...(least.length > 0 && { min: Math.max(...least) }),
        ...(most.length > 0 && { max: Math.min(...most) }),
      },
    }),
  }
}

const largest = (a: Record<Side, number>, b: Record<Side, number>): Record<Side, number> =>
  Object.fromEntries(SIDES.map((side) => [side, Math.max(a[side], b[side])])) as Record<Side, number>

/** Where several requirements speak of a unit, each is judged by what it demands itself; the others on the wall by all of theirs. */
function alone(
  input: ReadWall,
  demanded: readonly { unit: UnitBuilt; demands: readonly ClearanceRequirement[] }[],
): Map<string, UnitClearance> {
  const found = new Map<string, UnitClearance>()
  for (const { unit, demands } of demanded.filter((one) => one.demands.length > 1))
    for (const demand of demands) {
      const items = input.items.map((item) => (item.id === unit.id ? asUnit(unit, [demand]) : item))
      const { units } = clearanceOf({ ...input, items })
      found.set(
        `${unit.id}/${demand.id}`,
        units.find(({ id }) => id === unit.id)!,
      )
    }
  return found
}

/** What stands on a wall by a drawing, in part or whole. */
function drawnOn(
  wall: WallBuilt,
  hung: readonly UnitBuilt[],
): { id: string; label: string; drawn: readonly DrawnFigure[] }[] {
  return [
    ...hung.map(({ id, label, place }) => ({ id, label, drawn: place!.drawn ?? [] })),
    ...wall.obstructions.map(({ id, label, drawn = [] }) => ({ id, label, drawn })),
  ].filter(({ drawn }) => drawn.length > 0)
}

/** As the fields are called in which they are measured. */
const DRAWN_WORDS = {
  x: 'distance from the datum',
  y: 'height above the floor',
  w: 'width',
  h: 'height',
} satisfies Record<DrawnFigure, string>

function doubtOfDrawn([first, ...more]: ReturnType<typeof drawnOn>): string | undefined {
  if (!first) return undefined
  const others = more.length > 0 ? `, and ${more.length} more on this wall` : ''
  return `${first.label}${others}: ${joinAnd(first.drawn.map((figure) => DRAWN_WORDS[figure]))} drawn, not measured: measure it, or confirm it`
}

/** A wall that was measured with nothing in particular, or with a tape that does not reach, proves no more than a terminal that was. */
function doubtOf(
  wall: WallBuilt,
  surveyed: readonly Item[],
  { measuredAt, timeZone }: WallContext,
): string | undefined {
  const { tape, instrument } = wall
  if (!tape && !instrument) return 'name the tape that the wall was measured with'
  if (!instrument) return undefined
  if (measuredAt && outOfCalibration(instrument, measuredAt.at, timeZone))
    return `${instrument.name} was out of calibration since ${instrument.calibratedUntil}: measure the wall again with one that is in date`
  const offsets = surveyed.filter(({ uncertainty }) => !uncertainty).flatMap(({ x, y }) => [x, y])
  const farthest = Math.max(0, wall.width ?? 0, wall.height ?? 0, ...offsets.map(Math.abs))
  return measures(instrument, 'length') && !vouching(instrument, 'length', farthest)
    ? `${instrument.name} does not reach ${String(mm(farthest))}: measure the wall with a longer one`
    : undefined
}
