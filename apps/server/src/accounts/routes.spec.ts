import { v7 as uuid } from 'uuid'
import { HttpAdapterHost } from '@nestjs/core'
import { Caller, RunningServer } from '../testing/running-server.testing.js'

let server: RunningServer
beforeAll(async () => void (server = await RunningServer.start()))
afterAll(() => server.stop())

interface Layer {
  route?: { path: string; methods: Record<string, boolean> }
}

/** Every route that the application answers, as its router knows them. */
function routes(): { method: string; path: string }[] {
  const { router } = server.get(HttpAdapterHost).httpAdapter.getInstance() as { router: { stack: Layer[] } }
  return router.stack.flatMap(({ route }) =>
    route?.path.startsWith('/api')
      ? Object.keys(route.methods).map((method) => ({ method: method.toUpperCase(), path: route.path }))
      : [],
  )
}
const filled = (path: string) => path.replace(/:\w+/g, () => uuid())

/** The only doors that open without a session: coming in, and going out. */
const OPEN = [
  'POST /api/session',
  'POST /api/session/end',
  'GET /api/first-account',
  'POST /api/first-account',
  'POST /api/welcome',
]

it('a stranger stands before every door, also before those that are added later', async () => {
  const stranger = new Caller(server.address, '')
  const all = routes()
  expect(all.length).toBeGreaterThan(20)
  for (const { method, path } of all) {
    const { status } = await stranger.call(
      method,
      filled(path),
      method === 'GET' || method === 'DELETE' ? undefined : {},
    )
    if (OPEN.includes(`${method} ${path}`)) expect([200, 204, 400]).toContain(status)
    else expect(`${method} ${path} ${status}`).toBe(`${method} ${path} 401`)
  }
})

it('an installer writes to nothing but a job that is shared with them', async () => {
  const installer = await server.signIn('installer')
  for (const { method, path } of routes().filter(
    (route) => route.method !== 'GET' && !OPEN.includes(`${route.method} ${route.path}`),
  )) {
    const { status } = await installer.call(method, filled(path), method === 'DELETE' ? undefined : {})
    expect(`${method} ${path} ${[400, 403, 404].includes(status)}`).toBe(`${method} ${path} true`)
  }
})

it('a session that was made up opens nothing', async () => {
  const forged = new Caller(server.address, `plumb-mark=${'a'.repeat(64)}`)
  expect((await forged.call('GET', '/api/jobs')).status).toBe(401)
})

it('whoever watches the machine is told that it lives and can answer, and nothing else', async () => {
  const answer = await new Caller(server.address, '').call('GET', '/health')
  expect([answer.status, await answer.json()]).toEqual([
    200,
    { live: true, ready: true, version: expect.stringMatching(/^\d+\.\d+\.\d+/) },
  ])
})
