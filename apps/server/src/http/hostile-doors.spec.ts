import { readFileSync } from 'node:fs'
import { HttpAdapterHost } from '@nestjs/core'
import { v7 as uuid } from 'uuid'
import type { AuditPage } from '@plumb-mark/contract'
import { entry, RunningServer, type Caller } from '../testing/running-server.testing.js'

let server: RunningServer
let office: Caller
let inspector: Caller
beforeAll(async () => {
  server = await RunningServer.start()
  office = await server.signIn('office')
  inspector = await server.signIn('inspector')
})
afterAll(() => server.stop())

interface Layer {
  route?: { path: string; methods: Record<string, boolean> }
}
function doors(): { method: string; path: string }[] {
  const { router } = server.get(HttpAdapterHost).httpAdapter.getInstance() as { router: { stack: Layer[] } }
  return router.stack.flatMap(({ route }) =>
    route?.path.startsWith('/api')
      ? Object.keys(route.methods).map((method) => ({ method: method.toUpperCase(), path: route.path }))
      : [],
  )
}
const LONE = '\\ud800'
/** What no door was made for. */
const BODIES = [
  `{"name":"${LONE}","email":"a@b.example","role":"office","password":"three brass bobs","token":"${LONE}","word":"${LONE}"}`,
  `{"${LONE}":1}`,
  '{"role":{"toString":"x"},"name":"a","email":"a@b.example"}',
  '{"name":{"toString":null},"email":{"toString":"x"},"licence":{"valueOf":1}}',
  `{"as":"${LONE}"}`,
  '{"networks":[{"toString":1}],"people":[{"name":{"toString":1}}],"archived":{"toString":"x"}}',
  `{"source":"${LONE}","replace":true}`,
  '{"entries":[{"id":null}],"clock":{}}',
  '[]',
  'null',
  '"x"',
  `{"a":${'['.repeat(500)}${']'.repeat(500)}}`,
]
const QUERIES = [
  '?q=%ED%A0%80&email=%00',
  '?q=%00',
  '?q[$ne]=1',
  '?q=a&q=b',
  '?sort=constructor',
  '?limit=1e9&offset=-1',
]

it('no door answers what it was not made for with a fault of ours, whoever sends it', async () => {
  const faults = new Set<string>()
  // Sessions of their own: one of the doors ends them.
  const crew = [await server.signIn('office'), await server.signIn('inspector'), server.stranger()]
  for (const { method, path } of doors()) {
    const bodyless = method === 'GET' || method === 'DELETE'
    for (const by of crew)
      for (const body of bodyless ? [undefined] : BODIES)
        for (const query of bodyless ? QUERIES : ['']) {
          const address = path.replace(/:\w+/g, () => uuid()) + query
          const answer = await by.call(method, address, body)
          await answer.body?.cancel()
          if (answer.status >= 500) faults.add(`${method} ${path}${query} ${body ?? ''} ${answer.status}`)
        }
  }
  expect([...faults]).toEqual([])
}, 90_000)

it('of somebody without a session no more is read than it takes to sign in; a form of fields is read of nobody', async () => {
  const large = { email: 'a@b.example', password: 'x'.repeat(40_000) }
  expect((await server.stranger().call('POST', '/api/session', large)).status).toBe(413)
  const filters = `/api/filters/${uuid()}`
  expect((await server.stranger().call('PUT', filters, { query: 'x'.repeat(40_000) })).status).toBe(413)
  expect((await office.call('PUT', filters, { query: 'x'.repeat(40_000) })).status).toBe(400)
  const form = await fetch(`${server.address}/api/session`, {
    method: 'POST',
    headers: { 'x-plumb-mark': '1', 'content-type': 'application/x-www-form-urlencoded' },
    body: 'email=office%40plumb.example&password=plumb-demo',
  })
  expect(form.status).toBe(400)
})

it('answers of the API are kept by nobody on the way, but for files under their digests', async () => {
  const { id } = await inspector.firstJob()
  const cache = async (path: string) => (await inspector.call('GET', path)).headers.get('cache-control')
  for (const path of ['/api/session', '/api/jobs', `/api/jobs/${id}`, '/api/sheets', '/api/jobs/none'])
    expect(`${path} ${await cache(path)}`).toBe(`${path} no-store`)
  const shown = (await inspector.bundle(id)).body.entries.find((one) => one.kind === 'defect-raised')
  const photo = shown?.kind === 'defect-raised' ? shown.body.photos![0]!.id : ''
  expect(await cache(`/api/jobs/${id}/photos/${photo}`)).toContain('immutable')
})

