import type { Entry, Inspection } from '@plumb-mark/core'
import { Chance } from '../chance.js'
import { LIBRARY } from '../made.testing.js'
import { KIT_NAMES, answerAll, cleanSite, type Site } from '../site/index.js'
import { ANSWER_FAULTS, figureTimes } from './index.js'

const BAD = ['does-not-conform', 'not-proven']
const answered = (seed: number, kit = KIT_NAMES[seed % KIT_NAMES.length]!): Site => {
  const site = cleanSite(new Chance(seed), LIBRARY, { kit })
  answerAll(site)
  return site
}
const isEvidence = ({ kind }: Entry) => kind === 'reading' || kind === 'observation' || kind === 'record'

/** Sites of every kit, answered, with what is asked in them. */
const SITES = KIT_NAMES.flatMap((kit) =>
  [1, 2, 3, 4, 5].map((seed) => {
    const site = answered(seed, kit)
    return { site, inspection: site.inspection() }
  }),
)

/** The first place where an answer can be wrong in this way, and what comes of the installation then. */
function planted(fault: (typeof ANSWER_FAULTS)[number]): { id: string; after: Inspection } | undefined {
  for (const { site, inspection } of SITES)
    for (const { check } of inspection.checks) {
      if (check.requirement.kind !== fault.kind) continue
      const entry = site.entries.find(
        (one) => isEvidence(one) && (one.body as { point: string }).point === check.point,
      )
      const was = entry?.body
      const spoilt = entry && fault.spoilt(entry.body as never, check)
      if (!entry || !spoilt) continue
      entry.body = spoilt as never
      const after = site.inspection()
      entry.body = was as never
      return { id: check.id, after }
    }
  return undefined
}

it.each(ANSWER_FAULTS.map((fault) => [fault.name, fault] as const))('%s does not pass', (_name, fault) => {
  const found = planted(fault)
  if (!found) throw new Error('none of these installations has what it needs')
  const wrong = found.after.checks.filter(({ outcome }) => BAD.includes(outcome.verdict))
  expect(wrong.map(({ check }) => check.id)).toContain(found.id)
})

it('each has a name of its own, and a kind that some sheet of the library asks for', () => {
  const names = ANSWER_FAULTS.map(({ name }) => name)
  expect(new Set(names).size).toBe(names.length)
  const asked = new Set(
    [...LIBRARY.values()].flatMap(({ requirements }) => requirements.map(({ kind }) => kind)),
  )
  for (const { kind } of ANSWER_FAULTS) expect(asked).toContain(kind)
})

it('planting leaves the answer that it began from as it was', () => {
  for (const fault of ANSWER_FAULTS)
    for (const { site, inspection } of SITES.slice(0, 1)) {
      const before = JSON.stringify(site.entries)
      for (const { check } of inspection.checks.filter((one) => one.check.requirement.kind === fault.kind)) {
        const entry = site.entries.find(
          (one) => isEvidence(one) && (one.body as { point: string }).point === check.point,
        )
        if (entry) fault.spoilt(entry.body as never, check)
      }
      expect([fault.name, JSON.stringify(site.entries) === before]).toEqual([fault.name, true])
    }
})

describe('a figure that is changed', () => {
  it.each([
    [{ value: 2.5, typed: '2.5 N·m', unit: 'N·m' }, 2, { value: 5, typed: '5 N·m' }],
    [{ value: 40.3, typed: '−40,3 V', unit: 'V' }, 1, { value: 40.3, typed: '-40.3 V' }],
    [{ value: 107.95, typed: '4.25 in', unit: 'in' }, 2, { value: 215.9, typed: '8.5 in' }],
    [{ value: 0, typed: '0 A', unit: 'A' }, 3, { value: 0, typed: '0 A' }],
  ])('%j times %d is typed as it reads', (figure, factor, expected) => {
    const changed = figureTimes(figure, factor)
    expect(changed.typed).toBe(expected.typed)
    expect(changed.value).toBeCloseTo(expected.value, 9)
  })
})
