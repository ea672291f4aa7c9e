import type { World } from '../requirements/surroundings.js'
import type { Given, GivenReading, GivenRecord } from '../requirements/given.js'
import { measureWall, type MeasuredWall } from '../requirements/mounting/measured-wall.js'
import type { AsBuilt, UnitBuilt } from '../as-built/as-built.js'
import { networkLoads, type ConductorLoad } from '../ac/network.js'
import { partLoads, type PartLoad } from '../ac/part-loads.js'
import { lookUpArray, type ArrayLookup } from '../as-built/module-lookup.js'
import { defectOf, type Defect } from './defect.js'
import { inForce, type Evidence, type JobState } from '../job/fold.js'
import type { EntryBodies } from '../job/entry.js'
import { uncertaintyOf, vouching } from '../instrument/instrument.js'
import type { Dimension } from '../quantity/units.js'
import { parseQuantity, type TypingHabits, type TypingProblem } from '../quantity/parse.js'
import { kindOf } from '../requirements/kinds.js'
import type { Judgement } from '../requirements/kind.js'
import type { Sheet } from '../requirements/sheet.js'
import { BOUNDARIES, type Boundary } from '../wall/items.js'
import { fitAnswer, readAnswer } from '../answer/forms.js'
import { attempt } from '../verdict/attempt.js'
import type { DecisionRule } from '../verdict/decision.js'
import { worst, type Verdict } from '../verdict/verdict.js'
import type { Check, JudgedCheck, Outcome } from './check.js'
import { checksOf } from './expand.js'
import { inTheWay } from './in-the-way.js'

/** A whole job, judged: what every screen, report and gate reads. */
export interface Inspection {
  state: JobState
  sheets: ReadonlyMap<string, Sheet>
  world: World
  walls: MeasuredWall[]
  checks: JudgedCheck[]
  defects: Defect[]
  verdict: Verdict
}

/**
 * Judges a job by its sheets: expands the checks, gives each its evidence, measures the walls, folds the defects. Pure; quick enough to
 * run on every keystroke. `asBuilt` may stand in for what the entries say, to try out a change before it is kept.
 */
export function inspect(
  state: JobState,
  sheets: ReadonlyMap<string, Sheet>,
  asBuilt: AsBuilt = state.asBuilt,
): Inspection {
  const walls = asBuilt.walls.map((wall) =>
    measureWall(wall, asBuilt, (unit) => sheets.get(unit.sheetId), ruleOf(state)),
  )
  const world = worldOf(state, asBuilt, walls, sheets)
  const checks = checksOf(asBuilt, sheets, world).map((check) => judgeCheck(check, state, world))
  const byId = new Map(checks.map((judged) => [judged.check.id, judged]))
  const defects = [...state.defects.values()].map((raised) =>
    defectOf(raised, byId.get(raised.raised.body.checkId)),
  )
  return {
    state,
    sheets,
    world,
    walls,
    checks,
    defects,
    verdict: worst(checks.map(({ outcome }) => outcome.verdict)),
  }
}

/**
 * The job with something on a wall measured otherwise, for trying out: only the checks that are read off the walls are judged again. The
 * same as `inspect` with that as-built; where more than places on walls differs from what is kept, it is `inspect`.
 */
export function inspectDraft(kept: Inspection, asBuilt: AsBuilt): Inspection {
  if (!differsOnWallsOnly(kept.state.asBuilt, asBuilt)) return inspect(kept.state, kept.sheets, asBuilt)
  const { state, sheets, defects } = kept
  const walls = asBuilt.walls.map((wall) =>
    measureWall(wall, asBuilt, (unit) => sheets.get(unit.sheetId), ruleOf(state)),
  )
  const world = worldOf(state, asBuilt, walls, sheets)
  const units = new Map(asBuilt.units.map((unit) => [unit.id, unit]))
  const checks = kept.checks.map((judged) => {
    const { check } = judged
    if (check.ask.kind !== 'derived' || check.ask.from !== 'wall') return judged
    const unit = units.get(check.unit.id)!
    return judgeCheck(
      {
        ...check,
        unit,
        required: kindOf(check.requirement).required(check.requirement, check.subject, world, unit),
      },
      state,
      world,
    )
  })
  return {
    state,
    sheets,
    world,
    walls,
    checks,
    defects,
    verdict: worst(checks.map(({ outcome }) => outcome.verdict)),
  }
}

const ruleOf = ({ header }: Pick<JobState, 'header'>): DecisionRule => header?.rule ?? 'guarded'

function differsOnWallsOnly(kept: AsBuilt, draft: AsBuilt): boolean {
  const alike = ({ id, label, sheetId, serial, situation }: UnitBuilt, other: UnitBuilt) =>
    id === other.id &&
    label === other.label &&
    sheetId === other.sheetId &&
    serial === other.serial &&
    situation === other.situation
  return (
    draft.array === kept.array &&
    draft.earth === kept.earth &&
    draft.strings === kept.strings &&
    draft.network === kept.network &&
    draft.units.length === kept.units.length &&
    draft.units.every((unit, i) => unit === kept.units[i] || alike(unit, kept.units[i]!))
  )
}

