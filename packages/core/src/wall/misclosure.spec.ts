import { misclosures, offsetFromGap, wallEnds } from './misclosure.js'

const a = { id: 'a', x: 400, y: 900, w: 500, h: 700 }
const b = { id: 'b', x: 1300, y: 900, w: 500, h: 700 }
const things = [a, b, ...wallEnds({ width: 2400, height: 2600 })]
const gap = (from: string, to: string, value: number, axis: 'across' | 'up' = 'across') => ({
  id: 'g',
  from,
  to,
  axis,
  value,
})

it.each<[string, Parameters<typeof gap>, number | undefined, boolean]>([
  ['a gap as the offsets say closes', ['a', 'b', 400], 0, false],
  ['a difference within the tape closes too', ['a', 'b', 402.5], 2.5, false],
  ['a centimetre misread does not', ['a', 'b', 390], -10, true],
  ['from the corner, which is the datum', ['left-corner', 'a', 401], 1, false],
  ['to the far corner', ['b', 'right-corner', 600], 0, false],
  ['up from the floor', ['floor', 'a', 905, 'up'], 5, true],
  ['to something without an offset there is nothing to close', ['a', 'elsewhere', 10], undefined, false],
])('%s', (_rule, said, misclosure, tooLarge) =>
  expect(misclosures(things, [gap(...said)], 2.83)[0]).toMatchObject({ misclosure, tooLarge }),
)

it.each([
  ['right-of', 350, { x: 1250 }],
  ['left-of', 100, { x: -100 }],
  ['above', 200, { y: 1800 }],
  ['below', 300, { y: 200 }],
] as const)('placed %s by %s mm', (direction, value, place) =>
  expect(offsetFromGap(a, { w: 400, h: 400 }, value, direction)).toEqual(place),
)
it('a thing placed by a gap stands where that gap closes', () => {
  const placed = { ...b, ...offsetFromGap(a, b, 400, 'right-of') }
  expect(misclosures([a, placed], [gap('a', 'b', 400)], 0)[0]!.misclosure).toBe(0)
})
