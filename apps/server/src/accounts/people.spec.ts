import type { OneTimeLink, PersonKept } from '@plumb-mark/contract'
import { Caller, FIRST_WORD, RunningServer } from '../testing/running-server.testing.js'

const GOOD = 'three brass bobs'
let server: RunningServer
let stranger: Caller

async function signIn(email: string, password: string): Promise<Caller | number> {
  const answer = await stranger.call('POST', '/api/session', { email, password })
  if (!answer.ok) return answer.status
  return new Caller(server.address, answer.headers.get('set-cookie')!.split(';')[0]!)
}
const status = async (caller: Caller, method: string, path: string, body?: object) =>
  (await caller.call(method, path, body)).status

beforeAll(async () => {
  server = await RunningServer.empty()
  stranger = new Caller(server.address, '')
})
afterAll(() => server.stop())

it('an installation without accounts opens on making the first, of the office, once, and no password is known before', async () => {
  const first = { name: 'Ada Office', email: 'ada@plumb.example', password: GOOD, word: FIRST_WORD }
  expect(await (await stranger.call('GET', '/api/first-account')).json()).toEqual({ open: true })
  expect(await signIn('inspector@plumb.example', 'plumb-demo')).toBe(401)
  expect(await status(stranger, 'POST', '/api/first-account', { ...first, password: 'short' })).toBe(400)
  // Whoever is first on the network is not yet whoever stands at the machine.
  expect(await status(stranger, 'POST', '/api/first-account', { ...first, word: 'guess' })).toBe(403)
  const both = await Promise.all([
    status(stranger, 'POST', '/api/first-account', first),
    status(stranger, 'POST', '/api/first-account', { ...first, email: 'eve@plumb.example' }),
  ])
  expect(both.sort()).toEqual([204, 409])
  expect(await (await stranger.call('GET', '/api/first-account')).json()).toEqual({ open: false })
})

