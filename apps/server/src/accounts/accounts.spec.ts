import { v7 as uuid } from 'uuid'
import type { ErrorShape, Role } from '@plumb-mark/core'
import { DEMO_PASSWORD } from '../demo/load-demo.js'
import type { Refused } from '../http/refused.js'
import { Caller, RunningServer } from '../testing/running-server.testing.js'
import { AccountsService } from './accounts.service.js'

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

it('who guesses at one account, all at once and from wherever, is held up; other accounts are not', async () => {
  const accounts = server.get(AccountsService)
  const tried = await Promise.allSettled(
    Array.from({ length: 20 }, () => accounts.signIn('Reviewer@plumb.example ', 'guess')),
  )
  const codes = tried.map((one) => one.status === 'rejected' && (one.reason as Refused).code)
  expect([12, 8]).toEqual(
    ['wrong-sign-in', 'too-many-tries'].map((code) => codes.filter((one) => one === code).length),
  )
  await expect(accounts.signIn('reviewer@plumb.example', DEMO_PASSWORD)).rejects.toMatchObject({
    code: 'too-many-tries',
  })
  await expect(accounts.signIn('office@plumb.example', DEMO_PASSWORD)).resolves.toMatchObject({
    person: { role: 'office' },
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
