import fc from 'fast-check'
import { formatInches, formatQuantity } from './format.js'
import { parseQuantity, type TypingHabits } from './parse.js'
import { DIMENSIONS, UNITS, awgToMm2, type Dimension } from './units.js'

function value(text: string, dimension: Dimension, habits?: TypingHabits): number {
  const parsed = parseQuantity(text, dimension, habits)
  if (!parsed.ok) throw new Error(`${text}: ${parsed.problem.message}`)
  return parsed.quantity.value
}
function problem(text: string, dimension: Dimension, habits?: TypingHabits) {
  const parsed = parseQuantity(text, dimension, habits)
  return parsed.ok ? undefined : { code: parsed.problem.code, at: parsed.problem.at }
}

it.each<[string, Dimension, number]>([
  ['4 1/4 in', 'length', 107.95],
  ['72 7/8 in', 'length', 1851.025],
  ['1.85 m', 'length', 1850],
  ['6\' 2 1/2"', 'length', 1892.3],
  ['5 ft 3 in', 'length', 1600.2],
  ['5 ft 3½', 'length', 1612.9],
  ['3/4"', 'length', 19.05],
  ['-12', 'length', -12],
  ['85 in·lb', 'torque', 9.6037],
  ['85 lbf·in', 'torque', 9.6037],
  ['85in-lb', 'torque', 9.6037],
  ['7.2 ft·lb', 'torque', 9.7619],
  ['2.4 Nm', 'torque', 2.4],
  ['2.4 N·m', 'torque', 2.4],
  ['10 AWG', 'conductor-size', 5.2612],
  ['#10', 'conductor-size', 5.2612],
  ['2/0', 'conductor-size', 67.4309],
  ['4/0 awg', 'conductor-size', 107.2193],
  ['25 mm²', 'conductor-size', 25],
  ['25 mm2', 'conductor-size', 25],
  ['0.35 Ω', 'resistance', 0.35],
  ['350 mΩ', 'resistance', 0.35],
  ['350 mohm', 'resistance', 0.35],
  ['2 MΩ', 'resistance', 2e6],
  ['1.2 GΩ', 'insulation', 1200],
  ['68 °F', 'temperature', 20],
  ['1.5 kV', 'voltage', 1500],
  ['90 min', 'time', 5400],
  ['4-1/4 in', 'length', 107.95],
  ['6\'-2"', 'length', 1879.6],
  ['6ft2in', 'length', 1879.6],
  ['6ft 2 1/2 in', 'length', 1892.3],
  ['-6\'-2"', 'length', -1879.6],
  ['85 in.lbs', 'torque', 9.6037],
  ['85 lbs-in', 'torque', 9.6037],
  ['85 inch-pounds', 'torque', 9.6037],
  ['7.2 ftlbs', 'torque', 9.7619],
  ['2.4 N⋅m', 'torque', 2.4],
  ['240 Ncm', 'torque', 2.4],
  ['400 V DC', 'voltage', 400],
  ['21 ℃', 'temperature', 21],
  ['21°', 'temperature', 21],
  ['500 MOhm', 'insulation', 500],
  ['10 ga', 'conductor-size', 5.2612],
  ['000 AWG', 'conductor-size', 85.0288],
  ['00 AWG', 'conductor-size', 67.4309],
  ['0 AWG', 'conductor-size', 53.4751],
  ['350 m\u2126', 'resistance', 0.35],
  ['5 KW', 'power', 5000],
])('“%s” as %s is %d', (text, dimension, wanted) => {
  expect(value(text, dimension)).toBeCloseTo(wanted, 3)
})

it('a reading over range keeps its relation and its words', () => {
  expect(parseQuantity(' > 999 MΩ', 'insulation')).toEqual({
    ok: true,
    quantity: { value: 999, relation: '>', unit: 'MΩ', typed: '> 999 MΩ' },
  })
})

it('from the end of the range on, or up to it, is known either way', () => {
  for (const [text, relation] of [
    ['≥ 999', '>'],
    ['>= 999', '>'],
    ['<= 0.05', '<'],
    ['≤ 0.05', '<'],
  ])
    expect(parseQuantity(text!, 'insulation')).toMatchObject({ ok: true, quantity: { relation } })
})

it('OL is the end of the range of the instrument in hand, and nothing without one', () => {
  for (const typed of ['OL', 'O.L', '0L', '> OL', 'ol'])
    expect(parseQuantity(typed, 'insulation', { overRange: 999 })).toEqual({
      ok: true,
      quantity: { value: 999, relation: '>', unit: 'MΩ', typed },
    })
  expect(problem('OL', 'insulation')).toEqual({ code: 'over-range', at: 0 })
})

