/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { screen, waitFor } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { useSession } from '../data/session.js'
import { queryClient } from '../data/query-client.js'
import { asked, onScreen, refusal, serverSays } from '../testing/job-on-screen.testing.js'
import { ChangePassword } from './change-password.js'
import { FirstAccount } from './first-account.js'
import { Welcome } from './welcome.js'

const user = userEvent.setup()
const INES = { id: 'i', name: 'Ines Fell', role: 'inspector' as const }
const PASSWORD = 'three brass bobs'
const sent = () =>
  asked.filter(({ method }) => method !== 'GET').map(({ address, body }) => ({ address, body }))
const choose = async (password: string, again = password) => {
  await user.type(await screen.findByLabelText(/^Password/), password)
  await user.type(screen.getByLabelText('The same again'), again)
}

beforeEach(() => {
  useSession.setState({ person: null })
  queryClient().clear()
  window.location.hash = '#one-time-token'
})

describe('an invitation', () => {
  const LOOK = { 'POST /api/welcome/look': { name: INES.name, email: 'ines@weir.example' } }
  const welcome = (answers: Record<string, unknown> = {}) => {
    serverSays({ ...LOOK, 'POST /api/welcome': {}, 'POST /api/session': { person: INES }, ...answers })
    onScreen(<Welcome />)
  }

  it('says for whom it is, and whoever has chosen a password is in with it', async () => {
    welcome()
    expect(await screen.findByText('Ines Fell, ines@weir.example')).toBeVisible()
    await choose(PASSWORD)
    await user.click(screen.getByRole('button', { name: 'Set the password' }))
    await waitFor(() => expect(useSession.getState().person).toEqual(INES))
    expect(sent().slice(1)).toEqual([
      { address: '/api/welcome', body: { token: 'one-time-token', password: PASSWORD } },
      { address: '/api/session', body: { email: 'ines@weir.example', password: PASSWORD } },
    ])
  })

  it('takes no password that was typed once this way and once that', async () => {
    welcome()
    await choose(PASSWORD, 'three brass bolts')
    expect(screen.getByText('is not what was typed above')).toBeVisible()
    expect(screen.getByRole('button', { name: 'Set the password' })).toBeDisabled()
  })

  it('takes none that is short, and says how long one must be', async () => {
    welcome()
    await choose('bobs')
    await user.click(screen.getByRole('button', { name: 'Set the password' }))
    expect(await screen.findByText(/12/, { selector: '[role=alert], [id$=problem], p' })).toBeVisible()
    expect(sent().map(({ address }) => address)).toEqual(['/api/welcome/look'])
  })

  it('that was used says so before anybody chooses a password', async () => {
    welcome({ 'POST /api/welcome/look': refusal(410, 'link-used', 'this link was used already') })
    expect(await screen.findByText('this link was used already')).toBeVisible()
    expect(screen.queryByLabelText(/^Password/)).toBeNull()
    expect(screen.getByRole('button', { name: 'Sign in' })).toBeVisible()
  })

  it('that the server refuses at the end keeps what was typed', async () => {
    welcome({ 'POST /api/welcome': refusal(422, 'known-password', 'this password is known to many') })
    await choose(PASSWORD)
    await user.click(screen.getByRole('button', { name: 'Set the password' }))
    expect(await screen.findByText('this password is known to many')).toBeVisible()
    expect(screen.getByLabelText('The same again')).toHaveValue(PASSWORD)
    expect(useSession.getState().person).toBeNull()
  })
})

it('the first account takes the word from the address that the program prints, and is in', async () => {
  window.location.hash = '#word=ubgj-88hn'
  serverSays({ 'POST /api/first-account': {}, 'POST /api/session': { person: { ...INES, role: 'office' } } })
  onScreen(<FirstAccount />)
  expect(screen.getByLabelText(/^Word/)).toHaveValue('ubgj-88hn')
  await user.type(screen.getByLabelText('Name'), 'Odile')
  await user.type(screen.getByLabelText('E-mail'), 'office@weir.example')
  await choose(PASSWORD)
  await user.click(screen.getByRole('button', { name: 'Make the account' }))
  await waitFor(() => expect(useSession.getState().person?.role).toBe('office'))
  expect(sent()[0]).toEqual({
    address: '/api/first-account',
    body: { word: 'ubgj-88hn', name: 'Odile', email: 'office@weir.example', password: PASSWORD },
  })
})

it('a person sees where they are signed in, ends a lost tablet, and changes the password with the one of before', async () => {
  useSession.setState({ person: INES })
  const sessions = [
    { id: 'a', device: 'Tablet', openedAt: '2026-01-01T08:00:00Z', here: true },
    { id: 'b', device: 'Phone', openedAt: '2026-01-01T08:00:00Z', here: false },
  ]
  serverSays({
    'GET /api/session/all': sessions,
    'DELETE /api/session/b': {},
    'PUT /api/session/password': {},
  })
  onScreen(<ChangePassword />)
  await user.click(await screen.findByRole('button', { name: 'End the session on Phone' }))
  expect(screen.queryByRole('button', { name: 'End the session on Tablet' })).toBeNull()
  await user.type(screen.getByLabelText('Password that you have'), 'two brass bobs')
  await user.type(screen.getByLabelText(/^New password/), PASSWORD)
  await user.click(screen.getByRole('button', { name: 'Change it' }))
  await waitFor(() => expect(useSession.getState().person).toBeNull())
  expect(sent()).toEqual([
    { address: '/api/session/b', body: undefined },
    { address: '/api/session/password', body: { before: 'two brass bobs', password: PASSWORD } },
  ])
})
