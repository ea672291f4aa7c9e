import type { AuditPage } from '@plumb-mark/contract'
import { RunningServer, type Caller } from '../testing/running-server.testing.js'

let server: RunningServer
let office: Caller
const list = async (query = '') => (await office.json<AuditPage>('GET', `/api/office/audit${query}`)).body

beforeAll(async () => {
  server = await RunningServer.start()
  office = await server.signIn('office')
})
afterAll(() => server.stop())

it('who came in, who tried, what left and what was decided about people stands there, with who and from where', async () => {
  const inspector = await server.signIn('inspector')
  const { id } = await inspector.firstJob()
  await inspector.call('POST', '/api/session', { email: 'inspector@plumb.example', password: 'a guess' })
  await inspector.call('GET', '/api/office/people')
  await inspector.call('GET', `/api/jobs/${id}/inspection.json`)
  await office.call('POST', '/api/office/people', {
    name: 'Una',
    email: 'una@plumb.example',
    role: 'installer',
  })
  await inspector.call('POST', '/api/session/end')
  const { rows } = await list()
  const told = rows.map(({ action, person, detail }) => `${action} · ${person} · ${detail}`)
  expect(told.slice(0, 6).reverse()).toEqual([
    'signed in · Ottilie Marsh · email inspector@plumb.example',
    'refused ·  · signed in: wrong-sign-in, email inspector@plumb.example',
    'refused · Ottilie Marsh · GET /api/office/people',
    'exported · Ottilie Marsh · ',
    'invited · Corin Wakely · email una@plumb.example, name Una, role installer',
    'signed out · Ottilie Marsh · ',
  ])
  expect(rows[2]).toMatchObject({ subject: id, address: expect.stringContaining('127.0.0.1') as string })
  expect(JSON.stringify(rows)).not.toMatch(/plumb-demo|a guess/)
})

it('a seal stands there with the record that it sealed', async () => {
  expect((await list('?action=sealed')).rows).toMatchObject([{ person: 'Isaura Penhale' }])
})

it('it is filtered by what happened and by words, and asked for in pages', async () => {
  const all = await list()
  const refused = await list('?action=refused')
  expect(refused.rows.every(({ action }) => action === 'refused')).toBe(true)
  expect(refused.total).toBeLessThan(all.total)
  expect((await list('?q=Ottilie&limit=1')).rows).toHaveLength(1)
  expect((await office.call('GET', '/api/office/audit?action=gone')).status).toBe(400)
})

it('nobody edits it, whatever statement they find', async () => {
  const db = server.database
  for (const statement of [
    `UPDATE audit SET person = 'nobody'`,
    'DELETE FROM audit',
    `INSERT OR REPLACE INTO audit SELECT * FROM audit`,
  ])
    await expect(db.query(statement)).rejects.toThrow('never changed')
  expect((await (await server.signIn('inspector')).call('GET', '/api/office/audit')).status).toBe(403)
})
