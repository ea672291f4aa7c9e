import { SampleJob } from '../admission/sample-job.testing.js'
import { clausesJudged } from './clauses-judged.js'
import { recurrence } from './recurrence.js'

const others = [
  { key: 'b', judged: 200, failed: 10 },
  { key: 'c', judged: 300, failed: 15 },
]
const says = (judged: number, failed: number) =>
  recurrence([{ key: 'a', judged, failed }, ...others]).find(({ key }) => key === 'a')!

it.each`
  failed | judged | word
  ${3}   | ${4}   | ${'too-few'}
  ${9}   | ${9}   | ${'too-few'}
  ${6}   | ${12}  | ${'stands-out'}
  ${1}   | ${12}  | ${'as-expected'}
  ${0}   | ${12}  | ${'as-expected'}
  ${0}   | ${400} | ${'seldom'}
`('$failed of $judged, where the others fail in one of twenty, is $word', ({ failed, judged, word }) =>
  expect(says(judged, failed).says).toBe(word),
)

it('each is held against all the others, itself left out', () => {
  expect(says(50, 50).expected).toBeCloseTo(25 / 500, 12)
  expect(recurrence([{ key: 'alone', judged: 40, failed: 20 }])[0]).toMatchObject({
    expected: 0.5,
    says: 'as-expected',
  })
})

it('the interval is the set of rates that such a count would not contradict', () => {
  // Plainly: the rates p with |failed − n p| ≤ z √(n p (1 − p)), found by walking along them.
  for (const [failed, judged] of [
    [0, 10],
    [1, 12],
    [7, 19],
    [40, 40],
    [123, 456],
  ] as const) {
    const inside = Array.from({ length: 100_001 }, (_, i) => i / 100_000).filter(
      (p) => Math.abs(failed - judged * p) <= 1.96 * Math.sqrt(judged * p * (1 - p)) + 1e-9,
    )
    const { low, high } = says(judged, failed)
    expect([low, high]).toEqual([expect.closeTo(inside[0]!, 4), expect.closeTo(inside.at(-1)!, 4)])
  }
})

it.each([
  [{ key: 'x', judged: 1, failed: 2 }],
  [{ key: 'x', judged: -1, failed: -1 }],
  [{ key: 'x', judged: 1.5, failed: 1 }],
  [{ key: 'x', judged: NaN, failed: 0 }],
])('%j is refused', (tally) => expect(() => recurrence([tally])).toThrow('both are counts'))

it('a clause counts once in a job, as failed if it ever was, and not at all while nobody judged it', () => {
  const job = SampleJob.opened().write('inspector', 'unit-fitted', {
    id: 'v',
    label: 'Box 2',
    sheetId: 'nobody-box-1',
  })
  const tug = () => clausesJudged(job.inspection).filter(({ title }) => title === 'Tug')
  expect(tug()).toEqual([])
  job.write('inspector', 'observation', { point: 'u/tug/b', seen: true })
  expect(tug()).toMatchObject([{ clause: '1', failed: false }])
  job.write('inspector', 'observation', { point: 'v/tug/b', seen: false })
  expect(tug()).toMatchObject([{ failed: true }])
})
