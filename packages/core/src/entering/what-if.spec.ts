import { leversOf, leverMoved, leverNearest, wouldJustDo } from './what-if.js'

const COLD = {
  module: { voc: 38.6, vocTempCoeff: -0.26 },
  count: 26,
  minTemperature: -12,
  inverterMax: 1000,
  method: 'coefficient',
}
const [count, temperature] = leversOf('string-cold-limit', COLD)

it('says what would just do, from where the lever stands', () => {
  expect(wouldJustDo('string-cold-limit', COLD, count!)).toEqual({ kind: 'nearest', value: 23 })
  expect(wouldJustDo('string-cold-limit', { ...COLD, count: 22 }, count!)).toEqual({
    kind: 'range',
    from: 1,
    to: 23,
  })
})
it('says so where nothing along a scale would', () =>
  expect(wouldJustDo('string-cold-limit', { ...COLD, count: 40 }, temperature!)).toEqual({ kind: 'none' }))
it('moves one figure, wherever it stands, and leaves the rest', () => {
  const wall = {
    items: [
      { id: 'a', x: 1 },
      { id: 'b', x: 2 },
    ],
  }
  expect(leverMoved(wall, ['items', 1, 'x'], 5)).toEqual({
    items: [
      { id: 'a', x: 1 },
      { id: 'b', x: 5 },
    ],
  })
  expect(wall.items[1]!.x).toBe(2)
})
it('a figure between two steps stands at the nearer one', () => expect(leverNearest(count!, 22.4)).toBe(22))
