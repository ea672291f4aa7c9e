import { clockWords, dayWords, whenWords } from './time-words.js'

it.each([
  ['Europe/London', '1 Jul 2026, 00:30', '1 Jul 2026', '00:30:15'],
  ['America/Denver', '30 Jun 2026, 17:30', '30 Jun 2026', '17:30:15'],
  ['UTC', '30 Jun 2026, 23:30', '30 Jun 2026', '23:30:15'],
])('a moment is said as on the clocks of %s, with the day that it is there', (zone, when, day, clock) => {
  const at = '2026-06-30T23:30:15.000Z'
  expect([whenWords(at, zone), dayWords(at, zone), clockWords(at, zone)]).toEqual([when, day, clock])
})
it('what cannot be read as a moment stands as it was written', () =>
  expect(whenWords('some day')).toBe('some day'))
