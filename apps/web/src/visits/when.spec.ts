import { durationWords, hourWords, localMinute } from './when.js'

it.each([
  [0, '0 min'],
  [59, '59 min'],
  [60, '1 h'],
  [165, '2 h 45 min'],
  [119.7, '2 h'],
  [0.4, '0 min'],
])('%s minutes are said as %s', (minutes, words) => expect(durationWords(minutes)).toBe(words))
it('a visit that ends on another day names it', () => {
  const at = (day: number, hour: number) => new Date(2026, 10, day, hour).toISOString()
  expect(hourWords(at(26, 8), at(26, 11))).toBe('08:00–11:00')
  expect(hourWords(at(26, 22), at(27, 2))).toBe('22:00–Fri, 27 Nov 2026 02:00')
})
it('a minute for a field is that of this device', () =>
  expect(localMinute(new Date(2026, 0, 5, 7, 3))).toBe('2026-01-05T07:03'))
