import { nominalSize } from './nominal-size.js'
import { awgToMm2 } from './units.js'

it.each([
  ['8 AWG as its table prints it', 8.37, awgToMm2(8)],
  ['a metric size', 6, 6],
  ['4/0 AWG', 107.22, awgToMm2(-3)],
  ['what a caliper reads between two sizes', 5.4, undefined],
])('%s', (_what, area, size) => expect(nominalSize(area)).toBe(size))
it('of two systems the nearer size is meant', () => {
  expect(nominalSize(2.5)).toBe(2.5)
  expect(nominalSize(2.08)).toBeCloseTo(awgToMm2(14), 9)
})
