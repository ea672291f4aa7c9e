import { linked } from '../job/chain.js'
import type { Entry, NewEntry } from '../job/entry.js'
import { fold } from '../job/fold.js'
import type { Person } from '../job/person.js'
import { inspect, type Inspection } from '../walk/inspect.js'
import { madeVoid } from '../walk/made-void.js'
import { admit } from './admit.js'
import { DRIVER, METER, SHEETS, SampleJob, sha256 } from './sample-job.testing.js'
import { knownWhereDone, mayHoldWhereDone } from './where-done.js'

const ANNA: Person = { id: 'anna', name: 'Anna', role: 'inspector' }
const BEN: Person = { id: 'ben', name: 'Ben', role: 'inspector' }

/** Entries as devices send them that worked apart from the same job: all of one, then all of the other. */
interface Sending {
  by: Person
  entries: readonly NewEntry[]
}

const at = (minute: number) => new Date(Date.UTC(2026, 5, 1, 12, minute)).toISOString()
let n = 0
const entry = (kind: NewEntry['kind'], minute: number, body: object) =>
  ({ id: `apart-${n++}`, kind, at: at(minute), body }) as NewEntry

const reading = (minute: number, point: string, typed: string, value: number, unit: string) =>
  entry('reading', minute, {
    point,
    typed,
    value,
    unit,
    relation: '=',
    instrument: unit === 'V' ? METER : DRIVER,
  })
const step = (minute: number, name: string) =>
  entry('defect-step', minute, { defectId: 'd', step: name, note: name })

/** What a server does with them: each is weighed as the job stands, and else as its device knew it. */
function sent(before: readonly Entry[], sendings: readonly Sending[]): { job: Inspection; codes: string[] } {
  const all = [...before]
  const codes: string[] = []
  for (const { by, entries } of sendings)
    for (const one of entries) {
      const weighed = (known: readonly Entry[]) => admit(one, by.role, inspect(fold(known), SHEETS))
      const now = weighed(all)
      const answer =
        now.ok || !mayHoldWhereDone(one.kind, now.code)
          ? now
          : weighed(knownWhereDone(all, { person: by.id, after: before.length, at: one.at }))
      if (answer.ok) all.push(linked(one, 'job', by, all.at(-1), sha256))
      else codes.push(answer.code)
    }
  return { job: inspect(fold(all), SHEETS), codes }
}

const failing = () => SampleJob.opened().torque('1 N·m', 1).raiseTorque()

const APART: Record<string, { before: () => SampleJob; anna: NewEntry[]; ben: NewEntry[]; void: object[] }> =
  {
    'a unit that one removes and the other reads': {
      before: () => SampleJob.opened(),
      anna: [entry('unit-removed', 1, { unitId: 'u' })],
      ben: [reading(2, 'u/mains/unit', '231 V', 231, 'V')],
      void: [
        {
          because: { what: 'unit removed', by: ANNA, at: at(1) },
          deeds: [{ what: 'reading: Mains, Box 1', by: BEN, at: at(2) }],
        },
      ],
    },
    'a defect that one reworks and the other withdraws before': {
      before: () => failing().write('inspector', 'evidence-struck', { entryId: 'e4', reason: 'wrong screw' }),
      anna: [step(2, 'reworked')],
      ben: [step(1, 'withdrawn')],
      void: [
        {
          because: { what: 'withdrawn', by: BEN, at: at(1) },
          deeds: [{ what: 'reworked: Torque, Box 1, terminal A', by: ANNA, at: at(2) }],
        },
      ],
    },
    'a defect that one reworks and the other withdraws after': {
      before: () => failing().write('inspector', 'evidence-struck', { entryId: 'e4', reason: 'wrong screw' }),
      anna: [step(1, 'reworked')],
      ben: [step(2, 'withdrawn')],
      void: [],
    },
    'a wall that one removes and on which the other measures': {
      before: () => SampleJob.opened(),
      anna: [entry('wall-removed', 1, { wallId: 'w' })],
      ben: [
        entry('obstruction-measured', 2, {
          wallId: 'w',
          obstruction: { id: 'o', label: 'Pipe', class: 'pipe', x: 0, y: 0, w: 100, h: 100 },
        }),
      ],
      void: [
        {
          because: { what: 'wall removed', by: ANNA, at: at(1) },
          deeds: [{ what: 'obstruction measured', by: BEN, at: at(2) }],
        },
      ],
    },
  }

describe.each(Object.entries(APART))('%s', (_name, { before, anna, ben, void: expected }) => {
  const { entries } = before()
  const first = sent(entries, [
    { by: ANNA, entries: anna },
    { by: BEN, entries: ben },
  ])
  const other = sent(entries, [
    { by: BEN, entries: ben },
    { by: ANNA, entries: anna },
  ])

  it('nothing of either is refused', () => expect([first.codes, other.codes]).toEqual([[], []]))

  it('both orders of arrival come to the same', () => {
    const plainly = ({ checks, defects, state }: Inspection) =>
      JSON.parse(
        JSON.stringify(
          [state.asBuilt, checks.map(({ outcome }) => outcome), defects],
          (key, value: unknown) => (['seq', 'prev', 'hash'].includes(key) ? undefined : value),
        ),
      ) as unknown
    expect(plainly(first.job)).toEqual(plainly(other.job))
  })

  it('what the other made void is said, with who and when', () => {
    expect(madeVoid(first.job)).toEqual(expected)
    expect(madeVoid(other.job)).toEqual(expected)
  })
})

it('what was not valid where it was done is refused, whatever it knew', () => {
  const { entries } = failing()
  const { codes } = sent(entries, [
    {
      by: ANNA,
      entries: [step(1, 'withdrawn'), step(2, 'sent-back'), reading(3, 'u/none/unit', '1 V', 1, 'V')],
    },
  ])
  expect(codes).toEqual(['reading-still-fails', 'step-not-allowed-now', 'unknown-point'])
})

it.each(['sealed', 'job-full', 'not-your-entry', 'unreadable'])('%s holds wherever somebody stood', (code) =>
  expect(mayHoldWhereDone('reading', code)).toBe(false),
)

it('a signature speaks of the whole job, never of what one device knew', () =>
  expect(mayHoldWhereDone('signed', 'not-ready')).toBe(false))

it('whoever takes away what they read themselves is told nothing', () => {
  const { entries } = SampleJob.opened()
  const { job } = sent(entries, [
    {
      by: ANNA,
      entries: [reading(1, 'u/mains/unit', '231 V', 231, 'V'), entry('unit-removed', 2, { unitId: 'u' })],
    },
  ])
  expect(madeVoid(job)).toEqual([])
})

it('a device that does not say what it knew is taken to have known what was received before', () => {
  const received = (id: string, when: number) => ({
    ...SampleJob.opened().entries[1]!,
    id,
    received: at(when),
  })
  const known = knownWhereDone([received('a', 1), received('b', 3)], { person: 'ben', at: at(2) })
  expect(known.map(({ id }) => id)).toEqual(['a'])
})
