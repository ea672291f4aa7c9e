/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { screen, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { KIND_WORDS, VERDICT_WORDS } from '@plumb-mark/core'
import { onScreen } from '../testing/job-on-screen.testing.js'
import { HelpView } from './help-view.js'
import { CHAPTERS, helpFor, searched } from './texts.js'

const user = userEvent.setup()

it.each([
  ['/jobs/0190/walk/dc', 'The walk'],
  ['/jobs/0190/sign-off', 'Sign-off'],
  ['/jobs', 'Jobs'],
  ['/jobs/new', 'Jobs'],
  ['/sheets/from-manual', 'A sheet from a manual'],
  ['/sheets/aldervane-ah-8t-c/edit', 'Sheets'],
  ['/office/people', 'Office'],
])('whoever asks at %s is told of “%s”', (path, title) => expect(helpFor(path)?.title).toBe(title))

it('every verdict and every kind of demand has a paragraph of its own', () => {
  const titles = CHAPTERS.flatMap(({ texts }) => texts.map(({ title }) => title))
  for (const word of Object.values(VERDICT_WORDS)) expect(titles).toContain(word)
  for (const { name, about } of Object.values(KIND_WORDS)) {
    expect(titles).toContain(name)
    expect(about.split(' ').length).toBeGreaterThan(5)
  }
})

it('is searched by all words at once, also in answers', () => {
  expect(searched('uncertainty limit').flatMap(({ texts }) => texts.map(({ title }) => title))).toContain(
    'The walk',
  )
  expect(searched('xylophone')).toEqual([])
})

it('shows first what one came from, and says so where nothing is found', async () => {
  onScreen(<HelpView />, { path: '/help', at: '/help?at=/jobs/0190/rework' })
  expect(screen.getByText('Where you came from')).toBeVisible()
  await user.type(screen.getByLabelText('Search in the help'), 'plumb line')
  expect(screen.queryByText('Where you came from')).toBeNull()
  expect(within(screen.getByRole('main')).getByRole('heading', { name: 'The walk' })).toBeVisible()
  await user.clear(screen.getByLabelText('Search in the help'))
  await user.type(screen.getByLabelText('Search in the help'), 'xylophone')
  expect(screen.getByText(/^Nothing here speaks of that/)).toBeVisible()
})
