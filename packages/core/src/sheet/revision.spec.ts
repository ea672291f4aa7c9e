import { newerRevision, otherRevisions } from './revision.js'

const of = (id: string, model: string, date: string, maker = 'Nobody') => ({
  id,
  maker,
  model,
  revision: id,
  date,
})
const LIBRARY = [
  of('a', 'M', '2025-01-01'),
  of('b', 'M', '2026-01-01'),
  of('c', 'M', '2025-06-01'),
  of('x', 'M', '2027-01-01', 'Somebody'),
  of('y', 'N', '2027-01-01'),
]

it('the newer revision is the latest of the same model of the same maker', () =>
  expect(newerRevision('a', LIBRARY)?.id).toBe('b'))
it.each([
  ['of the latest', 'b'],
  ['of the only one', 'y'],
  ['of one that is not in the library', 'z'],
])('there is none %s', (_what, id) => expect(newerRevision(id, LIBRARY)).toBeUndefined())
it('of two of one day the one in use stays', () =>
  expect(newerRevision('d', [of('d', 'M', '2026-01-01'), of('e', 'M', '2026-01-01')])).toBeUndefined())
it('the others keep the order of the library, which is not changed', () => {
  expect(otherRevisions('b', LIBRARY).map(({ id }) => id)).toEqual(['a', 'c'])
  newerRevision('a', LIBRARY)
  expect(LIBRARY.map(({ id }) => id)).toEqual(['a', 'b', 'c', 'x', 'y'])
})