const BOUNDARY_WORDS = {
  floor: 'the floor',
  ceiling: 'the ceiling',
  'left-corner': 'the left corner',
  'right-corner': 'the right corner',
} satisfies Record<Boundary, string>

function worldOf(
  { header, evidence }: JobState,
  asBuilt: AsBuilt,
  walls: readonly MeasuredWall[],
  sheets: ReadonlyMap<string, Sheet>,
): World {
  const labels = new Map<string, string>(BOUNDARIES.map((id) => [id, BOUNDARY_WORDS[id]]))
  for (const { id, label } of [
    ...asBuilt.units,
    ...asBuilt.walls.flatMap(({ obstructions }) => obstructions),
    ...asBuilt.earth.parts,
    ...asBuilt.array.planes,
    ...asBuilt.network.parts,
  ])
    labels.set(id, label)
  let lookup: ArrayLookup | undefined
  let loads: ConductorLoad[] | undefined
  let carried: PartLoad[] | undefined
  const sheetByUnit = new Map(asBuilt.units.map(({ id, sheetId }) => [id, sheets.get(sheetId)]))
  const sheetOf = (unitId: string) => sheetByUnit.get(unitId)
  return {
    asBuilt,
    header,
    sheetOf,
    loads: () => (loads ??= networkLoads(asBuilt.network)),
    partLoads: () => (carried ??= partLoads(asBuilt.network)),
    reading(point) {
      const current = inForce(evidence.get(point))
      return current?.kind === 'reading' ? asReading(current.body, undefined, 0) : undefined
    },
    array: () => (lookup ??= lookUpArray(asBuilt.array, asBuilt.units, sheetOf)),
    rule: ruleOf({ header }),
    labelOf: (id) => labels.get(id) ?? id,
    onWall(unitId) {
      const hung = asBuilt.units.find(({ id }) => id === unitId)?.place?.wallId
      for (const { wall, result, problem } of walls) {
        if (problem && wall.id === hung) throw problem
        const found = result.units.find(({ id }) => id === unitId)
        if (found)
          return {
            wall,
            result: found,
            collidesWith: result.collisions
              .filter((pair) => pair.includes(unitId))
              .map(([a, b]) => (a === unitId ? b : a)),
          }
      }
      return undefined
    },
  }
}

function judgeCheck(check: Check, { evidence, touched }: JobState, world: World): JudgedCheck {
  const history = evidence.get(check.point) ?? []
  const current = inForce(history)
  return {
    check,
    history,
    measured:
      check.ask.kind === 'derived'
        ? touched.get(check.ask.from === 'wall' ? `wall ${check.unit.place?.wallId ?? ''}` : check.ask.from)
        : current && { at: current.at, seq: current.seq },
    outcome: judgeEvidence(check, current, world),
  }
}

/** All that the judgement of a piece of evidence may depend on, besides the evidence itself; compared by identity. */
interface Remembered {
  on: readonly unknown[]
  outcome: Outcome
}
const remembered = new WeakMap<Evidence, Map<string, Remembered>>()

/**
 * The outcome of a check for its evidence. Evidence never changes, so what was made of it once holds as long as the requirement, the thing
 * and the rules are the very same: a job is judged on every keystroke, and nearly all of it is as it was.
 */
function judgeEvidence(check: Check, current: Evidence | undefined, world: World): Outcome {
  if (!current || check.ask.kind === 'derived') return judge(check, givenOf(check, current), world)
  const { terminal, string, device, branch, plane, bond, conductor } = check.subject
  const on = [
    check.requirement,
    check.unit,
    check.because,
    terminal,
    string,
    device,
    branch,
    plane,
    bond,
    conductor,
    world.header,
    world.asBuilt.array,
  ]
  const known = remembered.get(current) ?? new Map<string, Remembered>()
  const before = known.get(check.id)
  if (before && before.on.every((one, i) => one === on[i])) return before.outcome
  const outcome = judge(check, givenOf(check, current), world)
  known.set(check.id, { on, outcome })
  remembered.set(current, known)
  return outcome
}

/** Evidence as a judgement takes it. */
export function givenOf({ ask }: Check, evidence: Evidence | undefined): Given | undefined {
  if (!evidence) return undefined
  const photos = evidence.body.photos?.length ?? 0
  if (evidence.kind === 'observation') return { kind: 'observation', seen: evidence.body.seen, photos }
  if (evidence.kind === 'record') return asRecord(ask, evidence.body, photos)
  return asReading(evidence.body, ask.kind === 'reading' ? ask.dimension : undefined, photos)
}

