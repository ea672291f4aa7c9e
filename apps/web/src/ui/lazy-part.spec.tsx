/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { jest } from '@jest/globals'
import { cleanup, screen } from '@testing-library/react'
import { onScreen } from '../testing/job-on-screen.testing.js'
import { lazyChart, lazyPart } from './lazy-part.js'

const Scale = ({ upTo }: { upTo: number }) => <p>scale up to {upTo} V</p>

it('a part is fetched when it is first shown, with what stands there meanwhile', async () => {
  const fetch = jest.fn(async () => Scale)
  const Part = lazyPart(fetch, { coming: <p>coming</p> })
  expect(fetch).not.toHaveBeenCalled()
  onScreen(<Part upTo={1000} />)
  expect(screen.getByText('coming')).toBeVisible()
  expect(await screen.findByText('scale up to 1000 V')).toBeVisible()
  expect(screen.queryByText('coming')).toBeNull()
})

it('without signal a part says that it is not here, and is asked for again the next time', async () => {
  let signal = false
  const fetch = jest.fn(async () => {
    if (!signal) throw new TypeError('Failed to fetch dynamically imported module')
    return Scale
  })
  const Part = lazyPart(fetch)
  onScreen(<Part upTo={600} />)
  expect(await screen.findByRole('alert')).toHaveTextContent('comes when there is signal again')
  cleanup()
  signal = true
  onScreen(<Part upTo={600} />)
  expect(await screen.findByText('scale up to 600 V')).toBeVisible()
  expect(fetch).toHaveBeenCalledTimes(2)
})

it('a chart comes after the screen around it has been painted, and not at all to one that was left before', async () => {
  const fetch = jest.fn(async () => Scale)
  const Chart = lazyChart(fetch, { coming: <p>coming</p> })
  const { unmount } = onScreen(<Chart upTo={150} />)
  unmount()
  await new Promise((later) => setTimeout(later, 50))
  expect(fetch).not.toHaveBeenCalled()
  onScreen(<Chart upTo={150} />)
  expect(screen.getByText('coming')).toBeVisible()
  expect(await screen.findByText('scale up to 150 V')).toBeVisible()
})
