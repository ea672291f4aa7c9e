import { staying } from './keep.js'

const DAY = 86_400_000
const LAST = Date.parse('2026-11-27T02:30:00Z')
const nightly = (nights: number) =>
  Array.from({ length: nights }, (_, i) => ({ name: `b${i}`, at: new Date(LAST - i * DAY).toISOString() }))
const kept = (backups: { name: string; at: string }[]) =>
  backups.filter(({ name }) => staying(backups).has(name)).map(({ at }) => at.slice(0, 10))

it('of two years of nights stay seven days, four weeks and twelve months', () => {
  const all = kept(nightly(730))
  expect(all.slice(0, 7)).toEqual([
    '2026-11-27',
    '2026-11-26',
    '2026-11-25',
    '2026-11-24',
    '2026-11-23',
    '2026-11-22',
    '2026-11-21',
  ])
  // The Sundays before, and the last night of each month before.
  expect(all.slice(7)).toEqual([
    '2026-11-15',
    '2026-11-08',
    '2026-10-31',
    '2026-09-30',
    '2026-08-31',
    '2026-07-31',
    '2026-06-30',
    '2026-05-31',
    '2026-04-30',
    '2026-03-31',
    '2026-02-28',
    '2026-01-31',
    '2025-12-31',
  ])
})

it('of one day only the last stays, and a pause makes nothing go', () => {
  const sameDay = [0, 1, 2].map((hour) => ({ name: `h${hour}`, at: `2026-11-27T0${hour}:00:00.000Z` }))
  expect([...staying(sameDay)]).toEqual(['h2'])
  const longAgo = [{ name: 'old', at: '2019-05-01T00:00:00.000Z' }]
  expect([...staying(longAgo)]).toEqual(['old'])
  expect(staying([...longAgo, ...sameDay]).has('old')).toBe(true)
})