function asReading(
  { value, relation, instrument, conditions }: EntryBodies['reading'],
  dimension: Dimension | undefined,
  photos: number,
): GivenReading {
  return {
    kind: 'reading',
    value,
    relation,
    instrument: dimension && vouching(instrument, dimension),
    uncertainty: dimension ? uncertaintyOf(instrument, dimension, value) : 0,
    conditions: conditions ?? {},
    photos,
  }
}

/** An answer that was given under an older revision, and does not fit what is asked now, answers nothing. */
function asRecord(
  ask: Check['ask'],
  { answer, instrument }: EntryBodies['record'],
  photos: number,
): GivenRecord | undefined {
  if (ask.kind !== 'record') return undefined
  const fitting = attempt(() => fitAnswer(ask, answer))
  return fitting.ok ? { kind: 'record', answer: fitting.value, instrument, photos } : undefined
}

/** The outcome of one check for a piece of evidence that may or may not be kept. */
export function judge(check: Check, given: Given | undefined, world: World): Outcome {
  if (check.because !== undefined) return { verdict: 'not-applicable', because: check.because }
  if (check.inTheWay) return outcomeOf(check, inTheWay(check.inTheWay, check.ask))
  const judged = attempt(() =>
    kindOf(check.requirement).judge(check.requirement, check.subject, given, world, check.unit),
  )
  if (!judged.ok) return outcomeOf(check, inTheWay(judged.problem, check.ask))
  const judgement = judged.value
  if (!judgement) return { verdict: 'not-inspected' }
  const lacksPhoto = check.requirement.photo && judgement.verdict === 'conforms' && given?.photos === 0
  return outcomeOf(check, lacksPhoto ? new Unpictured(judgement) : judgement)
}

/** A judgement that would conform, had somebody taken the photo that the sheet asks for. */
class Unpictured implements Judgement {
  readonly verdict = 'not-proven'
  readonly wanting = 'the sheet asks for a photo with this check'
  readonly finding: string

  constructor(private readonly judgement: Judgement) {
    this.finding = judgement.finding
  }
  get working() {
    return this.judgement.working
  }
  get notes() {
    return this.judgement.notes
  }
}

/** The judgement with what its verdict needs. Its words stay unmade until somebody reads them. */
function outcomeOf(check: Check, judgement: Judgement): Outcome {
  const { verdict, finding, causes = [], seenAlsoFrom, wanting } = judgement
  const { severity, title, remedy } = check.requirement
  return {
    verdict,
    finding,
    causes,
    ...(seenAlsoFrom && { seenAlsoFrom }),
    ...(verdict === 'not-proven' && {
      wanting: wanting ?? 'use a finer instrument, or measure again where it counts',
    }),
    ...(verdict === 'does-not-conform' && {
      defect: { severity, title, place: check.place, finding, remedy },
    }),
    get working() {
      return judgement.working
    },
    get notes() {
      return judgement.notes
    },
  } as Outcome
}

export type TypedJudgement =
  | { ok: true; reading: GivenReading & { typed: string; unit: string }; outcome: Outcome }
  | { ok: false; problem: TypingProblem }

/** What is typed, judged as it stands: for the keystroke, before anything is kept. */
export function judgeTyped(
  check: Check,
  typed: string,
  using: Pick<GivenReading, 'instrument' | 'conditions'>,
  world: World,
  habits: TypingHabits = {},
): TypedJudgement {
  if (check.ask.kind !== 'reading') throw new Error(`check ${check.id} does not ask for a reading`)
  const { dimension, unit } = check.ask
  const parsed = parseQuantity(typed, dimension, { assume: unit, ...habits })
  if (!parsed.ok) return parsed
  const { value, relation } = parsed.quantity
  const reading: GivenReading = {
    kind: 'reading',
    value,
    relation,
    uncertainty: uncertaintyOf(using.instrument, dimension, value),
    ...using,
    instrument: vouching(using.instrument, dimension),
  }
  return {
    ok: true,
    reading: { ...reading, typed: parsed.quantity.typed, unit: parsed.quantity.unit },
    outcome: judge(check, reading, world),
  }
}

/** An answer of several parts as it stands, before it is kept; a part that does not fit comes back as the problem. */
export function judgeAnswer(
  check: Check,
  answer: unknown,
  using: { instrument: GivenRecord['instrument']; photos?: number },
  world: World,
): { ok: true; outcome: Outcome } | { ok: false; problem: string } {
  if (check.ask.kind !== 'record') throw new Error(`check ${check.id} does not ask for a record`)
  const { ask } = check
  const read = attempt(() => readAnswer(ask, answer))
  if (!read.ok) return { ok: false, problem: read.problem.message }
  return { ok: true, outcome: judge(check, { kind: 'record', answer: read.value, ...using }, world) }
}
