/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { screen, waitFor } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { asked, onScreen, refusal, serverSays } from '../testing/job-on-screen.testing.js'
import { device } from '../offline/device-database.js'
import { keepJob } from '../offline/kept-jobs.js'
import { SignIn } from './sign-in.js'
import { useSession } from '../data/session.js'
import { signIn } from '../offline/sign-in.js'

const user = userEvent.setup()
const NO_DEMO = { 'GET /api/demo/accounts': [] }
const tryWith = async (email: string, password: string) => {
  await user.type(screen.getByLabelText('E-mail'), email)
  await user.type(screen.getByLabelText('Password'), password)
  await user.click(screen.getByRole('button', { name: 'Sign in' }))
}

it('a person comes in', async () => {
  serverSays({ ...NO_DEMO, 'POST /api/session': { person: { id: 'a', name: 'Ada', role: 'inspector' } } })
  onScreen(<SignIn />, { path: '/sign-in', at: '/sign-in' })
  await tryWith('ada@plumb.example', 'secret-enough')
  await waitFor(() => expect(useSession.getState().person?.name).toBe('Ada'))
})

it('the people of the demo stand at the door, one touch each; elsewhere nobody does', async () => {
  serverSays({
    'GET /api/demo/accounts': [
      { name: 'Ottilie Marsh', role: 'inspector', email: 'inspector@plumb.example', password: 'plumb-demo' },
    ],
    'POST /api/session': { person: { id: 'o', name: 'Ottilie Marsh', role: 'inspector' } },
  })
  onScreen(<SignIn />)
  await user.click(await screen.findByRole('button', { name: /Ottilie Marsh/ }))
  await waitFor(() => expect(useSession.getState().person?.name).toBe('Ottilie Marsh'))
  expect(asked.find(({ method }) => method === 'POST')!.body).toEqual({
    email: 'inspector@plumb.example',
    password: 'plumb-demo',
  })
})

it('an address that is none is told before anything is sent', async () => {
  serverSays(NO_DEMO)
  onScreen(<SignIn />)
  await tryWith('ada@shed', 'secret-enough')
  expect(await screen.findByText('must be an e-mail address')).toBeInTheDocument()
  expect(asked.filter(({ method }) => method === 'POST')).toEqual([])
})

it('a refusal stands at the password, in the server’s words, and goes with the next try', async () => {
  serverSays({
    ...NO_DEMO,
    'POST /api/session': refusal(401, 'wrong-password', 'address or password do not fit'),
  })
  onScreen(<SignIn />)
  await tryWith('ada@plumb.example', 'guess-work')
  expect((await screen.findByRole('alert')).textContent).toBe('address or password do not fit')
  serverSays({ ...NO_DEMO, 'POST /api/session': { person: { id: 'a', name: 'Ada', role: 'inspector' } } })
  await user.click(screen.getByRole('button', { name: 'Sign in' }))
  await waitFor(() => expect(screen.queryByRole('alert')).toBeNull())
})

it('what somebody opened is there for them again, and not for who comes after them, also without signing out', async () => {
  const comesIn = async (id: string) => {
    serverSays({ ...NO_DEMO, 'POST /api/session': { person: { id, name: id, role: 'inspector' } } })
    await signIn(`${id}@plumb.example`, 'secret-enough')
  }
  await comesIn('ada')
  await keepJob({ id: 'j', entries: [], sheets: [], instruments: [], broken: [], keyFingerprint: '' })
  await comesIn('ada')
  expect(await device.jobs.count()).toBe(1)
  await comesIn('eve')
  expect(await device.jobs.count()).toBe(0)
})
