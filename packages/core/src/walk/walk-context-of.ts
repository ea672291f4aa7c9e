import { networkLoads } from '../ac/network.js'
import { partLoads } from '../ac/part-loads.js'
import type { AsBuilt } from '../as-built/as-built.js'
import { proposalsIn, type Proposed, type ProposedArea } from '../as-built/proposal.js'
import type { UnitBuilt } from '../as-built/unit.js'
import { lookUpArray } from '../as-built/module-lookup.js'
import { stringsInForce } from '../as-built/strings-in-force.js'
import { answerInForce, type JobState } from '../job/state.js'
import { unitOfPoint } from '../job/evidence-target.js'
import { normaliseLabel } from '../quantity/phrases.js'
import type { MeasuredWall } from '../requirements/mounting/measured-wall.js'
import type { Sheet } from '../requirements/sheet.js'
import type { OnWall } from '../requirements/judgement-context.js'
import type { WalkContext } from './walk-context.js'
import type { DecisionRule } from '../verdict/decision.js'
import { BOUNDARIES, type Boundary } from '../wall/items.js'
import { isListedClass, plainClass } from '../wall/obstruction-class.js'
import { whyOtherThing } from './evidence-validity.js'
import { asReading } from './evidence-input-of.js'

export const ruleOf = ({ header }: Pick<JobState, 'header'>): DecisionRule => header?.rule ?? 'guarded'

const BOUNDARY_WORDS = {
  floor: 'the floor',
  ceiling: 'the ceiling',
  'left-corner': 'the left corner',
  'right-corner': 'the right corner',
} satisfies Record<Boundary, string>

/** What judgements may look at. What takes its time is worked out when first asked for, and taken over from before where it still holds. */
export function walkContextOf(
  { header, evidence, replacements }: JobState,
  asBuilt: AsBuilt,
  walls: readonly MeasuredWall[],
  sheets: ReadonlyMap<string, Sheet>,
  before?: WalkContext,
): WalkContext {
  const sheetByUnit = new Map(asBuilt.units.map(({ id, sheetId }) => [id, sheets.get(sheetId)]))
  const sheetOf = (unitId: string) => sheetByUnit.get(unitId)
  const sameNetwork = before?.asBuilt.network === asBuilt.network
  const array = once(() => lookUpArray(asBuilt.array, asBuilt.units, sheetOf))
  const labels = once(() => labelsOf(asBuilt))
  const proposals = once(() => byArea(proposalsIn(asBuilt)))
  const serials = once(() => unitsBySerial(asBuilt, evidence))
  return {
    asBuilt,
    header,
    sheetOf,
    sheet: (id) => sheets.get(id),
    replacements,
    loads: sameNetwork ? before.loads : once(() => networkLoads(asBuilt.network)),
    partLoads: sameNetwork ? before.partLoads : once(() => partLoads(asBuilt.network)),
    reading(point) {
      const current = answerInForce(evidence.get(point))
      const unit = asBuilt.units.find(({ id }) => point.startsWith(`${id}/`))
      // Readings that are compared with one another are those of strings.
      const subject = { kind: 'string' as const, id: point.slice(point.lastIndexOf('/') + 1) }
      const other = current?.on && unit && whyOtherThing(current.on, subject, asBuilt, unit)
      return current?.kind === 'reading' && !other
        ? { ...asReading(current.body, undefined, 0), instrument: current.body.instrument }
        : undefined
    },
    array,
    strings: once(() =>
      stringsInForce(
        asBuilt.strings,
        array(),
        [...sheetByUnit.values()].filter((sheet) => sheet?.module !== undefined) as Sheet[],
      ),
    ),
    rule: ruleOf({ header }),
    unitsWithSerial: (serial) => serials().get(normaliseLabel(serial)) ?? [],
    proposals,
    labelOf: (id) => labels().get(id) ?? id,
    onWall: (unitId, requirementId) => onWall(unitId, requirementId, asBuilt, walls),
  }
}

function byArea(all: readonly Proposed[]): Map<ProposedArea, Proposed[]> {
  const found = new Map<ProposedArea, Proposed[]>()
  for (const one of all) found.set(one.area, [...(found.get(one.area) ?? []), one])
  return found
}

function once<T>(work: () => T): () => T {
  let done: { value: T } | undefined
  return () => (done ??= { value: work() }).value
}

/** By the serial of its plate where it was read, else by the one that is entered for it. */
function unitsBySerial({ units }: AsBuilt, evidence: JobState['evidence']): Map<string, UnitBuilt[]> {
  const read = new Map<string, string>()
  for (const [point, rows] of evidence) {
    const current = answerInForce(rows)
    if (
      current?.kind !== 'record' ||
      !('values' in current.body.answer) ||
      Array.isArray(current.body.answer.values)
    )
      continue
    // What was kept by another program may have any shape: only a text is a serial.
    const said: unknown = current.body.answer.values['serial']?.typed
    const serial = typeof said === 'string' ? said.trim() : ''
    if (serial) read.set(unitOfPoint(point), serial)
  }
  const found = new Map<string, UnitBuilt[]>()
  for (const unit of units) {
    const own = normaliseLabel(read.get(unit.id) ?? unit.serial ?? '')
    if (own !== '') found.set(own, [...(found.get(own) ?? []), unit])
  }
  return found
}

function labelsOf({ units, walls, earth, array, network }: AsBuilt): Map<string, string> {
  const labels = new Map<string, string>(BOUNDARIES.map((id) => [id, BOUNDARY_WORDS[id]]))
  const obstructions = walls.flatMap((wall) => wall.obstructions)
  for (const { id, label } of [...units, ...obstructions, ...earth.parts, ...array.planes, ...network.parts])
    labels.set(id, label)
  return labels
}

function onWall(
  unitId: string,
  requirementId: string,
  { units }: AsBuilt,
  walls: readonly MeasuredWall[],
): OnWall | undefined {
  const hung = units.find(({ id }) => id === unitId)?.place?.wallId
  const measured = walls.find(({ wall }) => wall.id === hung)
  if (!measured) return undefined
  const { wall, input, result, byRequirement, contradictions, doubt, drawn, problem } = measured
  if (problem) throw problem
  const found =
    byRequirement.get(`${unitId}/${requirementId}`) ?? result.units.find(({ id }) => id === unitId)
  if (!found) return undefined
  const pairs = result.collisions.filter((pair) => pair.includes(unitId))
  const named = new Set(
    input.items.flatMap((item) =>
      item.kind === 'unit' ? item.keepOut.map(({ from }) => plainClass(from)) : [],
    ),
  )
  return {
    unitId,
    wall,
    result: found,
    collidesWith: pairs.map(([a, b]) => (a === unitId ? b : a)),
    uncertainty: input.uncertainty,
    contradictions,
    doubt,
    drawn: (id) => drawn.has(id),
    listed: (obstruction) => isListedClass(obstruction) || named.has(plainClass(obstruction)),
  }
}
