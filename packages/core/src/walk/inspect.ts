import type { AsBuilt } from '../as-built/as-built.js'
import type { UnitBuilt } from '../as-built/unit.js'
import type { CheckId, PointId, WallId } from '../ids/ids.js'
import { canonicalJson } from '../job/canonical.js'
import type { JobState, RaisedDefect } from '../job/state.js'
import { exactly } from '../quantity/message.js'
import { checkId } from '../ids/check-id.js'
import type { WallBuilt } from '../as-built/wall.js'
import type { Reads } from '../requirements/kind.js'
import { kindOf, type Requirement } from '../requirements/kinds.js'
import { whyNot } from '../requirements/why-not.js'
import { measureWall, type MeasuredWall, type WallContext } from '../requirements/mounting/measured-wall.js'
import type { Sheet } from '../requirements/sheet.js'
import type { WalkContext } from './walk-context.js'
import { STAGES, type Stage } from '../sheet/stages.js'
import { worst, type Verdict } from '../verdict/verdict.js'
import type { Check, JudgedCheck, Outcome } from './check.js'
import { defectOf, type Defect } from './defect.js'
import { impliedRequirements } from './implied-requirements.js'
import { expand } from './expand.js'
import { judge, judgeCheck } from './judge.js'
import { ruleOf, walkContextOf } from './walk-context-of.js'

/** A whole job, judged: what every screen, report and gate reads. */
export interface Inspection {
  state: JobState
  sheets: ReadonlyMap<string, Sheet>
  context: WalkContext
  walls: readonly MeasuredWall[]
  /** In the order of the walk, then by unit and as the sheet has them. */
  checks: readonly JudgedCheck[]
  /** Where each check stands in the list. */
  at: CheckIndex
  defects: Defect[]
  verdict: Verdict
  /** The same checks, by what they follow from; what the next judgement is carried forward from. */
  rows: readonly Row[]
}

export interface CheckIndex {
  byId: ReadonlyMap<CheckId, number>
  byPoint: ReadonlyMap<PointId, readonly number[]>
  /** Checks that compare readings of several points. */
  comparing: readonly number[]
}

/** One requirement on one unit, and where the checks that follow from it stand. */
interface Row {
  unit: UnitBuilt
  requirement: Requirement
  at: readonly number[]
}
type JudgedRow = Omit<Row, 'at'> & { checks: readonly JudgedCheck[] }

/**
 * Judges a job by its sheets: expands the checks, gives each its evidence, measures the walls, folds the defects. Pure. `asBuilt` may stand
 * in for what the entries say, to try out a change before it is kept.
 */
export function inspect(
  state: JobState,
  sheets: ReadonlyMap<string, Sheet>,
  asBuilt: AsBuilt = state.asBuilt,
): Inspection {
  const walls = asBuilt.walls.map((wall) => measured(wall, asBuilt, state, sheets))
  const context = walkContextOf(state, asBuilt, walls, sheets)
  const rows = requirementsOf(asBuilt, sheets).map((one) => judgedRow(one, state, context))
  return inOrder({ state, sheets, context, walls }, rows)
}

/**
 * The same as `inspect` for a state that came out of the one that was judged before: only what reads something that changed is expanded and
 * judged again, and what did not is the very same object. Each kind of requirement declares what it reads.
 */
export function inspectNext(
  before: Inspection,
  state: JobState,
  sheets: ReadonlyMap<string, Sheet> = before.sheets,
  asBuilt: AsBuilt = state.asBuilt,
): Inspection {
  return carriedForward(before, { state, sheets, asBuilt }, OUTCOMES)
}

/**
 * The same without judging: what is asked at each measuring point by what stands now. Defects stay those of before, and a check that reads
 * something that changed has no outcome: for entries that are weighed against points alone, of which a long batch brings hundreds.
 */
export function pointsNext(
  before: Inspection,
  state: JobState,
  sheets: ReadonlyMap<string, Sheet> = before.sheets,
): Inspection {
  return carriedForward(before, { state, sheets, asBuilt: state.asBuilt }, POINTS)
}

