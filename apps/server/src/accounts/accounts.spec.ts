import { v7 as uuid } from 'uuid'
import type { ErrorShape, Role } from '@plumb-mark/core'
import { DEMO_PASSWORD } from '../demo/load-demo.js'
import type { Refused } from '../http/refused.js'
import { Caller, RunningServer } from '../testing/running-server.testing.js'
import { AccountsService } from './accounts.service.js'
import type { TriedFrom } from './tries.js'

let server: RunningServer
const crew = {} as Record<Role, Caller>
let jobId: string

beforeAll(async () => {
  server = await RunningServer.start()
  for (const role of ['inspector', 'installer', 'reviewer', 'office'] as const)
    crew[role] = await server.signIn(role)
  jobId = (await crew.inspector.firstJob()).id
})
afterAll(() => server.stop())

/** What is not there, or is not what a door takes, is told so; which role may knock where stands in routes.spec. */
it.each<[string, string, Record<Role, number>]>([
  ['PUT', '/api/jobs/:job/photos/:new', { inspector: 400, installer: 400, reviewer: 400, office: 403 }],
  ['GET', '/api/jobs/:new', { inspector: 404, installer: 404, reviewer: 404, office: 404 }],
  ['GET', '/api/jobs/not-an-id', { inspector: 400, installer: 400, reviewer: 400, office: 400 }],
  ['GET', '/api/nothing', { inspector: 404, installer: 404, reviewer: 404, office: 404 }],
])(
  '%s %s answers each role as it should, and a stranger not at all',
  async (method, path, wanted) => {
    const address = path.replace(':job', jobId).replace(':new', uuid())
    const got = await Promise.all(
      Object.entries(crew).map(async ([role, caller]) => [role, (await caller.call(method, address)).status]),
    )
    expect(Object.fromEntries(got)).toEqual(wanted)
    expect([401, 404]).toContain((await new Caller(server.address, '').call(method, address)).status)
  },
  120_000,
)

it('the session cookie cannot be read by scripts, stays on this site, and ends with signing out', async () => {
  const answer = await new Caller(server.address, '').call('POST', '/api/session', {
    email: 'OFFICE@plumb.example ',
    password: 'plumb-demo',
  })
  expect(answer.status).toBe(400)
  const right = await new Caller(server.address, '').call('POST', '/api/session', {
    email: 'OFFICE@plumb.example',
    password: 'plumb-demo',
  })
  const cookie = right.headers.get('set-cookie')!
  expect(cookie).toMatch(/HttpOnly/)
  expect(cookie).toMatch(/SameSite=Strict/)
  const office = new Caller(server.address, cookie.split(';')[0]!)
  expect((await office.call('POST', '/api/session/end')).status).toBe(204)
  expect((await office.call('GET', '/api/session')).status).toBe(401)
})

it('a wrong password and an unknown address sound alike', async () => {
  const tried = await Promise.all(
    ['inspector@plumb.example', 'nobody@plumb.example'].map((email) =>
      new Caller(server.address, '').json<ErrorShape>('POST', '/api/session', { email, password: 'guess' }),
    ),
  )
  const [known, unknown] = tried.map(({ status, body: { error } }) => ({
    status,
    code: error.code,
    message: error.message,
  }))
  expect(known).toEqual(unknown)
})

