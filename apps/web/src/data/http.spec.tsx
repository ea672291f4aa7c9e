/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { act, screen, waitFor } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { useState } from 'react'
import { signIn, signOut } from '../offline/sign-in.js'
import { useSession } from './session.js'
import { asked, onScreen, refusal, serverSays } from '../testing/job-on-screen.testing.js'
import { ApiError, get, post, put, putFile, remove } from './api.js'
import { useResource } from './resource.js'

const user = userEvent.setup()

describe('a call to the server', () => {
  it('that is refused carries code, message and place', async () => {
    serverSays({
      'GET /api/x': new Response(
        JSON.stringify({ error: { code: 'invalid', message: 'must be a number', path: 'a.b' } }),
        { status: 400 },
      ),
    })
    await expect(get('/api/x')).rejects.toMatchObject({
      status: 400,
      code: 'invalid',
      message: 'must be a number',
      path: 'a.b',
      unreachable: false,
    })
  })
  it('that nobody answers is told from one that is refused', async () => {
    globalThis.fetch = (() => Promise.reject(new TypeError('failed'))) as typeof fetch
    await expect(get('/api/x')).rejects.toMatchObject({ code: 'unreachable', unreachable: true })
  })
  it('that fails without words says its status', async () => {
    serverSays({ 'GET /api/x': new Response('<html>', { status: 502 }) })
    await expect(get('/api/x')).rejects.toMatchObject({ code: 'fault', own: false, status: 502 })
  })
  it('says where it comes from, so that no other page can make one', async () => {
    const headers: unknown[] = []
    globalThis.fetch = (async (_address: string, request: { headers: object }) => (
      headers.push(request.headers),
      new Response(null, { status: 204 })
    )) as unknown as typeof fetch
    for (const call of [
      () => get('/a'),
      () => post('/a'),
      () => put('/a', {}),
      () => remove('/a'),
      () => putFile('/a', 'photo', new Blob(['x'])),
    ])
      await call()
    expect(headers).toHaveLength(5)
    for (const one of headers) expect(one).toHaveProperty('x-plumb-mark', '1')
  })
})

describe('a list that is shown', () => {
  function List() {
    const [address, setAddress] = useState('/api/one')
    const { value, problem, reload } = useResource<string>(address)
    return (
      <>
        <p>{value ?? (problem || 'waiting')}</p>
        <button onClick={() => setAddress('/api/two')}>two</button>
        <button onClick={() => void reload()}>again</button>
      </>
    )
  }
  it('is that of the address at hand: an answer that comes late for another is not shown', async () => {
    let late: ((answer: Response) => void) | undefined
    globalThis.fetch = ((address: string) =>
      address === '/api/one'
        ? new Promise<Response>((resolve) => (late = resolve))
        : Promise.resolve(new Response('"second"'))) as unknown as typeof fetch
    onScreen(<List />)
    await user.click(screen.getByText('two'))
    expect(await screen.findByText('second')).toBeInTheDocument()
    late!(new Response('"first"'))
    await waitFor(() => expect(screen.queryByText('first')).toBeNull())
    expect(screen.getByText('second')).toBeInTheDocument()
  })
  it('says why it is not there, and is read again when asked to', async () => {
    serverSays({ 'GET /api/one': refusal(403, 'forbidden', 'not for you') })
    onScreen(<List />)
    expect(await screen.findByText('not for you')).toBeInTheDocument()
    serverSays({ 'GET /api/one': 'here' })
    await user.click(screen.getByText('again'))
    expect(await screen.findByText('here')).toBeInTheDocument()
  })
})

it('what one person read is never shown to the next on the same device', async () => {
  const Name = () => <p>{useResource<string>('/api/one').value ?? 'nothing yet'}</p>
  useSession.setState({ person: { id: 'a', name: 'Ada', role: 'office' } })
  serverSays({ 'GET /api/one': 'for Ada' })
  onScreen(<Name />)
  expect(await screen.findByText('for Ada')).toBeInTheDocument()
  serverSays({ 'GET /api/one': 'for Bo' })
  act(() => useSession.setState({ person: { id: 'b', name: 'Bo', role: 'installer' } }))
  expect(screen.getByText('nothing yet')).toBeInTheDocument()
  expect(await screen.findByText('for Bo')).toBeInTheDocument()
})

describe('who is signed in', () => {
  it('is asked once; nobody is not a fault', async () => {
    serverSays({ 'GET /api/session': refusal(401, 'not-signed-in', 'sign in first') })
    await useSession.getState().ask()
    expect(useSession.getState().person).toBeNull()
  })
  it('comes in with a password, and is out on this device even when the server cannot be told', async () => {
    serverSays({ 'POST /api/session': { person: { id: 'a', name: 'Ada', role: 'office' } } })
    await signIn('a@b.example', 'secret')
    expect([useSession.getState().person?.name, asked[0]!.body]).toEqual([
      'Ada',
      { email: 'a@b.example', password: 'secret' },
    ])
    globalThis.fetch = (() => Promise.reject(new TypeError('failed'))) as typeof fetch
    await signOut()
    expect(useSession.getState().person).toBeNull()
  })
  it('is an error of its own kind when the password is wrong', async () => {
    serverSays({ 'POST /api/session': refusal(401, 'wrong-password', 'that is not it') })
    await expect(signIn('a', 'b')).rejects.toBeInstanceOf(ApiError)
  })
})