/** What is made of a check when something that it reads has changed, and of all of them at the end. */
interface Judging {
  check(check: Check, state: JobState, context: WalkContext): JudgedCheck
  finish(
    base: Base & Pick<Inspection, 'rows' | 'at'>,
    checks: readonly JudgedCheck[],
    before: Inspection,
  ): Inspection
}
const OUTCOMES: Judging = { check: judgeCheck, finish: finished }
const POINTS: Judging = {
  check: (check) => ({ check, history: [], measured: undefined, outcome: { verdict: 'not-inspected' } }),
  finish: (base, checks, { defects, verdict }) => ({ ...base, checks, defects, verdict }),
}

function carriedForward(
  before: Inspection,
  { state, sheets, asBuilt }: Pick<Inspection, 'state' | 'sheets'> & { asBuilt: AsBuilt },
  judging: Judging,
): Inspection {
  const replaced = state.replacements !== before.state.replacements
  if (state.header !== before.state.header || replaced || !sameSheets(sheets, before.sheets))
    return inspect(state, sheets, asBuilt)
  const points = changedPoints(before.state, state)
  const built = before.context.asBuilt
  if (sameThings(built, asBuilt)) return readAgain(before, state, asBuilt, points, judging)
  const walls = asBuilt.walls.map(
    (wall) => measuredBefore(wall, before, asBuilt, state) ?? measured(wall, asBuilt, state, sheets),
  )
  const context = walkContextOf(state, asBuilt, walls, sheets, before.context)
  const changed = changes(before, walls, asBuilt, points)
  const base = { state, sheets, context, walls }
  const inPlace =
    built.units === asBuilt.units ? judgedInPlace(before, base, changed, points, judging) : undefined
  if (inPlace) return inPlace
  const known = new Map(before.rows.map((row) => [keyOf(row), row]))
  const rows = requirementsOf(asBuilt, sheets).map((one): JudgedRow => {
    const row = known.get(keyOf(one))
    const stands =
      row && likeButPlace(row.unit, one.unit) && !reads(one.requirement).some((what) => changed.has(what))
    if (!stands) return judgedRow(one, state, context, judging)
    const checks = row.at.map((at) => {
      const judged = before.checks[at]!
      const check = row.unit === one.unit ? judged.check : { ...judged.check, unit: one.unit }
      return points.has(check.point)
        ? judging.check(check, state, context)
        : check === judged.check
          ? judged
          : { ...judged, check }
    })
    return { ...one, checks }
  })
  return inOrder(base, rows, (found, checks) => judging.finish(found, checks, before))
}

/** The units are the same, so every row stands where it stood; undefined when one of them has other checks than before. */
function judgedInPlace(
  before: Inspection,
  base: Base,
  changed: ReadonlySet<Reads>,
  points: ReadonlySet<PointId>,
  judging: Judging,
): Inspection | undefined {
  const { state, context } = base
  const checks = [...before.checks]
  for (const { unit, requirement, at } of before.rows) {
    if (!reads(requirement).some((what) => changed.has(what))) continue
    const fresh = expand(unit, base.sheets.get(unit.sheetId)!, requirement, context)
    if (fresh.length !== at.length || fresh.some(({ id }, i) => id !== checks[at[i]!]!.check.id))
      return undefined
    fresh.forEach((check, i) => (checks[at[i]!] = judging.check(check, state, context)))
  }
  for (const point of points)
    for (const i of before.at.byPoint.get(point) ?? [])
      checks[i] = judging.check(checks[i]!.check, state, context)
  return judging.finish({ ...base, rows: before.rows, at: before.at }, checks, before)
}

/** The job with what was built otherwise, for trying out. The same as `inspect` with that as-built. */
export const inspectDraft = (kept: Inspection, asBuilt: AsBuilt): Inspection =>
  inspectNext(kept, kept.state, kept.sheets, asBuilt)

/** Nothing was built otherwise: only what is read at the changed points, or compares readings, is judged again. */
function readAgain(
  before: Inspection,
  state: JobState,
  asBuilt: AsBuilt,
  points: ReadonlySet<PointId>,
  judging: Judging,
): Inspection {
  const { walls, sheets, at } = before
  const context = walkContextOf(state, asBuilt, walls, sheets, before.context)
  const again = new Set([...points].flatMap((point) => at.byPoint.get(point) ?? []))
  if (points.size > 0) for (const i of at.comparing) again.add(i)
  const checks = again.size === 0 ? before.checks : [...before.checks]
  for (const i of again) (checks as JudgedCheck[])[i] = judging.check(before.checks[i]!.check, state, context)
  return judging.finish({ ...before, state, context }, checks, before)
}

