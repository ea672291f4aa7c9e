/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { screen, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { KIND_WORDS, VERDICT_WORDS } from '@plumb-mark/core'
import { onScreen, openJob } from '../testing/job-on-screen.testing.js'
import { HelpView } from './help-view.js'
import { prefer, usePreferences } from '../data/preferences.js'
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

it('begins the ten minutes from where one reads', async () => {
  openJob([], { role: 'inspector' })
  prefer({ tourAt: undefined })
  onScreen(<HelpView />, { path: '/help', at: '/help' })
  await user.click(screen.getByRole('button', { name: 'Ten minutes through your first job' }))
  expect(usePreferences.getState().tourAt).toBe(0)
})

it('what is easier seen than said is drawn, and verdicts show their marks', () => {
  const texts = CHAPTERS.flatMap((chapter) => chapter.texts)
  expect(texts.filter(({ drawing }) => drawing).length).toBeGreaterThan(20)
  expect(texts.filter(({ verdict }) => verdict).map(({ title }) => title)).toEqual(
    Object.values(VERDICT_WORDS),
  )
  onScreen(<HelpView />, { path: '/help', at: '/help' })
  expect(document.querySelectorAll('svg[viewBox="0 0 240 200"]')).toHaveLength(
    texts.filter(({ drawing }) => drawing).length,
  )
})
