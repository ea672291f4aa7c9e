/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { screen, waitFor, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { asked, onScreen, openJob, refusal, serverSays } from '../testing/job-on-screen.testing.js'
import { OfficeView } from './office-view.js'

const user = userEvent.setup()
const ADA = { id: 'a', name: 'Ada Office', email: 'ada@plumb.example', role: 'office', invited: false }
const BEN = { id: 'b', name: 'Ben Roof', email: 'ben@plumb.example', role: 'installer', invited: true }
const SERVER = {
  'GET /api/office/people': [ADA, BEN],
  'GET /api/office/assigned-only': { wanted: false },
  'GET /api/office/four-eyes': { wanted: true },
}
const open = (part: string, answers: Record<string, unknown> = {}) => {
  openJob([], { role: 'office' })
  serverSays({ ...SERVER, ...answers })
  onScreen(<OfficeView />, { path: '/office/:part', at: `/office/${part}` })
}
const sent = (method: string) => asked.filter((one) => one.method === method)
const person = async (name: string) => within(await screen.findByRole('group', { name }))

describe('people of the office', () => {
  it('say what they are, and who has no password yet', async () => {
    open('people')
    expect((await person('Ben Roof')).getByText(/installer, ben@plumb.example, invited/)).toBeInTheDocument()
  })
  it('are changed together and saved once, with nothing sent while a role is looked through', async () => {
    open('people', { 'PUT /api/office/people/b': BEN })
    const ben = await person('Ben Roof')
    await user.click(ben.getByRole('button', { name: 'Edit' }))
    await user.selectOptions(ben.getByLabelText('Role'), 'inspector')
    await user.type(ben.getByLabelText('Licence'), 'L-9')
    expect(sent('PUT')).toEqual([])
    await user.click(ben.getByRole('button', { name: 'Save' }))
    expect(sent('PUT')).toMatchObject([
      {
        address: '/api/office/people/b',
        body: { name: 'Ben Roof', email: 'ben@plumb.example', role: 'inspector', licence: 'L-9' },
      },
    ])
  })
  it('what is refused stays as it was typed, with the reason', async () => {
    open('people', {
      'PUT /api/office/people/b': refusal(409, 'address-taken', 'somebody has this address already'),
    })
    const ben = await person('Ben Roof')
    await user.click(ben.getByRole('button', { name: 'Edit' }))
    await user.clear(ben.getByLabelText('E-mail'))
    await user.type(ben.getByLabelText('E-mail'), 'ada@plumb.example')
    await user.click(ben.getByRole('button', { name: 'Save' }))
    expect(await screen.findByText('somebody has this address already')).toBeInTheDocument()
    expect(ben.getByLabelText('E-mail')).toHaveValue('ada@plumb.example')
  })
  it('have their e-mail where the others have theirs, by a touch', async () => {
    open('people', {
      'GET /api/office/people': [ADA, BEN, { ...BEN, id: 'c', name: 'Cy', email: 'cy@elsewhere.example' }],
      'POST /api/office/people': { person: BEN, link: { token: 't', expiresAt: '2026-12-07T00:00:00Z' } },
    })
    await person('Ben Roof')
    const invite = within(screen.getByRole('form', { name: 'Invite' }))
    await user.type(invite.getByLabelText('Name'), 'Una Fell')
    expect(invite.queryByRole('button', { name: /@/ })).toBeNull()
    await user.type(invite.getByLabelText('E-mail'), 'una')
    expect(invite.getAllByRole('button', { name: /@/ }).map(({ textContent }) => textContent)).toEqual([
      'una@plumb.example',
      'una@elsewhere.example',
    ])
    await user.click(invite.getByRole('button', { name: 'una@plumb.example' }))
    expect(invite.queryByRole('button', { name: /@/ })).toBeNull()
    await user.click(invite.getByRole('button', { name: 'Invite' }))
    expect(sent('POST')[0]).toMatchObject({ body: { name: 'Una Fell', email: 'una@plumb.example' } })
  })
  it('a link is shown once, with for whom it is', async () => {
    open('people', {
      'POST /api/office/people/b/link': { token: 't-1', expiresAt: '2026-12-07T00:00:00Z' },
    })
    await user.click((await person('Ben Roof')).getByRole('button', { name: 'New link' }))
    expect(await screen.findByText(/welcome#t-1$/)).toBeInTheDocument()
  })
})

describe('a rule of the office', () => {
  const rule = /An inspector enters only into jobs/
  it('is kept with the touch', async () => {
    open('people', { 'PUT /api/office/assigned-only': { wanted: true } })
    await user.click(await screen.findByRole('checkbox', { name: rule }))
    expect(sent('PUT')).toMatchObject([{ address: '/api/office/assigned-only', body: { wanted: true } }])
  })
  it('stands as it was when it is refused', async () => {
    open('people', { 'PUT /api/office/assigned-only': refusal(503, 'busy', 'try again in a moment') })
    await user.click(await screen.findByRole('checkbox', { name: rule }))
    expect(await screen.findByText('try again in a moment')).toBeInTheDocument()
    expect(screen.getByRole('checkbox', { name: rule })).not.toBeChecked()
  })
  it('is shown as it stands', async () => {
    open('sheets')
    const four = () => screen.getByRole('checkbox', { name: /released by another person/ })
    await waitFor(() => expect(four()).toBeChecked())
  })
})

it('whoever is not of the office comes to the jobs', () => {
  openJob([], { role: 'inspector' })
  serverSays(SERVER)
  onScreen(<OfficeView />, { path: '/office/:part', at: '/office/people' })
  expect(screen.queryByRole('heading', { name: 'Office' })).toBeNull()
})