interface Demand {
  unit: UnitBuilt
  sheet: Sheet
  requirement: Requirement
}

/** Every requirement on every unit, in the order of the walk, then by unit and as the sheet has them. */
function requirementsOf({ units }: AsBuilt, sheets: ReadonlyMap<string, Sheet>): Demand[] {
  const byStage = new Map<Stage, Demand[]>(STAGES.map((stage) => [stage, []]))
  for (const unit of units) {
    const sheet = sheets.get(unit.sheetId)
    for (const requirement of sheet ? [...sheet.requirements, ...impliedRequirements(sheet)] : [])
      byStage.get(requirement.stage)!.push({ unit, sheet: sheet!, requirement })
  }
  return [...byStage.values()].flat()
}

function judgedRow(
  { unit, sheet, requirement }: Demand,
  state: JobState,
  context: WalkContext,
  judging = OUTCOMES,
): JudgedRow {
  const checks = expand(unit, sheet, requirement, context)
  return { unit, requirement, checks: checks.map((check) => judging.check(check, state, context)) }
}

type Base = Pick<Inspection, 'state' | 'sheets' | 'context' | 'walls'>

function inOrder(
  base: Base,
  judged: readonly JudgedRow[],
  finish: (
    base: Base & Pick<Inspection, 'rows' | 'at'>,
    checks: readonly JudgedCheck[],
  ) => Inspection = finished,
): Inspection {
  const checks: JudgedCheck[] = []
  const byId = new Map<CheckId, number>()
  const byPoint = new Map<PointId, number[]>()
  const comparing: number[] = []
  const rows = judged.map(({ unit, requirement, checks: own }): Row => {
    const compares = reads(requirement).includes('readings')
    const at = own.map((one) => {
      const i = checks.push(one) - 1
      byId.set(one.check.id, i)
      const there = byPoint.get(one.check.point)
      if (there) there.push(i)
      else byPoint.set(one.check.point, [i])
      if (compares) comparing.push(i)
      return i
    })
    return { unit, requirement, at }
  })
  return finish({ ...base, rows, at: { byId, byPoint, comparing } }, checks)
}

/** What follows from the checks as a whole. */
function finished(base: Base & Pick<Inspection, 'rows' | 'at'>, checks: readonly JudgedCheck[]): Inspection {
  const judgedBy = (id: CheckId) => checks[base.at.byId.get(id) ?? -1]
  const defects = [...base.state.defects.values()].map((raised) => {
    const judged = judgedBy(raised.raised.body.checkId)
    return defectOf(raised, judged, () => judged !== undefined && changedSince(raised, judged, base))
  })
  return { ...base, checks, defects, verdict: worst(checks.map(({ outcome }) => outcome.verdict)) }
}

/** Do the facts behind a check that is read off a drawing say something else than when its defect was reworked? */
function changedSince(
  { reworkedOn }: RaisedDefect,
  { check, outcome }: JudgedCheck,
  { state, sheets }: Pick<Inspection, 'state' | 'sheets'>,
): boolean {
  const unit = reworkedOn?.units.find(({ id }) => id === check.unit.id)
  const sheet = unit && sheets.get(unit.sheetId)
  if (!reworkedOn || !unit || !sheet) return reworkedOn !== undefined
  const walls = reworkedOn.walls
    .filter(({ id }) => id === unit.place?.wallId)
    .map((wall) => measured(wall, reworkedOn, state, sheets))
  const context = walkContextOf(state, reworkedOn, walls, sheets)
  const was = expand(unit, sheet, check.requirement, context).find(({ id }) => id === check.id)
  return was === undefined || saidOf(judge(was, undefined, context)) !== saidOf(outcome)
}

/** What an outcome says, to the last digit. */
const saidOf = (outcome: Outcome): string =>
  JSON.stringify([
    outcome.verdict,
    ...('working' in outcome ? [...outcome.working, outcome.finding].map(exactly) : []),
  ])

const measured = (
  wall: WallBuilt,
  asBuilt: AsBuilt,
  state: JobState,
  sheets: ReadonlyMap<string, Sheet>,
): MeasuredWall => measureWall(wall, asBuilt, wallContext(wall.id, asBuilt, state, sheets))

