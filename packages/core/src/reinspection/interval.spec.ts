import { nextInspection, type Interval } from './interval.js'

const INTERVALS: Interval[] = [
  { months: 48 },
  { school: 'iec', months: 36 },
  { country: 'ZZ', months: 24 },
  { school: 'iec', country: 'ZZ', months: 12 },
]
const on = (
  school: 'iec' | 'nec',
  country: string | undefined,
  intervals = INTERVALS,
  signed = '2026-01-31',
) => nextInspection(signed, { school, country }, intervals)?.on

it('the interval that says most of an installation counts, its country before its rules', () => {
  expect(on('nec', undefined)).toBe('2030-01-31')
  expect(on('iec', undefined)).toBe('2029-01-31')
  expect(on('nec', 'zz')).toBe('2028-01-31')
  expect(on('iec', 'zz')).toBe('2027-01-31')
})
it('where the office says none, none is due', () => expect(on('iec', 'ZZ', [])).toBeUndefined())
it('of two that say the same the shorter counts', () =>
  expect(on('nec', undefined, [{ months: 48 }, { months: 24 }])).toBe('2028-01-31'))
it('the last day of a month stays within its month', () => {
  expect(on('nec', undefined, [{ months: 1 }])).toBe('2026-02-28')
  expect(on('nec', undefined, [{ months: 13 }], '2027-01-31')).toBe('2028-02-29')
})
