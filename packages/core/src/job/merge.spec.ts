import fc from 'fast-check'
import { linked } from './chain.js'
import { correctedTimes } from './clock.js'
import type { Entry, NewEntry } from './entry.js'
import { applied, fold } from './fold.js'
import { NOTHING_ENTERED, type JobState } from './state.js'
import { Chance, RandomJob } from '../admission/random-job.testing.js'
import { sha256 } from '../admission/sample-job.testing.js'

const INSPECTOR = { id: 'i', name: 'I', role: 'inspector' as const }

/** What a job is, whatever place its entries have in the chain. */
const plainly = ({ head: _, upTo: __, entered, ...state }: JobState): unknown =>
  JSON.parse(
    JSON.stringify({ ...state, entered: entered.length }, (key, value: unknown) =>
      key === 'seq' || key === 'prev' || key === 'hash'
        ? undefined
        : value instanceof Map
          ? [...value].sort(([a], [b]) => (String(a) < String(b) ? -1 : 1))
          : value,
    ),
  )

const chained = (entries: readonly NewEntry[]): Entry[] =>
  entries.reduce<Entry[]>((all, entry) => [...all, linked(entry, 'job', INSPECTOR, all.at(-1), sha256)], [])

it('two devices that worked apart come to the same job, whichever of them is heard first', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 1e6 }), fc.array(fc.boolean(), { minLength: 40 }), (seed, mine) => {
      const job = new RandomJob(new Chance(seed))
      for (let i = 0; i < 40; i++) job.grow()
      const [opened, ...rest] = job.entries as readonly Entry[]
      const a = rest.filter((_, i) => mine[i % mine.length])
      const b = rest.filter((entry) => !a.includes(entry))
      const inOrder = plainly(fold(chained([opened!, ...rest])))
      for (const order of [[opened!, ...a, ...b], [opened!, ...b, ...a], [opened!, ...rest].reverse()]) {
        expect(plainly(fold(chained(order)))).toEqual(inOrder)
        const oneByOne = chained(order).reduce((state, entry) => applied(state, [entry]), NOTHING_ENTERED)
        expect(plainly(oneByOne)).toEqual(inOrder)
      }
    }),
    { seed: 5, numRuns: 25 },
  )
})

it.each([
  ['a clock that is right', '2026-06-01T08:00:00Z', 0, { at: '2026-06-01T08:00:00Z' }],
  [
    'ten minutes fast',
    '2026-06-01T08:10:00Z',
    600_000,
    { at: '2026-06-01T08:00:00.000Z', said: '2026-06-01T08:10:00Z' },
  ],
  ['in 2015', '2015-06-01T08:00:00Z', -347_155_200_000, { at: '2026-06-01T08:00:00.000Z' }],
  ['said in the future of the server', '2031-01-01T00:00:00Z', 0, { at: '2026-06-01T09:00:00.000Z' }],
  ['said before the job was opened', '2015-01-01T00:00:00Z', 0, { at: '2026-06-01T07:00:00.000Z' }],
])('%s', (_how, said, ahead, kept) =>
  expect(
    correctedTimes(said, { ahead, received: '2026-06-01T09:00:00Z', opened: '2026-06-01T07:00:00Z' }),
  ).toMatchObject(kept),
)