describe('people', () => {
  let office: Caller
  beforeAll(async () => {
    const ada = await signIn('ada@plumb.example', GOOD)
    office = (ada instanceof Caller ? ada : await signIn('eve@plumb.example', GOOD)) as Caller
  })
  const invite = async (email: string, role = 'inspector') =>
    (
      await office.json<{ person: PersonKept; link: OneTimeLink }>('POST', '/api/office/people', {
        name: email,
        email,
        role,
      })
    ).body

  it('a link says for whom it is, and a used or made-up one says so before a password is typed', async () => {
    const { link } = await invite('lil@plumb.example')
    const look = (token: string) => stranger.json('POST', '/api/welcome/look', { token })
    expect(await look(link.token)).toEqual({
      status: 200,
      body: { name: 'lil@plumb.example', email: 'lil@plumb.example' },
    })
    expect(await look('made-up')).toMatchObject({ status: 410, body: { error: { code: 'link-used' } } })
    await stranger.call('POST', '/api/welcome', { token: link.token, password: GOOD })
    expect((await look(link.token)).status).toBe(410)
  })
  it('are corrected in name, address and licence, and no two have one address', async () => {
    const { person } = await invite('odd@plumb.example')
    const change = (wish: object) => office.json<PersonKept>('PUT', `/api/office/people/${person.id}`, wish)
    expect((await change({ name: 'Odd', email: 'Even@plumb.example', licence: 'L-9' })).body).toMatchObject({
      name: 'Odd',
      email: 'even@plumb.example',
      licence: 'L-9',
    })
    await invite('third@plumb.example')
    expect(await change({ email: 'THIRD@plumb.example' })).toMatchObject({
      status: 409,
      body: { error: { code: 'address-taken', path: 'email' } },
    })
    expect((await change({ email: 'nonsense' })).status).toBe(400)
  })
  it('are invited by a link that works once; before it nobody signs in as them', async () => {
    const { person, link } = await invite('ivo@plumb.example')
    expect(person).toMatchObject({ role: 'inspector', invited: true })
    expect(await signIn('ivo@plumb.example', '!')).toBe(401)
    expect(
      await status(stranger, 'POST', '/api/welcome', { token: link.token, password: 'password1234' }),
    ).toBe(400)
    expect(await status(stranger, 'POST', '/api/welcome', { token: link.token, password: GOOD })).toBe(204)
    expect(await status(stranger, 'POST', '/api/welcome', { token: link.token, password: GOOD })).toBe(410)
    expect(await signIn('ivo@plumb.example', GOOD)).toBeInstanceOf(Caller)
    expect(
      await status(office, 'POST', '/api/office/people', {
        name: 'x',
        email: 'IVO@plumb.example',
        role: 'office',
      }),
    ).toBe(409)
  })

  it('a new link makes the one before it worthless, and ends every session when it is used', async () => {
    const { person, link } = await invite('una@plumb.example')
    const again = (await office.json<OneTimeLink>('POST', `/api/office/people/${person.id}/link`)).body
    expect(await status(stranger, 'POST', '/api/welcome', { token: link.token, password: GOOD })).toBe(410)
    expect(await status(stranger, 'POST', '/api/welcome', { token: again.token, password: GOOD })).toBe(204)
    const una = (await signIn('una@plumb.example', GOOD)) as Caller
    const reset = (await office.json<OneTimeLink>('POST', `/api/office/people/${person.id}/link`)).body
    expect(await status(stranger, 'POST', '/api/welcome', { token: reset.token, password: `${GOOD}!` })).toBe(
      204,
    )
    expect(await status(una, 'GET', '/api/session')).toBe(401)
    expect(await signIn('una@plumb.example', GOOD)).toBe(401)
  })

  it('who is disabled is out at once, comes in by no link, and is back when enabled', async () => {
    const { person, link } = await invite('sol@plumb.example')
    await stranger.call('POST', '/api/welcome', { token: link.token, password: GOOD })
    const sol = (await signIn('sol@plumb.example', GOOD)) as Caller
    expect(await status(sol, 'GET', '/api/jobs')).toBe(200)
    expect(await status(office, 'PUT', `/api/office/people/${person.id}`, { disabled: true })).toBe(200)
    expect([await status(sol, 'GET', '/api/jobs'), await signIn('sol@plumb.example', GOOD)]).toEqual([
      401, 401,
    ])
    await office.call('PUT', `/api/office/people/${person.id}`, { disabled: false })
    expect(await signIn('sol@plumb.example', GOOD)).toBeInstanceOf(Caller)
  })

  it('a change of role ends the sessions that had the other', async () => {
    const { person, link } = await invite('rex@plumb.example')
    await stranger.call('POST', '/api/welcome', { token: link.token, password: GOOD })
    const rex = (await signIn('rex@plumb.example', GOOD)) as Caller
    await office.call('PUT', `/api/office/people/${person.id}`, { role: 'reviewer', licence: 'LIC-9' })
    expect(await status(rex, 'GET', '/api/session')).toBe(401)
    const { body } = await office.json<PersonKept[]>('GET', '/api/office/people')
    expect(body.find(({ id }) => id === person.id)).toMatchObject({
      role: 'reviewer',
      licence: 'LIC-9',
      invited: false,
    })
  })

  it('the last of the office cannot be locked out', async () => {
    const { body } = await office.json<PersonKept[]>('GET', '/api/office/people')
    const self = body.find(({ role }) => role === 'office')!
    for (const wish of [{ disabled: true }, { role: 'inspector' }])
      expect(await status(office, 'PUT', `/api/office/people/${self.id}`, wish)).toBe(409)
  })

  it('only the office lets people in, and everybody changes only the own password, knowing the old one', async () => {
    const ivo = (await signIn('ivo@plumb.example', GOOD)) as Caller
    expect(await status(ivo, 'GET', '/api/office/people')).toBe(403)
    expect(
      await status(ivo, 'POST', '/api/office/people', {
        name: 'x',
        email: 'x@plumb.example',
        role: 'office',
      }),
    ).toBe(403)
    expect(await status(ivo, 'PUT', '/api/session/password', { before: 'guess', password: `${GOOD}?` })).toBe(
      403,
    )
    expect(await status(ivo, 'PUT', '/api/session/password', { before: GOOD, password: `${GOOD}?` })).toBe(
      204,
    )
    expect(await signIn('ivo@plumb.example', `${GOOD}?`)).toBeInstanceOf(Caller)
  })
})
