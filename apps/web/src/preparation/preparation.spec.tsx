/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { screen, waitFor, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import {
  appended,
  asked,
  onScreen,
  openJob,
  refusal,
  sampleSheet,
  serverSays,
  type Change,
} from '../testing/job-on-screen.testing.js'
import { JobWizard } from './job-wizard.js'
import { PreparationView } from './preparation-view.js'

const user = userEvent.setup()
const NAMES = ['aldervane-ah-8t-c', 'aldervane-ah-8t-d', 'thrumcap-ts-5-a'] as const
const LIBRARY = NAMES.map((id) => {
  const { maker, model, revision, kind, title, date } = sampleSheet(id)
  return {
    id,
    maker,
    model,
    revision,
    kind,
    title,
    date,
    fingerprint: `print of ${id}`,
    requirements: 1,
    usedBy: 0,
  }
})
const press = (name: string | RegExp) => user.click(screen.getByRole('button', { name }))
const type = (label: string | RegExp, text: string) => user.type(screen.getByLabelText(label), text)

describe('opening a job', () => {
  const throughTheSite = async () => {
    await type('Number', 'PM-7')
    await type('Title', ' Barn ')
    await type('Customer', 'Nobody')
    await type('Site', 'Mill Lane')
    await press('Next')
    await user.selectOptions(screen.getByLabelText('Clocks of the site'), 'Europe/London')
  }
  beforeEach(() => {
    openJob([], { role: 'office' })
    serverSays({ 'GET /api/sheets': LIBRARY })
    onScreen(<JobWizard />, { path: '/jobs/new', at: '/jobs/new' })
  })
  it('does not go on without a site, nor open with a unit that has no sheet', async () => {
    expect(screen.getByRole('button', { name: 'Next' })).toHaveProperty('disabled', true)
    await throughTheSite()
    await press('Next')
    await press('Unit')
    expect(screen.getByRole('button', { name: 'Open the job' })).toHaveProperty('disabled', true)
    await press('Take this unit out')
    expect(screen.getByRole('button', { name: 'Open the job' })).toHaveProperty('disabled', false)
  })
  it('sends the rules of its school, pins the sheets it uses once, and fits each of several alike', async () => {
    await throughTheSite()
    await user.selectOptions(screen.getByLabelText('Rules'), 'NEC-style')
    expect(screen.getByLabelText('Units shown')).toHaveProperty('value', 'us')
    await press('Next')
    await press('Unit')
    await waitFor(() => expect(screen.getByRole('option', { name: /AH-8T, revision C/ })).toBeInTheDocument())
    await user.selectOptions(screen.getByLabelText('Sheet'), 'aldervane-ah-8t-c')
    expect(screen.getByLabelText('Name on site')).toHaveProperty('value', 'Hybrid inverter')
    await user.clear(screen.getByLabelText('How many'))
    await type('How many', '2')
    await press('Open the job')
    const { entries } = asked.find(({ method }) => method === 'POST')!.body as {
      entries: { kind: string; body: object }[]
    }
    expect(entries.map(({ kind }) => kind)).toEqual(['job-opened', 'unit-fitted', 'unit-fitted'])
    expect(entries[0]!.body).toMatchObject({
      title: 'Barn',
      school: 'nec',
      units: 'us',
      sheets: [{ id: 'aldervane-ah-8t-c', fingerprint: 'print of aldervane-ah-8t-c' }],
    })
    expect(entries.slice(1).map(({ body }) => (body as { label: string }).label)).toEqual([
      'Hybrid inverter 1',
      'Hybrid inverter 2',
    ])
    expect(await screen.findByText('elsewhere')).toBeInTheDocument()
  })
})

const SOMEBODY = { id: 'p', name: 'P', role: 'inspector' }

it('where a unit stands was seen at the earlier job alone: built like it, nobody has said it of the new one', async () => {
  const rules = { school: 'iec', units: 'metric', rule: 'guarded', sheets: [] }
  const body = { number: 'PM-1', title: 'Barn', site: 'Mill Lane', customer: 'Nobody', ...rules }
  const unit = {
    id: 'inv',
    label: 'Inverter',
    sheetId: 'aldervane-ah-8t-c',
    situation: { placed: 'outdoors' },
  }
  const entries = [
    { id: 'e1', seq: 1, kind: 'job-opened', body },
    { id: 'e2', seq: 2, kind: 'unit-fitted', body: unit },
  ].map((one) => ({
    ...one,
    jobId: 'before',
    at: '2026-06-01T08:00:00Z',
    by: SOMEBODY,
    prev: '',
    hash: one.id,
  }))
  openJob([], { role: 'office' })
  serverSays({
    'GET /api/sheets': LIBRARY,
    'GET /api/jobs?limit=100': { jobs: [{ id: 'before', number: 'PM-1', title: 'Barn' }], total: 1 },
    'GET /api/jobs/before': { id: 'before', entries, sheets: [], instruments: [] },
  })
  onScreen(<JobWizard />, { path: '/jobs/new', at: '/jobs/new' })
  await user.selectOptions(await screen.findByLabelText('Built like'), 'before')
  expect(await screen.findByText(/Taken over as a proposal/)).toBeInTheDocument()
  for (const label of ['Number', 'Title', 'Customer', 'Site']) await type(label, 'x')
  await press('Next')
  await user.selectOptions(screen.getByLabelText('Clocks of the site'), 'Europe/London')
  await press('Next')
  expect(screen.getByLabelText('Where')).toHaveProperty('value', '')
  await press('Open the job')
  const sent = asked.find(({ method }) => method === 'POST')!.body as {
    entries: { kind: string; body: object }[]
  }
  const fitted = sent.entries.filter(({ kind }) => kind === 'unit-fitted')
  expect(fitted.map((one) => 'situation' in one.body)).toEqual([false])
})

it('a refusal keeps what was typed', async () => {
  openJob([], { role: 'office' })
  serverSays({ 'GET /api/sheets': LIBRARY })
  onScreen(<JobWizard />)
  await waitFor(() => expect(asked).not.toEqual([]))
  globalThis.fetch = (async (_address: string, { method }: { method?: string } = {}) =>
    method === 'POST'
      ? refusal(409, 'number-taken', 'PM-7 is taken')
      : new Response('[]')) as unknown as typeof fetch
  for (const label of ['Number', 'Title', 'Customer', 'Site']) await type(label, 'x')
  await press('Next')
  await user.selectOptions(screen.getByLabelText('Clocks of the site'), 'Europe/London')
  for (const button of ['Next', 'Open the job']) await press(button)
  // Said where the number stands, which is on the first step.
  expect(await screen.findByText('PM-7 is taken')).toBeInTheDocument()
  expect(screen.getByLabelText('Number')).toHaveProperty('value', 'x')
})

describe('before the drive', () => {
  const INVERTER: Change = {
    kind: 'unit-fitted',
    body: { id: 'inv', label: 'Inverter', sheetId: 'aldervane-ah-8t-c', situation: { placed: 'outdoors' } },
  }
  const PEOPLE = [
    { id: 'a', name: 'Ada', role: 'inspector' },
    { id: 'b', name: 'Ben', role: 'installer' },
  ]
  const open = async (
    answers: Record<string, unknown> = {},
    role: 'office' | 'inspector' | 'reviewer' = 'inspector',
  ) => {
    openJob([INVERTER], { sheets: [sampleSheet('aldervane-ah-8t-c')], role })
    serverSays({
      'GET /api/sheets': LIBRARY,
      'GET /api/visits': [],
      'GET /api/people': PEOPLE,
      'GET /api/office/minutes': {},
      'GET /api/clauses': [],
      ...answers,
    })
    onScreen(<PreparationView />, { path: '/jobs/:jobId/preparation', at: '/jobs/j/preparation' })
    await screen.findByText('No visit is booked yet.')
  }
  it('says what to bring, in which state, what the day must be like and what is heavy', async () => {
    await open()
    const kit = within(screen.getByRole('region', { name: 'Kit list' }))
    expect(kit.getByText('multimeter')).toBeInTheDocument()
    expect(kit.getAllByText(/calibrat/).length).toBeGreaterThan(0)
    expect(kit.getByText('daylight on the modules')).toBeInTheDocument()
    expect(kit.getByText('31 kg')).toBeInTheDocument()
    expect(kit.getByText('2 people')).toBeInTheDocument()
    expect(kit.getByText('crimping tool for the DC connectors')).toBeInTheDocument()
  })
  it('offers a newer revision, with what it would change', async () => {
    await open()
    expect((await screen.findByRole('link', { name: /Revision D is out/ })).getAttribute('href')).toBe(
      '/jobs/j/adopt/aldervane-ah-8t-c/aldervane-ah-8t-d',
    )
  })
  it('a unit that needs a sheet the job does not pin yet brings it along', async () => {
    await open({
      'GET /api/sheets/thrumcap-ts-5-a': {
        sheet: sampleSheet('thrumcap-ts-5-a'),
        fingerprint: 'f',
        source: '',
        usedBy: [],
      },
    })
    await user.click(screen.getAllByRole('button', { name: 'Unit' })[0]!)
    await user.selectOptions(screen.getByLabelText('Sheet'), 'thrumcap-ts-5-a')
    await type('Name on site', 'Stack')
    await user.selectOptions(screen.getByLabelText('How'), 'stands on the floor')
    await press('Add the unit')
    await waitFor(() => expect(appended()).toHaveLength(2))
    expect(appended()).toMatchObject([
      { kind: 'sheet-adopted', body: { sheet: { id: 'thrumcap-ts-5-a', fingerprint: 'f' } } },
      { kind: 'unit-fitted', body: { label: 'Stack', situation: { mounted: 'floor' } } },
    ])
  })
  it('a visit is booked for somebody; one that would be in two places is refused in words', async () => {
    await open()
    await press('Visit')
    expect(screen.getByRole('button', { name: 'Book the visit' })).toHaveProperty('disabled', true)
    await user.click(await screen.findByLabelText('Ada, inspector'))
    globalThis.fetch = (async () =>
      refusal(409, 'double-booked', 'Ada is at PM-1 then')) as unknown as typeof fetch
    await press('Book the visit')
    expect(await screen.findByText('Ada is at PM-1 then')).toBeInTheDocument()
  })
  it('an installer gets to see the job when it is shared', async () => {
    await open()
    await press('Share with Ben')
    await press('Stop sharing with Ben')
    expect(appended()).toEqual([
      { kind: 'shared', body: { person: PEOPLE[1] } },
      { kind: 'unshared', body: { personId: PEOPLE[1]!.id } },
    ])
  })
  it('the office says how long its people take, and the day becomes shorter', async () => {
    await open({ 'PUT /api/office/minutes': { observation: 0.5 } }, 'office')
    const before = screen.getByText(/checks, about/).textContent
    await press('Adjust the minutes of each kind of check')
    await type(/^observation/, '0.5')
    await press('Save the figures')
    expect(await screen.findByText('kept for every job')).toBeInTheDocument()
    expect(asked.find(({ method }) => method === 'PUT')!.body).toEqual({ observation: 0.5 })
    expect(screen.getByText(/checks, about/).textContent).not.toBe(before)
  })
  it('is read, not changed, by the reviewer', async () => {
    await open({}, 'reviewer')
    expect(screen.queryByRole('button', { name: 'Visit' })).toBeNull()
    expect(screen.getByLabelText('Rules')).toHaveProperty('disabled', true)
  })
})
