import { FACT_KINDS } from './spot.js'
import { dimensionOf, unitOfKind } from './dimensions.js'
import { customaryWords, figureWords } from './figure-words.js'

it.each([
  [{ kind: 'torque', unit: 'N·m', min: 2.2, max: 2.8 }, '2.2 to 2.8 N·m', '19.5 in·lb to 24.8 in·lb'],
  [{ kind: 'clearance', unit: 'mm', min: 200 }, 'at least 200 mm', 'at least 7 7/8 in'],
  [{ kind: 'temperature', unit: '°C', max: 45 }, 'at most 45 °C', 'at most 113 °F'],
  [{ kind: 'rating', unit: 'V', value: 1000 }, '1000 V', ''],
  [{ kind: 'count', unit: '', max: 7 }, 'at most 7', ''],
  [{ kind: 'step', unit: '' }, '', ''],
] as const)('%j reads %s, and elsewhere %s', (fact, metric, customary) => {
  expect(figureWords(fact)).toBe(metric)
  expect(customaryWords(fact)).toBe(customary)
})

it('who writes a comma reads one', () =>
  expect(figureWords({ kind: 'torque', unit: 'N·m', value: 1.5 }, 'comma')).toBe('1,5 N·m'))

it('a rating is about what its unit says, and every kind keeps its figures in a unit that says the same back', () => {
  expect(dimensionOf({ kind: 'rating', unit: 'kg' })).toBe('mass')
  expect(dimensionOf({ kind: 'length', unit: 'm' })).toBe('cable-length')
  for (const kind of FACT_KINDS) {
    const unit = unitOfKind(kind)
    if (unit !== '') expect([kind, unitOfKind(kind), dimensionOf({ kind, unit })]).not.toContain('count')
  }
})
