import { endOfSiteDay, siteDay } from './site-day.js'

it.each`
  at                        | zone                     | day
  ${'2026-05-31T20:00:00Z'} | ${'Australia/Brisbane'}  | ${'2026-06-01'}
  ${'2026-06-01T05:00:00Z'} | ${'America/Los_Angeles'} | ${'2026-05-31'}
  ${'2026-05-31T23:30:00Z'} | ${undefined}             | ${'2026-05-31'}
  ${'2026-05-31'}           | ${'Australia/Brisbane'}  | ${'2026-05-31'}
  ${'no time'}              | ${'Europe/London'}       | ${'no time'}
`('$at is $day in $zone', ({ at, zone, day }: { at: string; zone?: string; day: string }) =>
  expect(siteDay(at, zone)).toBe(day),
)

it.each`
  day             | zone                     | over
  ${'2026-06-01'} | ${undefined}             | ${'2026-06-02T00:00:00.000Z'}
  ${'2026-06-01'} | ${'Australia/Brisbane'}  | ${'2026-06-01T14:00:00.000Z'}
  ${'2026-06-01'} | ${'America/Los_Angeles'} | ${'2026-06-02T07:00:00.000Z'}
  ${'2026-10-25'} | ${'Europe/London'}       | ${'2026-10-26T00:00:00.000Z'}
  ${'2026-03-28'} | ${'Asia/Beirut'}         | ${'2026-03-28T22:00:00.000Z'}
  ${'2026-06-01'} | ${'Pacific/Chatham'}     | ${'2026-06-01T11:15:00.000Z'}
  ${'9999-12-31'} | ${'Pacific/Kiritimati'}  | ${'9999-12-31T23:59:59.999Z'}
  ${'no day'}     | ${'Europe/London'}       | ${'9999-12-31T23:59:59.999Z'}
`('$day is over in $zone at $over', ({ day, zone, over }: { day: string; zone?: string; over: string }) =>
  expect(endOfSiteDay(day, zone)).toBe(over),
)

it('wherever a site is, its day ends at the first minute that is another day', () => {
  for (const zone of Intl.supportedValuesOf('timeZone').filter((_, i) => i % 9 === 0))
    for (const day of ['2026-03-29', '2026-10-25', '2026-12-31']) {
      const over = endOfSiteDay(day, zone)
      const before = new Date(Date.parse(over) - 60_000).toISOString()
      expect([zone, siteDay(before, zone), siteDay(over, zone) > day]).toEqual([zone, day, true])
    }
})
