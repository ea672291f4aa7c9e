import fc from 'fast-check'
import { Site, TAPE, sheet } from '../requirements/site.testing.js'
import { SEVERITIES, isMilder, type Severity } from '../sheet/terms.js'
import { isOpen } from '../job/defect-process.js'
import { blockers } from './gate.js'

const box = (model: string, severity: Severity) =>
  sheet(model, 'dc-isolator', [
    {
      id: 'clear',
      kind: 'clearance',
      severity,
      clear: { left: '200 mm', right: '200 mm', top: '100 mm', bottom: '0 mm' },
    },
  ])

interface Raised {
  unit: 'A' | 'B'
  side: 'left' | 'right' | 'top'
  severity: Severity
}

/** Two boxes side by side, each with a sheet of its own severity; the gap between them belongs to both. */
function twoBoxes(a: Severity, b: Severity, [xA, gap]: [number, number], raised: readonly Raised[]): Site {
  const place = (x: number) => ({ place: { wallId: 'w', x, y: 1000, w: 400, h: 500 } })
  const wall = { id: 'w', title: 'W', width: 4000, height: 2500, leftCorner: true, rightCorner: true }
  return new Site()
    .write({ kind: 'wall-measured', body: { ...wall, uncertainty: 1, tape: 'Tape', instrument: TAPE } })
    .unit(box('A', a), place(xA))
    .unit(box('B', b), place(xA + 400 + gap))
    .write(
      ...raised.map(({ unit, side, severity }, i) => ({
        kind: 'defect-raised' as const,
        body: {
          defectId: `d${i}`,
          checkId: `${unit}/clear/${side}`,
          severity,
          title: 'T',
          place: 'P',
          finding: 'F',
          remedy: 'R',
        },
      })),
    )
}

it('an open minor defect on one side of a gap does not cover the stop that the other sheet demands of it', () => {
  const site = twoBoxes('minor', 'stop', [500, 150], [{ unit: 'A', side: 'right', severity: 'minor' }])
  expect(blockers(site.inspection).map(({ kind, checkId }) => [kind, checkId])).toEqual([
    ['failed-without-defect', 'B/clear/left'],
  ])
})
it('one that weighs as much covers both sides of the gap', () => {
  const site = twoBoxes('minor', 'minor', [500, 150], [{ unit: 'A', side: 'right', severity: 'minor' }])
  expect(blockers(site.inspection)).toEqual([])
})

it('a signature is possible exactly when nothing of stop or major fails, and what fails beneath that is raised', () => {
  const severity = fc.constantFrom(...SEVERITIES)
  const side = fc.record({
    unit: fc.constantFrom('A' as const, 'B' as const),
    side: fc.constantFrom('left' as const, 'right' as const, 'top' as const),
    severity,
  })
  // Well clear of the limit or well short of it: the tape leaves no doubt.
  const gap = fc.constantFrom(50, 150, 250, 900)
  let [clear, held] = [0, 0]
  fc.assert(
    fc.property(
      severity,
      severity,
      fc.tuple(gap, gap),
      fc.array(side, { maxLength: 4 }),
      (a, b, at, raised) => {
        const { checks, defects, ...rest } = twoBoxes(a, b, at, raised).inspection
        const gapOf = { 'A/clear/right': 'B/clear/left', 'B/clear/left': 'A/clear/right' } as Record<
          string,
          string
        >
        const open = defects.filter(isOpen)
        const mayBeSigned = checks.every(({ check, outcome }) => {
          if (outcome.verdict !== 'does-not-conform') return outcome.verdict === 'conforms'
          const asked = check.requirement.severity
          if (asked === 'stop' || asked === 'major') return false
          return open.some(
            (one) =>
              one.checkId === check.id || (one.checkId === gapOf[check.id] && !isMilder(one.severity, asked)),
          )
        })
        const noHeavyDefect = open.every(({ severity }) => severity === 'minor' || severity === 'note')
        const expected = mayBeSigned && noHeavyDefect
        expected ? clear++ : held++
        expect(blockers({ ...rest, checks, defects }).length === 0).toBe(expected)
      },
    ),
    { seed: 22, numRuns: 400 },
  )
  expect(Math.min(clear, held)).toBeGreaterThan(20)
})

it('a sheet that nobody but its writer looked at stands in the way once, however many units have it', () => {
  const { inspection } = twoBoxes('note', 'note', [500, 900], [])
  const [unit] = inspection.state.asBuilt.units
  const found = blockers(inspection, new Set([unit!.sheetId, 'a-sheet-of-another-job']))
  expect(found.map(({ kind }) => kind)).toEqual(['sheet-not-released'])
  expect(found[0]!.text).toMatch(/^Nobody A, revision 1: not released/)
})
