/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { screen, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import type { Role } from '@plumb-mark/core'
import { asked, onScreen, openJob, refusal, serverSays } from '../testing/job-on-screen.testing.js'
import { DemoJobs } from './demo-jobs.js'
import { StartView } from './start-view.js'

const user = userEvent.setup()
const SAMPLES = [
  {
    id: 'house-a',
    maker: 'House',
    model: 'AC',
    revision: 'A',
    kind: 'installation',
    title: 'House AC rules',
    here: false,
  },
  { id: 'n-5-b', maker: 'Nobody', model: 'N-5', revision: 'B', kind: 'battery', title: 'N-5', here: false },
  { id: 'n-6-a', maker: 'Nobody', model: 'N-6', revision: 'A', kind: 'battery', title: 'N-6', here: false },
]
const EMPTY = {
  'GET /api/office/report': { paper: 'a4', letterhead: { name: '', lines: [] }, parts: {} },
  'GET /api/office/job-rules': { school: 'iec' },
  'GET /api/office/people': [{ id: 'p', name: 'Ada', email: 'a@b.c', role: 'office', invited: false }],
  'GET /api/office/assigned-only': { wanted: false },
  'GET /api/instruments': [],
  'GET /api/sheets': [],
  'GET /api/samples/sheets': SAMPLES,
  'GET /api/jobs': { jobs: [], total: 0, beingRead: 0 },
}
const open = (answers: Record<string, unknown> = {}, role: Role = 'office') => {
  openJob([], { role })
  serverSays({ ...EMPTY, ...answers })
  onScreen(<StartView />, { path: '/start', at: '/start' })
}
const part = (name: RegExp) => screen.findByRole('button', { name })
const sent = () => asked.filter(({ method }) => method !== 'GET')

it('five things stand in an order, the first that is missing open, and each can be skipped', async () => {
  open()
  expect((await screen.findAllByRole('heading', { level: 2 })).map(({ textContent }) => textContent)).toEqual(
    ['Firm and rules', 'People', 'Instruments', 'A first sheet', 'A first job'],
  )
  expect(await part(/Firm and rules/)).toHaveAttribute('aria-expanded', 'true')
  await user.click(screen.getByRole('button', { name: 'Skip this for now' }))
  expect(await part(/^2 People/)).toHaveAttribute('aria-expanded', 'true')
  expect(sent()).toEqual([])
})

it('what is there is ticked, whoever did it', async () => {
  open({
    'GET /api/office/report': { paper: 'a4', letterhead: { name: 'Mark & Line', lines: [] }, parts: {} },
    'GET /api/jobs': { jobs: [], total: 3, beingRead: 0 },
  })
  expect(await part(/^done Firm and rules/)).toHaveAttribute('aria-expanded', 'false')
  expect(await part(/^done A first job/)).toBeInTheDocument()
  expect(await part(/^2 People/)).toHaveAttribute('aria-expanded', 'true')
})

it('instruments come with what is usual of their kind, and only those whose calibration was said', async () => {
  open({ 'POST /api/instruments/import': {} })
  await user.click(await part(/Instruments/))
  const driver = within(screen.getByRole('group', { name: 'torque driver' }))
  expect(driver.getByText('torque ± 6 %')).toBeInTheDocument()
  await user.type(driver.getByLabelText('Serial'), 'TD-1')
  expect(screen.getByRole('button', { name: 'Add the instruments' })).toBeDisabled()
  await user.type(driver.getByLabelText('Calibrated until'), '2027-03-31')
  await user.click(screen.getByRole('button', { name: 'Add 1 instrument' }))
  expect(sent()).toMatchObject([
    {
      address: '/api/instruments/import',
      body: {
        instruments: [
          {
            kind: 'torque-driver',
            serial: 'TD-1',
            calibratedUntil: '2027-03-31',
            accuracy: [{ dimension: 'torque', percent: 6, plus: 0 }],
          },
        ],
      },
    },
  ])
})

it('what was calibrated on the same day is said by a touch, and by nothing else', async () => {
  open({ 'POST /api/instruments/import': {} })
  await user.click(await part(/Instruments/))
  const row = (name: string) => within(screen.getByRole('group', { name }))
  await user.type(row('tape').getByLabelText('Serial'), 'TP-1')
  await user.type(row('tape').getByLabelText('Calibrated until'), '2027-03-31')
  expect(row('caliper').queryByRole('button')).toBeNull()
  await user.type(row('caliper').getByLabelText('Serial'), 'CA-1')
  expect(row('caliper').getByLabelText('Calibrated until')).toHaveValue('')
  await user.click(row('caliper').getByRole('button', { name: 'Calibrated until 2027-03-31 as well' }))
  expect(row('caliper').getByLabelText('Calibrated until')).toHaveValue('2027-03-31')
  expect(screen.getByRole('button', { name: 'Add 2 instruments' })).toBeEnabled()
})

it('house rules and samples are taken apart, and what is not wanted is left', async () => {
  open({ 'POST /api/samples/sheets': {} })
  await user.click(await part(/A first sheet/))
  const makers = within(await screen.findByRole('region', { name: /Samples of invented makers/ }))
  await user.click(makers.getByRole('checkbox', { name: /N-6/ }))
  await user.click(makers.getByRole('button', { name: 'Take 1 sheet into the library' }))
  const house = within(screen.getByRole('region', { name: 'House rules to begin with' }))
  expect(house.getByRole('checkbox', { name: 'House AC rules' })).toBeChecked()
  expect(sent()).toMatchObject([{ address: '/api/samples/sheets', body: { ids: ['n-5-b'] } }])
})

it('the name of the firm and the rules of a new job are saved together', async () => {
  open({ 'PUT /api/office/report': {}, 'PUT /api/office/job-rules': {} })
  await user.type(await screen.findByLabelText('Office, as it signs its reports'), ' Mark & Line ')
  await user.selectOptions(screen.getByLabelText('A new job follows'), 'nec')
  await user.click(screen.getByRole('button', { name: 'Save' }))
  expect(sent()).toMatchObject([
    { address: '/api/office/report', body: { letterhead: { name: 'Mark & Line' } } },
    { address: '/api/office/job-rules', body: { school: 'nec' } },
  ])
})

it('whoever is not of the office has nothing to start here', () => {
  open({}, 'inspector')
  expect(screen.queryByRole('heading', { name: 'Getting started' })).toBeNull()
})

it('demo jobs are added to look round in, and removed again', async () => {
  openJob([], { role: 'office' })
  const none = { count: 2, here: [] }
  const both = {
    count: 2,
    here: [
      { id: 'r1', number: 'PM-1', title: 'Hatchery' },
      { id: 'r2', number: 'PM-2', title: 'Canopy' },
    ],
  }
  const server = (here: object) => serverSays({ 'GET /api/samples/records': here })
  server(none)
  onScreen(<DemoJobs />)
  const add = await screen.findByRole('button', { name: 'Add 2 demo jobs' })
  server(both)
  await user.click(add)
  expect(asked.map(({ method, address }) => `${method} ${address}`)).toContain('POST /api/samples/records')
  expect(await screen.findByRole('link', { name: 'PM-1 · Hatchery' })).toHaveAttribute('href', '/jobs/r1')
  expect(screen.queryByRole('button', { name: /^Add/ })).toBeNull()
  server(none)
  await user.click(screen.getByRole('button', { name: 'Remove the demo jobs again' }))
  expect(await screen.findByRole('button', { name: 'Add 2 demo jobs' })).toBeVisible()
  expect(asked.map(({ method, address }) => `${method} ${address}`)).toContain('DELETE /api/samples/records')
})

it('what could not be added is said, and can be tried again', async () => {
  openJob([], { role: 'office' })
  serverSays({
    'GET /api/samples/records': { count: 1, here: [] },
    'POST /api/samples/records': refusal(507, 'disk-full', 'there is no room for it'),
  })
  onScreen(<DemoJobs />)
  await user.click(await screen.findByRole('button', { name: 'Add 1 demo job' }))
  expect(await screen.findByRole('alert')).toHaveTextContent('there is no room for it')
  expect(screen.getByRole('button', { name: 'Add 1 demo job' })).toBeEnabled()
})
