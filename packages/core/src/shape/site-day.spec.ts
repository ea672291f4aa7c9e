import { siteDay } from './site-day.js'

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