/** What measuring a wall of a job has to know of it. */
export function wallContext(
  wallId: WallId,
  asBuilt: AsBuilt,
  { header, lastChanged }: Pick<JobState, 'header' | 'lastChanged'>,
  sheets: ReadonlyMap<string, Sheet>,
): WallContext {
  const sheetOfUnit = new Map(asBuilt.units.map(({ id, sheetId }) => [id, sheets.get(sheetId)]))
  const context = { asBuilt, header, sheetOf: (unitId: string) => sheetOfUnit.get(unitId) }
  return {
    sheetOf: (unit) => sheets.get(unit.sheetId),
    applies: ({ when }, unit) => whyNot(when, unit, context) === undefined,
    rule: ruleOf({ header }),
    measuredAt: lastChanged.walls.get(wallId),
    timeZone: header?.timeZone,
  }
}

/** What a requirement reads, its condition included. */
const reads = (requirement: Requirement): readonly Reads[] => {
  const own = kindOf(requirement).reads(requirement)
  return requirement.when ? [...own, 'units'] : own
}

const keyOf = ({ unit, requirement }: Pick<Row, 'unit' | 'requirement'>): string =>
  checkId(unit.id, requirement.id, '')

function sameSheets(a: ReadonlyMap<string, Sheet>, b: ReadonlyMap<string, Sheet>): boolean {
  return a === b || (a.size === b.size && [...a].every(([id, sheet]) => b.get(id) === sheet))
}

const THINGS = ['units', 'walls', 'strings', 'array', 'earth', 'network'] as const
const sameThings = (a: AsBuilt, b: AsBuilt): boolean => THINGS.every((thing) => a[thing] === b[thing])

function changedPoints(before: JobState, after: JobState): ReadonlySet<PointId> {
  const changed = new Set<PointId>()
  if (before.evidence === after.evidence) return changed
  for (const [point, rows] of after.evidence) if (before.evidence.get(point) !== rows) changed.add(point)
  return changed
}

/** A unit that was only hung elsewhere concerns those who look at walls, and nobody else. */
function likeButPlace(a: UnitBuilt, b: UnitBuilt): boolean {
  const bare = (unit: UnitBuilt) => canonicalJson({ ...unit, place: undefined })
  return a === b || bare(a) === bare(b)
}

function hungOn(wallId: WallId, { units }: AsBuilt): UnitBuilt[] {
  return units.filter(({ place }) => place?.wallId === wallId)
}

/** The wall as it was measured before, when neither it nor anything that hangs on it changed, nor the units that conditions speak of. */
function measuredBefore(
  wall: WallBuilt,
  before: Inspection,
  asBuilt: AsBuilt,
  { lastChanged }: JobState,
): MeasuredWall | undefined {
  const known = before.walls.find((one) => one.wall === wall)
  if (!known || !alikeButPlaces(before.context.asBuilt, asBuilt)) return undefined
  if (
    known.doubt !== undefined ||
    before.state.lastChanged.walls.get(wall.id) !== lastChanged.walls.get(wall.id)
  )
    return undefined
  const [was, is] = [hungOn(wall.id, before.context.asBuilt), hungOn(wall.id, asBuilt)]
  return was.length === is.length && was.every((unit, i) => unit === is[i]) ? known : undefined
}

const alikeButPlaces = (was: AsBuilt, is: AsBuilt): boolean =>
  was.units === is.units ||
  (was.units.length === is.units.length && was.units.every((unit, i) => likeButPlace(unit, is.units[i]!)))

/** Which parts of the job are otherwise than they were. */
function changes(
  { context: { asBuilt: was }, walls: wereWalls }: Inspection,
  walls: readonly MeasuredWall[],
  is: AsBuilt,
  points: ReadonlySet<PointId>,
): ReadonlySet<Reads> {
  const sameUnits = alikeButPlaces(was, is)
  const sameWalls = walls.length === wereWalls.length && walls.every((wall, i) => wall === wereWalls[i])
  const changed: Record<Reads, boolean> = {
    walls: !sameWalls || was.units.some((unit, i) => unit !== is.units[i]) || !sameUnits,
    array: was.array !== is.array || was.strings !== is.strings,
    earthing: was.earth !== is.earth,
    network: was.network !== is.network,
    units: !sameUnits,
    readings: points.size > 0,
  }
  return new Set((Object.keys(changed) as Reads[]).filter((what) => changed[what]))
}
