import { pageTitle } from './page-title.js'

const JOB = 'PM-2611 · Fallowmere'

it.each([
  ['/jobs', 'Jobs', 'Jobs · Plumb Mark'],
  ['/jobs/new', 'A new job', 'A new job · Plumb Mark'],
  ['/jobs/x/walk', JOB, `Walk · ${JOB} · Plumb Mark`],
  ['/jobs/x/walk/dc', JOB, `DC side · ${JOB} · Plumb Mark`],
  ['/jobs/x/sign-off', JOB, `Sign-off · ${JOB} · Plumb Mark`],
  ['/jobs/x/adopt/a/b', JOB, `A newer sheet · ${JOB} · Plumb Mark`],
  ['/instruments', 'Instruments', 'Instruments · Plumb Mark'],
  ['/calculators/conductor', 'Conductor size', 'Conductor size · Plumb Mark'],
  ['/', undefined, 'Plumb Mark'],
])('the tab at %s is called after the view first', (pathname, subject, title) =>
  expect(pageTitle(pathname, subject)).toBe(title),
)

it.each(['/constructor', '/jobs/x/toString', '/jobs/x/walk/__proto__', '/nothing/of/ours'])(
  'an address that nobody made, %s, has no name of its own',
  (pathname) => expect(pageTitle(pathname)).toMatch(/^(Walk · )?Plumb Mark$/),
)
