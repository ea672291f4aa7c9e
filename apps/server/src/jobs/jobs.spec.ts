import { v7 as uuid } from 'uuid'
import type { Appended } from '@plumb-mark/contract'
import { Caller, RunningServer, entry, torque } from '../testing/running-server.testing.js'

let server: RunningServer
let inspector: Caller
let jobId: string

beforeAll(async () => {
  server = await RunningServer.start()
  inspector = await server.signIn('inspector')
  jobId = (await inspector.firstJob()).id
})
afterAll(() => server.stop())

it('a stranger gets nothing, and is told so in the one shape of errors', async () => {
  const stranger = new Caller(server.address, '')
  for (const path of [
    '/api/jobs',
    `/api/jobs/${jobId}`,
    `/api/jobs/${jobId}/report.pdf`,
    `/api/jobs/${jobId}/inspection.json`,
    `/api/jobs/${jobId}/photos/${uuid()}`,
  ]) {
    expect(await stranger.json('GET', path)).toEqual({
      status: 401,
      body: {
        error: { code: 'not-signed-in', message: 'sign in first', requestId: expect.any(String) },
      },
    })
  }
  expect((await stranger.append(jobId, torque())).status).toBe(401)
})

it('a write that does not come from the application is refused, whatever its cookie', async () => {
  const body = JSON.stringify({ entries: [torque()] })
  for (const headers of [{ origin: 'http://elsewhere.example', 'x-plumb-mark': '1' }, {}] as Record<
    string,
    string
  >[]) {
    const response = await fetch(`${server.address}/api/jobs/${jobId}/entries`, {
      method: 'POST',
      headers: { cookie: inspector.cookie, 'content-type': 'application/json', ...headers },
      body,
    })
    expect(response.status).toBe(403)
  }
})

it('an installer sees only jobs shared with them, and not as a file', async () => {
  const installer = await server.signIn('installer')
  const other = uuid()
  const header = (await inspector.bundle(jobId)).body.entries[0]!.body
  expect((await inspector.append(other, entry('job-opened', { ...header, number: 'PM-OTHER' }))).status).toBe(
    200,
  )
  const seen = (await installer.jobs()).map(({ id }) => id)
  expect(seen).toContain(jobId)
  expect(seen).not.toContain(other)
  expect((await installer.bundle(other)).status).toBe(404)
  expect((await installer.bundle(jobId)).body.instruments).toEqual([])
  expect((await installer.append(other, torque())).status).toBe(404)
  expect((await installer.json('GET', `/api/jobs/${jobId}/report.pdf`)).status).toBe(403)
})

it('sharing is taken back: the job is gone from the installer, and so is what follows in it', async () => {
  const installer = await server.signIn('installer')
  const job = uuid()
  const header = (await inspector.bundle(jobId)).body.entries[0]!.body
  await inspector.append(job, entry('job-opened', { ...header, number: 'PM-SHARED' }))
  const person = await inspector.somebody('installer')
  const share = entry('shared', { person })
  expect((await inspector.append(job, share)).status).toBe(200)
  expect((await installer.bundle(job)).status).toBe(200)
  const followed = await installer.call('GET', `/api/jobs/${job}/entries/live`)
  const back = () => entry('unshared', { personId: person.id })
  expect((await installer.append(job, back())).status).toBe(409)
  expect((await inspector.append(job, back())).status).toBe(200)
  const told = await followed.text()
  expect([told.includes(share.id), told.includes('unshared')]).toEqual([true, false])
  expect((await installer.bundle(job)).status).toBe(404)
  expect((await installer.jobs()).map(({ id }) => id)).not.toContain(job)
  expect((await inspector.append(job, back())).status).toBe(409)
})

it('an entry that is sent twice is kept once, and its id serves for nothing else', async () => {
  const sent = torque()
  const first = await inspector.append(jobId, sent)
  const again = await inspector.append(jobId, sent)
  expect(again.body.entries).toEqual(first.body.entries)
  expect(
    await inspector.append(jobId, { ...sent, body: { ...sent.body, value: 2.6, typed: '2.6 N·m' } }),
  ).toMatchObject({ status: 409, body: { error: { code: 'id-reused' } } })
})

