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

/** The only doors that open without a session: coming in, going out, and whether the calculators are open to all. */
const OPEN = [
  'POST /api/session',
  'POST /api/session/end',
  'GET /api/demo/accounts',
  'GET /api/first-account',
  'POST /api/first-account',
  'POST /api/welcome',
  'POST /api/welcome/look',
  'GET /api/office/calculators',
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

/** Who may knock at every door that needs a session; a door that is added is named here, or this fails. */
const MAY: Record<string, string> = Object.fromEntries([
  ['GET /api/office/audit', 'office'],
  ['GET /api/session', 'everybody'],
  ['GET /api/session/all', 'everybody'],
  ['DELETE /api/session/:id', 'everybody'],
  ['GET /api/people', 'inspector reviewer office'],
  ['PUT /api/session/password', 'everybody'],
  ['GET /api/office/people', 'office'],
  ['POST /api/office/people', 'office'],
  ['POST /api/office/people/import', 'office'],
  ['PUT /api/office/people/:id', 'office'],
  ['POST /api/office/people/:id/link', 'office'],
  ['GET /api/jobs', 'everybody'],
  ['GET /api/defects', 'everybody'],
  ['GET /api/defects/recurring', 'inspector reviewer office'],
  ['GET /api/things', 'everybody'],
  ['GET /api/filters', 'everybody'],
  ['PUT /api/filters/:id', 'everybody'],
  ['DELETE /api/filters/:id', 'everybody'],
  ['GET /api/jobs/:id', 'everybody'],
  ['PUT /api/jobs/:id/archived', 'office'],
  ['GET /api/jobs/:id/entries/live', 'everybody'],
  ['POST /api/jobs/:id/entries', 'everybody'],
  ['PUT /api/jobs/:jobId/photos/:id', 'inspector installer reviewer'],
  ['GET /api/jobs/:jobId/photos', 'everybody'],
  ['GET /api/jobs/:jobId/photos/:id/part', 'inspector installer reviewer'],
  ['PUT /api/jobs/:jobId/photos/:id/part', 'inspector installer reviewer'],
  ['GET /api/jobs/:jobId/photos/:id', 'everybody'],
  ['PUT /api/jobs/:jobId/traces/:id', 'inspector'],
  ['GET /api/jobs/:jobId/traces/:id', 'everybody'],
  ['GET /api/jobs/:id/inspection.json', 'inspector reviewer office'],
  ['GET /api/jobs/:id/report.pdf', 'inspector reviewer office'],
  ['GET /api/jobs/:id/record.zip', 'inspector reviewer office'],
  ['POST /api/imports', 'office'],
  ['POST /api/imports/:id', 'office'],
  ['POST /api/imports/:id/installation', 'office'],
  ['GET /api/records', 'inspector reviewer office'],
  ['DELETE /api/records/:id', 'office'],
  ['GET /api/samples/records', 'inspector reviewer office'],
  ['POST /api/samples/records', 'office'],
  ['DELETE /api/samples/records', 'office'],
  ['GET /api/office/installations', 'office'],
  ['POST /api/office/installations/own-key', 'office'],
  ['DELETE /api/office/installations/:id', 'office'],
  ['DELETE /api/imports/:id', 'office'],
  ['GET /api/visits', 'inspector reviewer office'],
  ['GET /api/visits.ics', 'inspector reviewer office'],
  ['GET /api/jobs/:id/visits.ics', 'inspector reviewer office'],
  ['PUT /api/visits/:id', 'inspector office'],
  ['DELETE /api/visits/:id', 'inspector office'],
  ['POST /api/devices/ask', 'inspector office'],
  ['GET /api/devices/scan', 'inspector office'],
  ['GET /api/jobs/:jobId/devices/live', 'inspector reviewer office'],
  ['GET /api/office/networks', 'inspector office'],
  ['PUT /api/office/networks', 'office'],
  ['GET /api/office/backups', 'office'],
  ['POST /api/office/backups', 'office'],
  ['PUT /api/office/backups', 'office'],
  ['GET /api/office/minutes', 'inspector reviewer office'],
  ['PUT /api/office/minutes', 'office'],
  ['PUT /api/office/calculators', 'office'],
  ['GET /api/office/four-eyes', 'inspector reviewer office'],
  ['PUT /api/office/four-eyes', 'office'],
  ['GET /api/office/assigned-only', 'inspector reviewer office'],
  ['PUT /api/office/assigned-only', 'office'],
  ['POST /api/jobs/import', 'office'],
  ['GET /api/office/job-rules', 'inspector office'],
  ['PUT /api/office/job-rules', 'office'],
  ['GET /api/samples/sheets', 'inspector reviewer office'],
  ['POST /api/samples/sheets', 'office'],
  ['GET /api/sheets/:id/sheet.zip', 'inspector reviewer office'],
  ['POST /api/sheets/zip', 'inspector office'],
  ['POST /api/sheets/:id/release', 'inspector reviewer office'],
  ['GET /api/clauses', 'inspector reviewer office'],
  ['GET /api/due-again', 'inspector reviewer office'],
  ['GET /api/office/intervals', 'inspector reviewer office'],
  ['PUT /api/office/intervals', 'office'],
  ['GET /api/office/report', 'inspector reviewer office'],
  ['PUT /api/office/report', 'office'],
  ['GET /api/sheets', 'inspector reviewer office'],
  ['GET /api/sheets/:id', 'inspector reviewer office'],
  ['GET /api/sheets/:id/file', 'inspector reviewer office'],
  ['GET /api/sheets/:id/signed', 'inspector reviewer office'],
  ['POST /api/sheets', 'inspector office'],
  ['PUT /api/manuals/:digest', 'inspector office'],
  ['GET /api/manuals/:digest', 'inspector reviewer office'],
  ['PUT /api/clippings/:digest', 'inspector office'],
  ['GET /api/clippings/:digest', 'inspector installer reviewer office'],
  ['GET /api/instruments', 'inspector reviewer office'],
  ['POST /api/instruments/import', 'office'],
  ['PUT /api/instruments/:id', 'office'],
  ['GET /api/work/:id/live', 'everybody'],
  ['GET /api/patterns', 'everybody'],
])
const EVERYBODY = 'inspector installer reviewer office'

it('every door answers the roles that it names, and no other', async () => {
  const closed = routes()
    .map(({ method, path }) => `${method} ${path}`)
    .filter((door) => !OPEN.includes(door))
  expect(Object.keys(MAY).sort()).toEqual(closed.sort())
  const crew = await Promise.all(
    (['inspector', 'installer', 'reviewer', 'office'] as const).map(
      async (role) => [role, await server.signIn(role)] as const,
    ),
  )
  const answers = new Map<string, string>()
  for (const door of closed) {
    const [method, path] = door.split(' ') as [string, string]
    const admitted: string[] = []
    for (const [role, caller] of crew) {
      const bodyless = method === 'GET' || method === 'DELETE'
      const { status, body } = await caller.call(method, filled(path), bodyless ? undefined : {})
      await body?.cancel()
      if (status !== 403) admitted.push(role)
    }
    answers.set(door, admitted.join(' '))
  }
  expect(Object.fromEntries(answers)).toEqual(
    Object.fromEntries(
      Object.entries(MAY).map(([door, roles]) => [door, roles === 'everybody' ? EVERYBODY : roles]),
    ),
  )
}, 60_000)

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
  expect((await (await server.signIn('office')).call('POST', '/api/office/backups')).status).toBeLessThan(300)
  const answer = await new Caller(server.address, '').call('GET', '/health')
  expect([answer.status, await answer.json()]).toEqual([
    200,
    {
      live: true,
      ready: true,
      version: expect.stringMatching(/^\d+\.\d+\.\d+/),
      lastBackup: expect.stringMatching(/^\d{4}-/),
      sealKey: 'as before',
    },
  ])
})
