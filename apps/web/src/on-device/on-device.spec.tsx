/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { screen, waitFor, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { v7 as uuid } from 'uuid'
import type { NewEntry } from '@plumb-mark/core'
import { asked, onScreen, openJob, serverSays } from '../testing/job-on-screen.testing.js'
import { device } from '../offline/device-database.js'
import { addToOutbox } from '../offline/outbox.js'
import { putAside } from '../offline/set-aside.js'
import { OnDeviceView } from './on-device-view.js'

const user = userEvent.setup()
const amended = (title: string) =>
  ({ id: uuid(), kind: 'job-amended', at: '2026-06-01T08:00:00Z', body: { title } }) as NewEntry
const part = (title: string) => within(screen.getByRole('heading', { name: title }).closest('section')!)
const server = () => serverSays({ 'GET /api/jobs': { jobs: [], total: 0, beingRead: 0 } })

it('where nothing waits it says so, and that all is kept at the server', async () => {
  openJob([])
  server()
  onScreen(<OnDeviceView />)
  expect(await screen.findByRole('heading', { name: 'Nothing waits to be sent' })).toBeInTheDocument()
  expect(screen.getByText('No job yet. Take some along below, or open one.')).toBeInTheDocument()
  expect(screen.queryByRole('button', { name: 'Send now' })).not.toBeInTheDocument()
})

it('what waits is counted by job, and goes when it is told to', async () => {
  openJob([])
  server()
  await addToOutbox('j', 'p', [amended('Barn'), amended('Shed')], 1)
  await addToOutbox('k', 'p', [amended('Mill')], 1)
  onScreen(<OnDeviceView />)
  expect(await screen.findByText('2 entries')).toBeInTheDocument()
  expect(screen.getByText('1 entry')).toBeInTheDocument()
  await user.click(screen.getByRole('button', { name: 'Send now' }))
  expect(await screen.findByRole('heading', { name: 'Nothing waits to be sent' })).toBeInTheDocument()
  const posts = asked.filter(({ method }) => method === 'POST').map(({ address }) => address)
  expect(posts).toEqual(expect.arrayContaining(['/api/jobs/j/entries', '/api/jobs/k/entries']))
})

it('what somebody else left on this tablet is counted, and neither shown nor sent', async () => {
  openJob([])
  server()
  await addToOutbox('j', 'another', [amended('Barn')], 1)
  onScreen(<OnDeviceView />)
  expect(await screen.findByText(/^1 more entry waits for somebody else/)).toBeInTheDocument()
  expect(screen.queryByText('1 entry')).not.toBeInTheDocument()
  expect(await device.batches.count()).toBe(1)
})

it('what the server did not take stands with its reason and the way to mend it', async () => {
  openJob([])
  server()
  await putAside({
    id: 'a1',
    jobId: 'j',
    by: 'p',
    at: '2026-06-01T08:00:00Z',
    entries: [amended('Barn')],
    reason: 'this job is signed and sealed',
    code: 'sealed',
  })
  onScreen(<OnDeviceView />)
  await waitFor(() =>
    expect(part('Set aside').getByText(/this job is signed and sealed/)).toBeInTheDocument(),
  )
  expect(part('Set aside').getByRole('link', { name: 'Mend in its job' })).toHaveAttribute(
    'href',
    '/jobs/j/walk',
  )
})
