/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { screen, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { InstrumentsView } from '../instruments/instruments-view.js'
import { asked, onScreen, openJob, refusal, serverSays } from '../testing/job-on-screen.testing.js'
import { VisitsView } from '../visits/visits-view.js'
import { JobsView } from './jobs-view.js'

const user = userEvent.setup()
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
const OLD = {
  id: 'm0',
  name: 'Meter M0',
  kind: 'multimeter',
  serial: '1',
  calibratedUntil: '2020-01-01',
  accuracy: [{ dimension: 'voltage', percent: 0.5, plus: 0.1 }],
}

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

describe('instruments', () => {
  const open = async (role: 'office' | 'inspector') => {
    openJob([], { role })
    serverSays({
      'GET /api/instruments': [{ ...OLD, id: 'm1', name: 'Meter M1', calibratedUntil: '2099-01-01' }, OLD],
    })
    onScreen(<InstrumentsView />)
    await screen.findByText('Meter M0')
  }
  it('that run out first stand first, and one that ran out says so', async () => {
    await open('inspector')
    expect(screen.getAllByText(/^Meter M/).map(({ textContent }) => textContent)).toEqual([
      'Meter M0',
      'Meter M1',
    ])
    expect(screen.getByText('calibration ended 2020-01-01')).toBeInTheDocument()
    expect(screen.getByRole('button', { name: /Meter M0/ })).toHaveProperty('disabled', true)
  })
  it('are kept by the office: a new calibration, another dimension; what is refused stays to be put right', async () => {
    await open('office')
    await user.click(screen.getByRole('button', { name: /Meter M0/ }))
    await user.clear(screen.getByLabelText('Calibrated until'))
    await user.type(screen.getByLabelText('Calibrated until'), '2030-06-30')
    await user.click(screen.getByRole('button', { name: 'What it measures, with uncertainty' }))
    await user.selectOptions(screen.getAllByLabelText('measures')[1]!, 'resistance')
    serverSays({ 'PUT /api/instruments/m0': refusal(400, 'invalid', 'serial is missing') })
    await user.click(screen.getByRole('button', { name: 'Save' }))
    expect(await screen.findByText('serial is missing')).toBeInTheDocument()
    serverSays({ 'GET /api/instruments': [OLD], 'PUT /api/instruments/m0': OLD })
    await user.click(screen.getByRole('button', { name: 'Save' }))
    expect(asked[0]).toMatchObject({
      method: 'PUT',
      body: {
        calibratedUntil: '2030-06-30',
        accuracy: [{ dimension: 'voltage' }, { dimension: 'resistance', percent: 1, plus: 0 }],
      },
    })
    expect(screen.queryByLabelText('Calibrated until')).toBeNull()
  })
})

it('the calendar shows what is to come day by day, and the past when asked', async () => {
  openJob([], { role: 'office' })
  const visit = (id: string, day: number, hour: number) => ({
    id,
    jobId: 'a',
    start: new Date(2027, 0, day, hour).toISOString(),
    end: new Date(2027, 0, day, hour + 2).toISOString(),
    purpose: `visit ${id}`,
    people: [{ id: 'p', name: 'Ada' }],
    job: JOB,
  })
  globalThis.fetch = (async (address: string) =>
    new Response(
      JSON.stringify(
        address === '/api/due-again'
          ? []
          : address.includes('from=')
            ? [visit('one', 4, 8), visit('two', 4, 13), visit('three', 5, 8)]
            : [visit('old', 1, 8)],
      ),
    )) as unknown as typeof fetch
  onScreen(<VisitsView />)
  // A week at a time first: that of the next visit.
  expect(await screen.findByText('4 Jan to 10 Jan 2027')).toBeInTheDocument()
  expect(screen.getAllByText(/^PM-/)).toHaveLength(3)
  await user.click(screen.getByRole('button', { name: 'As a list' }))
  const monday = await screen.findByText('Mon, 4 Jan 2027')
  expect(
    within(monday.parentElement!)
      .getAllByText(/^visit/)
      .map(({ textContent }) => textContent),
  ).toEqual(['visit one; Ada', 'visit two; Ada'])
  await user.click(screen.getByRole('button', { name: 'Show past visits too' }))
  expect(await screen.findByText('visit old; Ada')).toBeInTheDocument()
})
