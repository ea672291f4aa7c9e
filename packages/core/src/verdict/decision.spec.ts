import fc from 'fast-check'
import { decision } from './decision.js'
import { worst } from './verdict.js'

const figure = fc.double({ min: -1e6, max: 1e6, noNaN: true })
const size = fc.double({ min: 0, max: 1e4, noNaN: true })

it('a finer instrument never turns a proven verdict into its opposite', () => {
  fc.assert(
    fc.property(figure, size, figure, size, (value, uncertainty, min, width) => {
      const coarse = decision({ value, uncertainty, min, max: min + width }).verdict
      const fine = decision({ value, uncertainty: uncertainty / 2, min, max: min + width }).verdict
      expect([coarse, fine]).not.toEqual(['conforms', 'does-not-conform'])
      expect([coarse, fine]).not.toEqual(['does-not-conform', 'conforms'])
      if (coarse !== 'not-proven') expect(fine).toBe(coarse)
    }),
  )
})

it('what is known only to lie above a figure mirrors what is known only to lie below its negative', () => {
  fc.assert(
    fc.property(figure, size, figure, (value, uncertainty, limit) => {
      expect(decision({ value, relation: '>', uncertainty, min: limit }).verdict).toBe(
        decision({ value: -value, relation: '<', uncertainty, max: -limit }).verdict,
      )
    }),
  )
})

it('sums of decimal fractions do not fail at the limit', () => {
  expect(decision({ value: 0.1 + 0.2, max: 0.3 }).verdict).toBe('conforms')
})

it('a list is as bad as its worst, and an empty one asks nothing', () => {
  expect(worst(['conforms', 'not-inspected', 'not-proven', 'does-not-conform'])).toBe('does-not-conform')
  expect(worst(['conforms', 'not-inspected'])).toBe('not-inspected')
  expect(worst([])).toBe('not-applicable')
})
