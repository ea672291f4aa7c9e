/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { screen } from '@testing-library/react'
import { onScreen, openJob, refusal, serverSays } from '../testing/job-on-screen.testing.js'
import { JobsView } from './jobs-view.js'

const NONE = { stop: 0, major: 0, minor: 0, note: 0 }
const JOB = {
  id: 'a',
  number: 'PM-1',
  title: 'Barn',
  site: 'Mill Lane',
  sealed: false,
  waitingFor: 'the rework of 1 stop defect',
  open: { ...NONE, stop: 1 },
  left: { ac: 4 },
}
const listed = (...jobs: object[]) => ({ jobs, total: jobs.length, beingRead: 0 })
const AROUND = { 'GET /api/things': [], 'GET /api/filters': [] }
describe('jobs', () => {
  it('say what each is waiting for, and where it stands', async () => {
    openJob([], { role: 'inspector' })
    serverSays({ ...AROUND, 'GET /api/jobs': listed(JOB) })
    onScreen(<JobsView />)
    expect(await screen.findByText(/the rework of 1 stop defect/)).toBeInTheDocument()
    expect(screen.getByText('1 stop open')).toBeInTheDocument()
    expect(screen.getByText('AC side: 4 to inspect')).toBeInTheDocument()
    expect(screen.getByRole('link', { name: /Barn/ }).getAttribute('href')).toBe('/jobs/a/walk')
  })
  it('for an installer lead to the rework; none says how one comes', async () => {
    openJob([], { role: 'installer' })
    serverSays({ ...AROUND, 'GET /api/jobs': listed(JOB) })
    const { unmount } = onScreen(<JobsView />)
    expect((await screen.findByRole('link', { name: /Barn/ })).getAttribute('href')).toBe('/jobs/a/rework')
    expect(screen.queryByRole('link', { name: 'New job' })).toBeNull()
    unmount()
    serverSays({ ...AROUND, 'GET /api/jobs': listed() })
    onScreen(<JobsView />)
    expect(await screen.findByText(/No job is shared with you yet/)).toBeInTheDocument()
  })
  it('that cannot be had say why', async () => {
    openJob([])
    serverSays({ ...AROUND, 'GET /api/jobs': refusal(503, 'busy', 'try again in a minute') })
    onScreen(<JobsView />)
    expect((await screen.findByText('try again in a minute')).getAttribute('role')).toBe('alert')
  })
})
