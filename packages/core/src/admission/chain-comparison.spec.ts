import type { Entry } from '../job/entry.js'
import { compareChains } from './chain-comparison.js'

const chain = (hashes: string) => [...hashes].map((hash, i) => ({ seq: i + 1, hash }) as unknown as Entry)

it.each([
  ['', 'abc', { kind: 'new' }],
  ['abc', 'abc', { kind: 'same' }],
  ['abc', 'ab', { kind: 'older', missing: 1 }],
  ['ab', 'abcd', { kind: 'extends', added: chain('abcd').slice(2) }],
  ['abx', 'abyz', { kind: 'fork', at: 2, here: chain('abx').slice(2), there: chain('abyz').slice(2) }],
  ['x', 'y', { kind: 'fork', at: 0, here: chain('x'), there: chain('y') }],
])('here “%s”, arriving “%s”', (here, there, meeting) =>
  expect(compareChains(chain(here), chain(there))).toEqual(meeting),
)