it('a bare number is in the unit of its field: a gauge where gauges are meant, and asked for where both are', () => {
  expect(value('6', 'conductor-size', { assume: 'AWG' })).toBeCloseTo(13.3, 1)
  expect(value('2/0', 'conductor-size', { assume: 'AWG' })).toBeCloseTo(67.43, 2)
  expect(value('6', 'conductor-size', { assume: 'mm²' })).toBe(6)
  expect(problem('6', 'conductor-size', { unitRequired: true })).toEqual({ code: 'no-unit', at: 1 })
  expect(problem('2.5', 'conductor-size', { assume: 'AWG' })).toEqual({ code: 'no-unit', at: 3 })
  expect(value('68°', 'temperature', { assume: '°F' })).toBeCloseTo(20, 6)
})

it.each<[string, Dimension, string]>([
  ['300 mΩ', 'insulation', 'MΩ'],
  ['300 mohm', 'insulation', 'MΩ'],
  ['5 mW', 'power', 'MW'],
  ['5 mw', 'power', 'MW'],
  ['400 MV', 'voltage', 'mV'],
  ['20 MA', 'current', 'mA'],
  ['3 mWh', 'energy', 'MWh'],
])('“%s” as %s is refused, and %s is offered', (text, dimension, offered) => {
  const parsed = parseQuantity(text, dimension)
  expect(parsed).toMatchObject({ ok: false, problem: { code: 'wrong-unit' } })
  expect(!parsed.ok && parsed.problem.message).toContain(`write ${offered} if you mean that`)
})

it.each<[string, Dimension, string, number, TypingHabits]>([
  ['12/2', 'conductor-size', 'not-a-number', 0, {}],
  ['12/2 AWG', 'conductor-size', 'not-a-number', 0, {}],
  ['4 5/4 in', 'length', 'not-a-number', 2, {}],
  ['72 7/8', 'length', 'no-unit', 6, {}],
  ['72⅞', 'length', 'no-unit', 3, {}],
  ['-40', 'angle', 'negative', 0, { magnitude: true }],
  ['45 AWG', 'conductor-size', 'not-a-number', 0, {}],
  ['', 'length', 'empty', 0, {}],
  ['abc', 'length', 'not-a-number', 0, {}],
  ['1,234 mm', 'length', 'thousands-separator', 1, {}],
  ['1.234,5', 'length', 'thousands-separator', 1, { decimal: 'comma' }],
  ['1 234 mm', 'length', 'thousands-separator', 2, {}],
  ['1.2.3', 'length', 'thousands-separator', 3, {}],
  ['4 1/0 in', 'length', 'zero-division', 4, {}],
  ['12 V', 'length', 'wrong-unit', 3, {}],
  ['12', 'torque', 'no-unit', 2, { unitRequired: true }],
  ['3 ft 4 mm', 'length', 'wrong-unit', 9, {}],
  ['12 OHM', 'resistance', '', -1, {}],
  ['350 MOHM', 'resistance', 'wrong-unit', 4, {}],
])('“%s” as %s: %s at character %d', (text, dimension, code, at, habits) => {
  expect(problem(text, dimension, habits)).toEqual(code === '' ? undefined : { code, at })
})

it('a decimal comma is read where that is the habit', () => {
  expect(value('1,85 m', 'length', { decimal: 'comma' })).toBe(1850)
})

it('what is written out in full is read back, in every unit of every dimension', () => {
  const units = DIMENSIONS.flatMap((dimension) => UNITS[dimension].map(({ name }) => ({ dimension, name })))
  fc.assert(
    fc.property(
      fc.constantFrom(...units),
      fc.double({ min: -1e5, max: 1e5, noNaN: true }),
      fc.constantFrom('point', 'comma' as const),
      ({ dimension, name }, canonical, decimal) => {
        const back = value(
          formatQuantity(canonical, dimension, { unit: name, decimals: 'full', decimal }),
          dimension,
          { decimal },
        )
        expect(Math.abs(back - canonical)).toBeLessThanOrEqual(1e-9 * Math.max(300, Math.abs(canonical)))
      },
    ),
    { numRuns: 500 },
  )
})

it('whatever is typed, the parser answers and never yields a number that is none', () => {
  fc.assert(
    fc.property(
      fc.string({ unit: fc.constantFrom(...'0123456789 .,/-+<>\'"½eEminftVΩkM') }),
      fc.constantFrom(...DIMENSIONS),
      (text, dimension) => {
        const parsed = parseQuantity(text, dimension)
        if (parsed.ok) expect(Number.isFinite(parsed.quantity.value)).toBe(true)
        else expect(parsed.problem.at).toBeLessThanOrEqual(text.length)
      },
    ),
    { numRuns: 2000 },
  )
})

it('an AWG size is written by its name', () => {
  expect(formatQuantity(awgToMm2(-1), 'conductor-size', { unit: 'AWG' })).toBe('2/0 AWG')
  expect(formatQuantity(5.26, 'conductor-size', { unit: 'AWG' })).toBe('10 AWG')
})

it.each([
  [1851, '72 7/8 in'],
  [25.4, '1 in'],
  [0, '0 in'],
  [-12.7, '−1/2 in'],
  [6, '1/4 in'],
])('%d mm on a tape is %s', (mm, wanted) => {
  expect(formatInches(mm)).toBe(wanted)
})
