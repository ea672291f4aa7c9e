/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { screen, waitFor } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { useLocation } from 'react-router'
import { prefer, usePreferences } from '../../data/preferences.js'
import { usePracticeRole } from '../../job/practice-role.js'
import { firstJobHere } from '../../offline/practice-job.js'
import { onScreen, openJob, serverSays } from '../../testing/job-on-screen.testing.js'
import { stopsOf } from './steps.js'
import { TourBar } from './tour-bar.js'

const user = userEvent.setup()
const Here = () => {
  const { pathname, search } = useLocation()
  return (
    <main>
      <p data-testid="here">{pathname + search}</p>
      <section>
        <button type="button">Torque driver</button>
      </section>
      <TourBar />
    </main>
  )
}
const onTour = async (tourAt: number) => {
  openJob([])
  serverSays({})
  prefer({ tourAt })
  onScreen(<Here />, { path: '*', at: '/help' })
  await screen.findByRole('region', { name: 'Tour' })
}
const isAt = (address: string) => waitFor(() => expect(screen.getByTestId('here')).toHaveTextContent(address))

it('each stop names a figure that is to be typed as the instrument shows it, and the check that asks for it', async () => {
  const job = await firstJobHere()
  const words = stopsOf(job).map(({ task }) => task.say)
  for (const { typed, title } of Object.values(job.shown)) {
    expect(words.some((say) => say.includes(`Save ${typed} at “${title}”`))).toBe(true)
    expect(typed).toMatch(/^\d+(\.\d{1,2})? \S+$/)
  }
  expect(words.some((say) => say.includes(`Save ${job.tooLoose} at`))).toBe(true)
})

it('goes through the three roles, in the order of the work', async () => {
  const roles = stopsOf(await firstJobHere()).flatMap(({ as }) => as ?? [])
  expect(roles.filter((role, i) => role !== roles[i - 1])).toEqual([
    'inspector',
    'installer',
    'inspector',
    'reviewer',
  ])
})

it('goes to what it speaks of, as whoever looks at it there, and says what was tried', async () => {
  await onTour(0)
  await isAt('/jobs/practice/preparation')
  expect(screen.getByText(/^Try it/)).toBeVisible()
  await user.click(screen.getByRole('button', { name: 'Torque driver' }))
  expect(screen.getByText(/^Tried/)).toBeVisible()
  await user.click(screen.getByRole('button', { name: 'Next' }))
  await isAt('/jobs/practice/walk/roof?check=modules%2Fair-gap%2Fsouth')
  // A touch is not what this one asks for.
  await user.click(screen.getByRole('button', { name: 'Torque driver' }))
  expect(screen.getByText(/^Try it/)).toBeVisible()
  await user.click(screen.getByRole('button', { name: 'Back' }))
  await isAt('/jobs/practice/preparation')
})

it('is gone on with where it stood, and ends where one says so', async () => {
  await onTour(4)
  await isAt('/jobs/practice/rework')
  expect(usePracticeRole.getState().role).toBe('installer')
  await user.click(screen.getByRole('button', { name: 'End the tour' }))
  expect(usePreferences.getState().tourAt).toBeUndefined()
  expect(screen.queryByRole('region', { name: 'Tour' })).toBeNull()
})

it('a stop beyond the last, kept by a longer tour, is the last', async () => {
  await onTour(99)
  await isAt('/practice')
  await user.click(screen.getByRole('button', { name: 'Done' }))
  expect(usePreferences.getState().tourAt).toBeUndefined()
})