describe('who guesses at passwords', () => {
  const signIn = (email: string, password: string, from: TriedFrom) =>
    server.get(AccountsService).signIn(email, password, { from })
  const codesOf = async (tries: Promise<unknown>[]) =>
    (await Promise.allSettled(tries)).map((one) =>
      one.status === 'rejected' ? (one.reason as Refused).code : 'in',
    )
  const guesses = (account: string, address: (i: number) => string, count = 20) =>
    Array.from({ length: count }, (_, i) => signIn(account, 'guess', { address: address(i) }))

  it('all at once from one address is held up there, and keeps nobody out who comes from elsewhere', async () => {
    const codes = await codesOf(guesses('Reviewer@plumb.example ', () => '10.0.0.1'))
    expect([12, 8]).toEqual(
      ['wrong-sign-in', 'too-many-tries'].map((code) => codes.filter((one) => one === code).length),
    )
    await expect(
      signIn('reviewer@plumb.example', DEMO_PASSWORD, { address: '10.0.0.1' }),
    ).rejects.toMatchObject({
      code: 'too-many-tries',
    })
    await expect(
      signIn('reviewer@plumb.example', DEMO_PASSWORD, { address: '10.0.0.2' }),
    ).resolves.toMatchObject({
      person: { role: 'reviewer' },
    })
  })
  it('from many addresses is held up by the account, but not on a device that the person is known to use', async () => {
    const codes = await codesOf(guesses('office@plumb.example', (i) => `10.1.${i >> 3}.${i}`, 140))
    expect(codes.at(-1)).toBe('too-many-tries')
    const elsewhere = { address: '10.9.9.9' }
    await expect(signIn('office@plumb.example', DEMO_PASSWORD, elsewhere)).rejects.toMatchObject({
      code: 'too-many-tries',
    })
    await expect(
      signIn('office@plumb.example', DEMO_PASSWORD, { ...elsewhere, device: 'd' }),
    ).resolves.toMatchObject({ person: { role: 'office' } })
  })
  it('on a known device guesses no more often than anywhere', async () => {
    const tries = Array.from({ length: 14 }, () =>
      signIn('installer@plumb.example', 'guess', { address: '10.2.0.1', device: 'lost' }),
    )
    expect((await codesOf(tries)).at(-1)).toBe('too-many-tries')
  })
  it('a device is known by a cookie that nobody can make up, for the accounts that were used on it', async () => {
    const own = await RunningServer.start()
    const post = (email: string, password: string, cookie = '') =>
      fetch(`${own.address}/api/session`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', 'x-plumb-mark': '1', cookie },
        body: JSON.stringify({ email, password }),
      })
    const known = (await post('reviewer@plumb.example', DEMO_PASSWORD)).headers
      .getSetCookie()
      .find((one) => one.startsWith('plumb_device='))!
    expect(known).toMatch(/HttpOnly.*SameSite=Strict/)
    const device = known.split(';')[0]!
    for (let i = 0; i < 13; i++) await post('reviewer@plumb.example', `guess ${i}`)
    const status = async (cookie: string, email = 'reviewer@plumb.example') =>
      (await post(email, DEMO_PASSWORD, cookie)).status
    expect(await status('')).toBe(429)
    expect(await status(`${device}x`)).toBe(429)
    expect(await status('plumb_device=aaaaaaaaaaaaaaaaaaaaaa.made-up')).toBe(429)
    expect(await status(device, 'office@plumb.example')).toBe(429)
    expect(await status(device)).toBe(200)
    await own.stop()
  })
  it('does not keep somebody who is signed in from changing the password', async () => {
    const own = await RunningServer.start()
    const installer = await own.signIn('installer')
    for (let i = 0; i < 13; i++)
      await own
        .stranger()
        .call('POST', '/api/session', { email: 'installer@plumb.example', password: 'guess' })
    const change = { before: DEMO_PASSWORD, password: 'three brass bobs' }
    expect((await installer.call('PUT', '/api/session/password', change)).status).toBe(204)
    await own.stop()
  })
})

it('where a request comes from is believed of nobody, unless proxies of our own are named', async () => {
  const statuses: number[] = []
  for (let i = 0; i < 14; i++) {
    const headers = {
      'content-type': 'application/json',
      'x-plumb-mark': '1',
      'x-forwarded-for': `10.0.0.${i}`,
    }
    const body = JSON.stringify({ email: `guess-${i}@plumb.example`, password: 'guess' })
    statuses.push((await fetch(`${server.address}/api/session`, { method: 'POST', headers, body })).status)
  }
  expect(statuses.at(-1)).toBe(429)
})

it('nothing is framed, sniffed or fetched from elsewhere', async () => {
  const { headers } = await crew.office.call('GET', '/api/jobs')
  expect(headers.get('content-security-policy')).toContain("default-src 'none'")
  expect(headers.get('x-content-type-options')).toBe('nosniff')
  expect(headers.get('x-powered-by')).toBeNull()
})
