import fc from 'fast-check'
import { readSheet } from '@plumb-mark/core'
import { draftSheet } from '../proposal/draft-sheet.js'
import { FACT_KINDS, type Fact, type FactKind } from '../finders/spot.js'
import {
  acceptedFacts,
  clauseAt,
  decide,
  decideAll,
  nextOpen,
  undo,
  withFact,
  workbenchOf,
  type Decision,
} from './workbench.js'
import { groupsOf } from './groups.js'
import { missingKinds, usualKinds } from './usual.js'

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

/** What nobody has said yet is left out of the draft, and the sheet asks for it: these, and nothing else. */
const ASKED_FOR =
  /^(?:terminals\[\d+\]\.(?:torque\.tolerancePercent|clamp)|requirements\[\d+\]\.(?:clear\.(?:left|right|top|bottom)|patterns\[\d+\]\.good)): (?:is required|choose)/

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
          const head = {
            maker: 'Invented',
            model: 'One 1',
            title: 'One',
            source: 'manual 1',
            date: '2026-11-30',
          }
          const data = draftSheet({ facts: acceptedFacts(bench), device: 'inverter' }, head)
          const refused = refusalOf(data)
          if (refused !== undefined) expect(refused).toMatch(ASKED_FOR)
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

  it('what nobody said is no zero and no guess: other sides, how a terminal holds, whether a lamp is good', () => {
    const box = { x0: 0, top: 0, x1: 1, bottom: 1 }
    const common = { page: 1, clause: '3', box }
    const data = draftSheet({
      device: 'inverter',
      facts: [
        { ...common, kind: 'clearance', subject: 'left', min: 200, unit: 'mm', text: '' },
        {
          ...common,
          kind: 'conductor',
          subject: 'B +',
          value: 16,
          unit: 'mm²',
          text: 'B + | 16 mm² | 12 mm',
        },
        { ...common, kind: 'strip', subject: 'B +', value: 12, unit: 'mm', text: 'B + | 16 mm² | 12 mm' },
        { ...common, kind: 'indicator', subject: 'red, steady', unit: '', text: 'ready after a fault' },
      ],
    })
    const requirements = data['requirements'] as Record<string, unknown>[]
    const of = (kind: string) => requirements.find((one) => one['kind'] === kind)
    expect(of('clearance')).toMatchObject({ clear: { left: '200 mm' } })
    expect(Object.keys(of('clearance')!['clear'] as object)).toEqual(['left'])
    expect((of('indicator')!['patterns'] as object[])[0]).not.toHaveProperty('good')
    expect((data['terminals'] as object[])[0]).not.toHaveProperty('clamp')
    expect(data).toMatchObject({ date: '' })
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

  it('what was added by hand goes with its undo, and stands under the nearest clause before it in the manual', () => {
    const bench = workbenchOf(facts)
    const added = withFact(bench, { ...facts[0]!, subject: 'found by hand' })
    expect(acceptedFacts(added)).toMatchObject([{ subject: 'found by hand' }])
    expect(undo(undo(decide(added, 2, { kind: 'rejected' })))).toEqual(bench)
    const place = { x0: 0, top: 40, x1: 9, bottom: 50 }
    expect([1, 2, 3].map((page) => clauseAt(bench, page, place))).toEqual(['', '1', '4.2'])
  })

  it('facts stand in the order of the walk, and what is usual and missing is named', () => {
    expect(groupsOf(facts).map(({ title }) => title)).toEqual(['Mass', 'Tightening torques'])
    expect(missingKinds(facts, usualKinds([]))).toContain('clearance')
    expect(missingKinds(facts, usualKinds([]))).not.toContain('torque')
  })
})
