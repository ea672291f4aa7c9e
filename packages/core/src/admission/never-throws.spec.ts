import { canonicalJson } from '../job/canonical.js'
import { verifyChain } from '../job/chain.js'
import { ENTRY_KINDS } from '../job/entries/registry.js'
import { inverseOf, photosShown } from '../job/entry.js'
import { fold } from '../job/fold.js'
import { adoptionChanges } from '../walk/adoption.js'
import { inspect, inspectDraft, pointsNext, type Inspection } from '../walk/inspect.js'
import { sayEvidence } from '../walk/say-evidence.js'
import { arrayDrawing } from '../drawings/array.js'
import { stringChart } from '../drawings/string-chart.js'
import { wallDrawing } from '../drawings/wall.js'
import { kitFor } from '../prepare/kit.js'
import { blockers, waitingFor } from '../sign-off/gate.js'
import { readInspectionFile, verifyInspectionFile } from './inspection-file.js'
import { Chance, LIBRARY, RandomJob } from './random-job.testing.js'
import { sha256 } from './sample-job.testing.js'

const SEEDS = Array.from({ length: 36 }, (_, i) => 1000 + 77 * i)
const STEPS = 90

/** All that a person could read of a judged job, a line for each check. */
function plainly({ checks, defects, verdict, walls }: Inspection): string[] {
  const said = checks.map(({ check, outcome, measured, history }) => ({
    check: {
      ...check,
      inTheWay: check.invalidFact?.message,
      requirement: check.requirement.id,
      sheet: check.sheet.model,
    },
    measured,
    history: history.map(({ id, struck }) => ({ id, struck })),
    outcome: {
      ...outcome,
      working: 'working' in outcome ? outcome.working : [],
      notes: 'notes' in outcome ? outcome.notes : [],
    },
  }))
  const rest = {
    verdict,
    defects: defects.map(({ id, state, failedAgain }) => ({ id, state, failedAgain })),
    walls: walls.map(({ result }) => result.verdict),
  }
  return [...said, rest].map(canonicalJson)
}

/** What is asked where, a line for each check. */
const asksOf = ({ checks }: Inspection): string[] =>
  checks.map(({ check: { id, point, ask, because } }) => canonicalJson({ id, point, ask, because }))

it('what is asked at each point is carried forward without judging, over as many steps as nobody looks at the outcomes', () => {
  for (const seed of SEEDS.slice(0, 12)) {
    const job = new RandomJob(new Chance(seed))
    let points = job.inspection
    for (let step = 0; step < STEPS; step++) {
      if (!job.grow() || step % 3 !== 0) continue
      const { state, sheets } = job.inspection
      points = pointsNext(points, state, sheets)
      expect([seed, step, ...asksOf(points)]).toEqual([seed, step, ...asksOf(job.inspection)])
    }
  }
})

/** The lines that are not the same in both: none, when two inspections say the same. */
const differing = (a: Inspection, b: Inspection): string[] => {
  const [here, there] = [plainly(a), plainly(b)]
  return [
    ...here.filter((line) => !there.includes(line)),
    ...there.filter((line) => !here.includes(line)),
  ].slice(0, 2)
}

it('whatever is admitted can be judged, listed, drawn, exported and verified, and what is carried forward is what would be judged anew', () => {
  const written = new Set<string>()
  for (const seed of SEEDS) {
    const chance = new Chance(seed)
    const job = new RandomJob(chance)
    for (let step = 0; step < STEPS; step++) {
      if (!job.grow()) continue
      if (step % 6 !== 0) continue
      const { state, sheets } = job.inspection
      expect([seed, step, ...differing(job.inspection, inspect(fold(job.entries), sheets))]).toEqual([
        seed,
        step,
      ])
      const draft = {
        ...state.asBuilt,
        units: state.asBuilt.units.map((unit) => ({
          ...unit,
          place: { wallId: 'w', x: chance.below(3000), y: 900, w: 400, h: 500 },
        })),
      }
      const tried = differing(inspectDraft(job.inspection, draft), inspect(state, sheets, draft))
      expect([seed, step, ...tried]).toEqual([seed, step])
    }
    const { inspection, entries } = job
    for (const { kind } of entries) written.add(kind)
    blockers(inspection)
    waitingFor(inspection)
    arrayDrawing(inspection)
    stringChart(inspection)
    kitFor(inspection.checks, inspection.state.asBuilt, inspection.context.sheetOf, [], '2026-06-01')
    inspection.walls.forEach((wall) => wallDrawing(wall, inspection.context.labelOf))
    adoptionChanges(inspection, inspection)
    for (const { check, history } of inspection.checks)
      history.forEach((evidence) => sayEvidence(check, evidence))
    for (const { kind, body } of entries) {
      inverseOf({ kind, body } as never, inspection.state.asBuilt)
      photosShown({ kind, body })
    }
    const file = readInspectionFile(
      JSON.parse(
        JSON.stringify({
          format: 'plumb-mark-inspection',
          version: 1,
          jobId: 'job',
          sheets: [...LIBRARY.values()],
          entries,
        }),
      ),
    )
    // Invented sheets are nowhere to be found; all else is in order.
    const faults = verifyInspectionFile(file, sha256).filter(({ fault }) => fault !== 'sheet-absent')
    expect([verifyChain(entries, sha256), faults]).toEqual([[], []])
  }
  // A kind that nothing random ever writes would prove nothing.
  expect(ENTRY_KINDS.filter((kind) => !written.has(kind))).toEqual(['signed'])
})