it('knocks at closed doors are one row an hour and address, however many', async () => {
  for (let i = 0; i < 200; i++) await inspector.call('GET', '/api/office/people')
  const { body } = await office.json<AuditPage>('GET', '/api/office/audit?action=refused&q=office/people')
  expect(body.rows).toHaveLength(1)
  expect(body.rows[0]!.detail).toMatch(/^GET \/api\/office\/people and \d{3} more within the hour$/)
})

it('the audit list tells what was decided: backup time, minutes, instruments, sheets, visits, sharing, people from a file', async () => {
  const { id } = await inspector.firstJob()
  const { instruments } = (await inspector.bundle(id)).body
  await office.call('PUT', '/api/office/backups', { at: '03:10' })
  await office.call('PUT', '/api/office/minutes', {})
  await office.call('PUT', `/api/instruments/${instruments[0]!.id}`, instruments[0])
  const source = `format: plumb-mark-sheet\nversion: 1\nmaker: Nobody\nmodel: Thing\nrevision: Q\n`
  await office.call('POST', '/api/sheets', { source })
  const visit = uuid()
  const { body: people } = await office.json<{ id: string; name: string; role: 'installer' }[]>(
    'GET',
    '/api/people',
  )
  const booked = { jobId: id, start: '2027-01-01T08:00:00Z', end: '2027-01-01T09:00:00Z', purpose: 'look' }
  const who = people.map((one) => ({ id: one.id, name: one.name })).slice(0, 1)
  expect((await office.call('PUT', `/api/visits/${visit}`, { ...booked, people: who })).status).toBe(200)
  await office.call('DELETE', `/api/visits/${visit}`)
  const installer = people.find(({ role }) => role === 'installer')!
  await inspector.append(
    id,
    entry('shared', { person: { id: installer.id, name: installer.name, role: 'installer' } }),
  )
  await office.call('POST', '/api/office/people/import', {
    people: [{ name: 'Una Fro', email: 'una@plumb.example', role: 'installer' }],
  })
  const { body } = await office.json<AuditPage>('GET', '/api/office/audit?limit=40')
  const told = body.rows.map(({ action, detail }) => `${action}: ${detail}`)
  for (const wanted of [
    'backup time changed: at 03:10',
    'minutes changed: ',
    `instrument kept: name ${instruments[0]!.name}, calibratedUntil ${instruments[0]!.calibratedUntil}`,
    `visit booked: people ${who[0]!.name}, jobId ${id}, start 2027-01-01T08:00:00Z`,
    'visit cancelled: ',
    `shared: with ${installer.name}`,
    'invited: people Una Fro',
  ])
    expect(told).toContain(wanted)
  expect(told.some((one) => one.startsWith('refused: sheet kept'))).toBe(true)
})

it('a visit is of people who are here and by their names, and nobody else', async () => {
  const { id } = await inspector.firstJob()
  const { body: people } = await office.json<{ id: string; name: string }[]>('GET', '/api/people')
  const visit = { jobId: id, start: '2027-02-01T08:00:00Z', end: '2027-02-01T09:00:00Z', purpose: 'look' }
  for (const stranger of [
    { id: uuid(), name: 'Nobody' },
    { id: people[0]!.id, name: 'Another Name' },
  ])
    expect(await office.json('PUT', `/api/visits/${uuid()}`, { ...visit, people: [stranger] })).toMatchObject(
      { status: 409, body: { error: { code: 'unknown-person', path: 'people[0]' } } },
    )
})

it('a sheet that somebody else wrote is overwritten by its writer or the office alone', async () => {
  const source = readFileSync('samples/sheets/aldervane-dx-4-a.yaml', 'utf8').replace(
    /^model: .*$/m,
    'model: Own Box',
  )
  const changed = source.replace(/^title: .*$/m, 'title: Changed')
  const other = await server.signIn('inspector')
  const add = (by: Caller, text: string) =>
    by.json<{ error?: { code: string } }>('POST', '/api/sheets', { source: text, replace: true })
  expect((await add(office, source)).status).toBe(200)
  expect((await add(other, changed)).body.error?.code).toBe('not-your-sheet')
  expect((await add(office, changed)).status).toBe(200)
  const own = source.replace(/^revision: .*$/m, 'revision: own')
  expect((await add(other, own)).status).toBe(200)
  expect((await add(other, own.replace(/^title: .*$/m, 'title: Mine'))).status).toBe(200)
})