describe('a device whose clock is wrong', () => {
  const said = (at: string, clock: string) =>
    inspector.call('POST', `/api/jobs/${jobId}/entries`, { entries: [{ ...torque(), at }], clock })
  const kept = async (at: string, clock: string) =>
    ((await (await said(at, clock)).json()) as Appended).entries[0]!
  it.each([
    ['years ahead', 4 * 365 * 24 * 3600],
    ['years behind', -11 * 365 * 24 * 3600],
  ])('%s: its entries stand at the time they were made, and what it said is kept', async (_how, ahead) => {
    const clock = new Date(Date.now() + ahead * 1000).toISOString()
    const entry = await kept(clock, clock)
    expect(Math.abs(Date.parse(entry.at) - Date.now())).toBeLessThan(10_000)
    expect(entry).toMatchObject({ said: clock, received: expect.any(String) })
    expect(Date.parse(entry.at)).toBeLessThanOrEqual(Date.parse(entry.received!))
  })
  it('is told how far it is off', async () => {
    const clock = new Date(Date.now() + 600_000).toISOString()
    const { clockAhead } = (await (await said(clock, clock)).json()) as Appended
    expect(Math.abs(clockAhead - 600_000)).toBeLessThan(10_000)
  })
  it('and says nothing of it cannot put anything into the future, nor before the job was opened', async () => {
    const [late, early] = [
      await inspector.append(jobId, { ...torque(), at: '2031-01-01T00:00:00Z' }),
      await inspector.append(jobId, { ...torque(), at: '2015-01-01T00:00:00Z' }),
    ].map(({ body }) => body.entries[0]!)
    const opened = (await inspector.bundle(jobId)).body.entries[0]!.at
    expect(Date.parse(late!.at)).toBeLessThanOrEqual(Date.now())
    expect(Date.parse(early!.at)).toBe(Date.parse(opened))
  })
})

it('of a batch with one bad entry nothing is kept', async () => {
  const before = (await inspector.bundle(jobId)).body.entries.length
  expect(
    await inspector.append(
      jobId,
      torque(),
      entry('reading', { point: 'nowhere', typed: '2', value: 2, unit: 'N·m', relation: '=' }),
    ),
  ).toMatchObject({ status: 409, body: { error: { code: 'unknown-point' } } })
  expect((await inspector.bundle(jobId)).body.entries).toHaveLength(before)
})

it.each<[string, object, string]>([
  [
    'a value that is no number',
    { ...torque(), body: { ...torque().body, value: 'two' } },
    'entries[0].body.value',
  ],
  [
    'a field that nobody knows',
    { ...torque(), body: { ...torque().body, colour: 'red' } },
    'entries[0].body.colour',
  ],
  ['an id that is none', { ...torque(), id: '7' }, 'entries[0].id'],
  ['a kind that is none', { ...torque(), kind: 'guess' }, 'entries[0].kind'],
  [
    'a module without cells',
    entry('string-built', {
      id: 's',
      label: 'S',
      unitId: 'inv-1',
      input: 'PV1',
      count: 3,
      module: { name: 'M', voc: 40, vocTempCoeff: -0.3, cellsInSeries: 0, bypassDiodes: 3 },
    }),
    'entries[0].body.module.cellsInSeries',
  ],
])('%s is refused at its place', async (_what, bad, path) => {
  expect(await inspector.append(jobId, bad)).toMatchObject({
    status: 400,
    body: { error: { code: 'invalid', path } },
  })
})

it('text that is no JSON is refused in the same shape', async () => {
  const response = await inspector.call('POST', `/api/jobs/${jobId}/entries`, '{"entries": [')
  expect([response.status, Object.keys((await response.json()) as object)]).toEqual([400, ['error']])
})

it('a reading names an instrument that is kept here, with its true figures', async () => {
  const { instruments } = (await inspector.bundle(jobId)).body
  const driver = instruments.find(({ kind }) => kind === 'torque-driver')!
  const better = { ...driver, accuracy: [{ dimension: 'torque', percent: 0.1, plus: 0 }] }
  const sent = torque()
  expect(
    await inspector.append(jobId, { ...sent, body: { ...sent.body, instrument: better } }),
  ).toMatchObject({ status: 409, body: { error: { code: 'unknown-instrument' } } })
})

it('writes of many at once keep one chain without a gap', async () => {
  await Promise.all(Array.from({ length: 20 }, () => inspector.append(jobId, torque())))
  const { entries } = (await inspector.bundle(jobId)).body
  entries.forEach(({ seq, prev }, i) =>
    expect({ seq, prev }).toEqual({ seq: i + 1, prev: entries[i - 1]?.hash ?? '' }),
  )
})

it('the database itself refuses to change or delete an entry', async () => {
  const db = server.database
  await expect(db.query(`UPDATE entries SET body = '{}'`)).rejects.toThrow('entries are never changed')
  await expect(db.query('DELETE FROM entries')).rejects.toThrow('entries are never deleted')
})

it('somebody who guesses at passwords is slowed down', async () => {
  const stranger = new Caller(server.address, '')
  const statuses: number[] = []
  for (let i = 0; i < 14; i++)
    statuses.push(
      (
        await stranger.call('POST', '/api/session', {
          email: 'inspector@plumb.example',
          password: `guess ${i}`,
        })
      ).status,
    )
  expect(statuses.filter((status) => status === 401).length).toBeLessThanOrEqual(12)
  expect(statuses.at(-1)).toBe(429)
})
