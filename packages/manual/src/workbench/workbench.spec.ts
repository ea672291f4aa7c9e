import fc from 'fast-check'
import { readSheet } from '@plumb-mark/core'
import { draftSheet } from '../proposal/draft-sheet.js'
import { FACT_KINDS, type Fact, type FactKind } from '../finders/spot.js'
import { acceptedFacts, decide, decideAll, nextOpen, undo, workbenchOf, type Decision } from './workbench.js'
import { groupsOf, missingKinds } from './groups.js'

const SUBJECTS: Partial<Record<FactKind, readonly string[]>> = {
  clearance: [
    'left',
    'right',
    'above',
    'below',
    'front',
    'between units',
    'from an opening, window',
    'to the roof covering',
  ],
  size: ['width', 'height', 'depth', 'isolator width'],
  step: ['1', '2', '3'],
  alarm: ['E1', 'E2', 'E1'],
}
const NUMBERLESS = new Set<FactKind>(['step', 'alarm', 'indicator', 'sequence'])

const fact: fc.Arbitrary<Fact> = fc.constantFrom(...FACT_KINDS).chain((kind) =>
  fc
    .record({
      subject: fc.constantFrom(
        ...(SUBJECTS[kind] ?? ['mains terminals', 'ring green, steady', 'grid voltage (Settings)', '']),
      ),
      low: fc.double({ min: 0.1, max: 500, noNaN: true }),
      wide: fc.double({ min: 0, max: 400, noNaN: true }),
      shape: fc.constantFrom('min', 'max', 'value', 'range'),
      page: fc.integer({ min: 1, max: 3 }),
      text: fc.constantFrom('as the manual says', 'L1 | 4–10 mm² | 12 mm | 2.2 N·m', 'B + | 16 mm²'),
    })
    .map(({ subject, low, wide, shape, page, text }): Fact => {
      const bounds = {
        min: { min: low },
        max: { max: low },
        value: { value: low },
        range: { min: low, max: low + wide },
      }[shape]
      return {
        kind,
        subject,
        ...(NUMBERLESS.has(kind) ? {} : bounds),
        unit: '',
        page,
        clause: '4.2',
        text,
        box: { x0: 10, top: 20, x1: 200, bottom: 32 },
      }
    }),
)
const withUnits = (facts: Fact[]): Fact[] => facts.map((one) => ({ ...one, unit: UNITS[one.kind] ?? '' }))
const UNITS: Partial<Record<FactKind, string>> = {
  clearance: 'mm',
  torque: 'N·m',
  conductor: 'mm²',
  strip: 'mm',
  gland: 'mm',
  mass: 'kg',
  size: 'mm',
  rating: 'V',
  temperature: '°C',
  humidity: '%',
  altitude: 'm',
  tilt: '°',
  fixing: 'mm',
  wait: 's',
  length: 'm',
  breaker: 'A',
  earth: 'mm²',
  setting: 'V',
}

const decision: fc.Arbitrary<Decision> = fc.oneof(
  fc.constantFrom<Decision>({ kind: 'accepted' }, { kind: 'rejected' }, { kind: 'other-model' }),
  fc
    .double({ min: 0.1, max: 90, noNaN: true })
    .map((value): Decision => ({ kind: 'changed', figures: { value } })),
)

function refusalOf(data: unknown): string | undefined {
  try {
    readSheet(data)
    return undefined
  } catch (problem) {
    return (problem as Error).message
  }
}

describe('a manual on the workbench', () => {
  it('whatever is accepted, changed, rejected and undone, the sheet reads, or says what is missing in its head', () => {
    fc.assert(
      fc.property(
        fc.array(fact, { minLength: 1, maxLength: 25 }).map(withUnits),
        fc.array(fc.tuple(fc.nat(30), fc.option(decision)), { maxLength: 60 }),
        (facts, steps) => {
          const bench = steps.reduce(
            (open, [i, made]) => (made ? decide(open, i % facts.length, made) : undo(open)),
            workbenchOf(facts),
          )
          const head = { maker: 'Invented', model: 'One 1', title: 'One', source: 'manual 1' }
          const data = draftSheet({ facts: acceptedFacts(bench), device: 'inverter' }, head)
          const refused = refusalOf(data)
          // A single torque has no tolerance: that is asked for, and nothing else.
          if (refused !== undefined)
            expect(refused).toMatch(/^terminals\[\d+\]\.torque\.tolerancePercent: is required/)
          const ids = (data['requirements'] as { id: string }[]).map(({ id }) => id)
          expect(new Set(ids).size).toBe(ids.length)
        },
      ),
      { numRuns: 150 },
    )
  })

  const facts: Fact[] = [
    {
      kind: 'torque',
      subject: 'terminals',
      min: 2.2,
      max: 2.8,
      unit: 'N·m',
      page: 3,
      clause: '4.2',
      text: '',
      box: { x0: 0, top: 0, x1: 1, bottom: 1 },
    },
    {
      kind: 'mass',
      subject: 'inverter',
      value: 31,
      unit: 'kg',
      page: 2,
      clause: '1',
      text: '',
      box: { x0: 0, top: 0, x1: 1, bottom: 1 },
    },
  ]

  it('nothing is in a sheet that nobody accepted', () => {
    expect(acceptedFacts(workbenchOf(facts))).toEqual([])
  })

  it('what was changed is accepted with the other figures, and the fact as printed stays', () => {
    const bench = decide(workbenchOf(facts), 0, { kind: 'changed', figures: { min: 2, max: 2.4 } })
    expect(acceptedFacts(bench)).toMatchObject([{ kind: 'torque', min: 2, max: 2.4 }])
    expect(bench.facts[0]).toMatchObject({ min: 2.2, max: 2.8 })
  })

  it('the same decision again takes it back, and undo goes step by step to the beginning', () => {
    const bench = decide(decide(workbenchOf(facts), 0, { kind: 'accepted' }), 0, { kind: 'accepted' })
    expect(acceptedFacts(bench)).toEqual([])
    expect(acceptedFacts(undo(bench))).toHaveLength(1)
    expect(undo(undo(undo(bench))).decisions.size).toBe(0)
  })

  it('several are accepted at once, and the next open one is found round the end', () => {
    const bench = decideAll(workbenchOf(facts), [0, 1], { kind: 'accepted' })
    expect(acceptedFacts(bench)).toHaveLength(2)
    expect(nextOpen(bench, 1)).toBeUndefined()
    expect(nextOpen(undo(bench), 0)).toBe(1)
  })

  it('facts stand in the order of the walk, and what is usual and missing is named', () => {
    expect(groupsOf(facts).map(({ title }) => title)).toEqual(['Mass', 'Tightening torques'])
    expect(missingKinds(facts)).toContain('clearance')
    expect(missingKinds(facts)).not.toContain('torque')
  })
})
