import { sunset } from './sunset.js'

const at = (day: string, latitude: number, longitude: number) =>
  sunset(Date.parse(`${day}T00:00:00Z`), { latitude, longitude })
const MINUTES = 60_000

it.each`
  where                        | day             | latitude | longitude | utc
  ${'on the equator in March'} | ${'2026-03-20'} | ${0}     | ${0}      | ${'2026-03-20T18:11:00Z'}
  ${'at 51.5° N in June'}      | ${'2026-06-21'} | ${51.5}  | ${-0.1}   | ${'2026-06-21T20:22:00Z'}
  ${'at 51.5° N in December'}  | ${'2026-12-21'} | ${51.5}  | ${-0.1}   | ${'2026-12-21T15:54:00Z'}
  ${'at 40° N, 105° W'}        | ${'2026-11-28'} | ${40}    | ${-105}   | ${'2026-11-28T23:37:00Z'}
  ${'at 34° S, 151° E'}        | ${'2026-12-21'} | ${-33.9} | ${151.2}  | ${'2026-12-21T09:05:00Z'}
`('$where the sun sets at $utc, within three minutes', ({ day, latitude, longitude, utc }) =>
  expect(Math.abs(at(day, latitude, longitude)! - Date.parse(utc))).toBeLessThanOrEqual(3 * MINUTES),
)

it('beyond the polar circle it does not set in June, and does not rise in December', () =>
  expect([at('2026-06-21', 70, 20), at('2026-12-21', 70, 20)]).toEqual([undefined, undefined]))

it.each([
  [91, 0, 'latitude'],
  [0, 181, 'longitude'],
  [NaN, 0, 'latitude'],
])('%f, %f is no place on earth', (latitude, longitude, path) =>
  expect(() => at('2026-06-21', latitude, longitude)).toThrow(path),
)
