import { BadInput } from './bad-input.js'
import { atLeast, atMost, wholeBelow } from '../verdict/compare.js'
import { formatNumber, joinAnd, plural } from '../quantity/phrases.js'
import {
  count,
  dictionary,
  flag,
  list,
  longList,
  num,
  object,
  oneOf,
  optional,
  percent,
  range,
  refine,
  requireUniqueIds,
  text,
  variants,
  type Shape,
} from './shape.js'

const refusal = (shape: Shape<unknown>, value: unknown, path = 'here') => {
  try {
    return { read: shape.read(value, path) }
  } catch (problem) {
    if (!(problem instanceof BadInput)) throw problem
    return { code: problem.code, path: problem.path }
  }
}

it.each<[string, Shape<unknown>, unknown, object]>([
  ['a number', num(), 5, { read: 5 }],
  ['minus nought as nought would be', num({ sign: 'magnitude' }), 0, { read: 0 }],
  ['NaN', num(), Number.NaN, { code: 'not-finite', path: 'here' }],
  ['a number beyond any instrument', num(), 1e16, { code: 'out-of-range', path: 'here' }],
  ['a divisor of nought', num({ sign: 'divisor' }), 0, { code: 'not-positive', path: 'here' }],
  [
    'a divisor so small that quotients explode',
    num({ sign: 'divisor' }),
    1e-300,
    { code: 'out-of-range', path: 'here' },
  ],
  ['a negative magnitude', num({ sign: 'magnitude' }), -0.1, { code: 'negative', path: 'here' }],
  ['a percentage above a hundred', percent(), 100.1, { code: 'out-of-range', path: 'here' }],
  ['half a thing', count(), 1.5, { code: 'not-a-count', path: 'here' }],
  ['no thing', count(), 0, { code: 'not-a-count', path: 'here' }],
  ['a blank', text(), '  ', { code: 'missing', path: 'here' }],
  ['text for a switch', flag(), 'true', { code: 'wrong-type', path: 'here' }],
  ['a word that is not listed', oneOf(['a', 'b']), 'c', { code: 'not-listed', path: 'here' }],
  ['null where it may be absent', optional(num(), 7), null, { read: 7 }],
  ['an entry of the wrong kind', list(num()), [1, 'x'], { code: 'wrong-type', path: 'here[1]' }],
  ['an empty list', list(num()), [], { code: 'empty', path: 'here' }],
  ['an empty list that may be', list(num(), { mayBeEmpty: true }), [], { read: [] }],
  ['a list that is too long', list(num(), { max: 1 }), [1, 2], { code: 'wrong-length', path: 'here' }],
  [
    'a field deep inside',
    object({ a: list(object({ b: num() })) }),
    { a: [{ b: 1 }, {}] },
    { code: 'missing', path: 'here.a[1].b' },
  ],
  ['fields that nobody named', object({ a: num() }), { a: 1, z: 2 }, { read: { a: 1 } }],
  ['a list for an object', object({ a: num() }), [], { code: 'wrong-type', path: 'here' }],
  ['a range upside down', range(), { min: 2, max: 1 }, { code: 'min-above-max', path: 'here.min' }],
  ['a range of nothing', range(), {}, { code: 'no-content', path: 'here' }],
  [
    'a dictionary with one bad value',
    dictionary(num()),
    { a: 1, b: null },
    { code: 'missing', path: 'here.b' },
  ],
  [
    'one of several shapes by its tag',
    variants('kind', { a: object({ x: num() }), b: object({ y: num() }) }),
    { kind: 'b', y: 1 },
    { read: { kind: 'b', y: 1 } },
  ],
  [
    'a tag that is none',
    variants('kind', { a: object({ x: num() }) }),
    { kind: 'z' },
    { code: 'not-listed', path: 'here.kind' },
  ],
  [
    'two entries with one id',
    refine(list(object({ id: text() })), requireUniqueIds),
    [{ id: 'a' }, { id: 'a' }],
    { code: 'duplicate-id', path: 'here[1].id' },
  ],
])('%s', (_what, shape, value, wanted) => {
  expect(refusal(shape, value)).toEqual(wanted)
})

it('a long list in order is handed on as it is; one fault in it is named at its place', () => {
  const shape = longList(
    list(object({ t: num() })),
    (one) => typeof (one as { t: unknown }).t === 'number' && Number.isFinite((one as { t: number }).t),
  )
  const good = Array.from({ length: 1000 }, (_, t) => ({ t }))
  expect(shape.read(good, 'samples')).toBe(good)
  expect(
    refusal(
      shape,
      good.map((one, i) => (i === 700 ? { t: Number.NaN } : one)),
      'samples',
    ),
  ).toEqual({ code: 'not-finite', path: 'samples[700].t' })
})

it('limits allow a thousand-millionth for rounding, and no more', () => {
  expect([
    atMost(0.1 + 0.2, 0.3),
    atLeast(0.3, 0.1 + 0.2),
    atMost(100.000001, 100),
    wholeBelow((0.8 * 20) / 2),
    wholeBelow(7.9999),
  ]).toEqual([true, true, false, 8, 7])
})

it.each([
  [0.1 + 0.2, 2, '0.3'],
  [-1.005, 1, '−1'],
  [-0.001, 2, '0'],
  [1e6, 2, '1000000'],
])('the figure %d with %d places is written %s', (value, places, wanted) =>
  expect(formatNumber(value, places)).toBe(wanted),
)
it('words are listed and counted as people do', () =>
  expect([
    joinAnd([]),
    joinAnd(['a']),
    joinAnd(['a', 'b', 'c']),
    plural(1, 'unit'),
    plural(3, 'person', 'people'),
  ]).toEqual(['', 'a', 'a, b and c', '1 unit', '3 people']))
