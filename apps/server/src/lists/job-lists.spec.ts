import { jest } from '@jest/globals'
import { v7 as uuid } from 'uuid'
import type { DefectPage, JobBundle, JobPage, JobSummary, PatternRow, Recurring } from '@plumb-mark/contract'
import { clausesJudged, fold, inspect, sheetsById, type Tally } from '@plumb-mark/core'
import { entry, RunningServer, type Caller } from '../testing/running-server.testing.js'
import { EntriesService } from '../entries/entries.service.js'
import { RebuildService } from './rebuild.service.js'

let server: RunningServer
let inspector: Caller
const page = async (query = '', by = inspector) => (await by.json<JobPage>('GET', `/api/jobs${query}`)).body
const titles = async (query: string, by?: Caller) =>
  (await page(query, by)).jobs.map(({ title }) => title.split(' ')[0])

beforeAll(async () => {
  server = await RunningServer.start()
  inspector = await server.signIn('inspector')
})
afterAll(() => server.stop())

it('a list opens no job: after a restart it says the same, and nothing was judged for it', async () => {
  const before = await page()
  await server.restart()
  inspector = await server.signIn('inspector')
  const opening = jest.spyOn(server.get(EntriesService), 'jobFor')
  expect(await page()).toEqual(before)
  expect(opening).not.toHaveBeenCalled()
  opening.mockRestore()
})

it('it follows every entry, in the same transaction', async () => {
  const [job] = await inspector.jobs()
  await inspector.append(job!.id, entry('observation', { point: 'inv-1/gasket/unit', seen: false }))
  const of = async () => (await inspector.jobs()).find(({ id }) => id === job!.id)!
  const after = await of()
  expect(after.left['close-up']).toBe(job!.left['close-up']! - 1)
  const refused = entry('observation', { point: 'nobody/knows/it', seen: true })
  expect((await inspector.append(job!.id, refused)).status).toBe(409)
  expect(await of()).toEqual(after)
})

it.each([
  ['of an earlier version', `UPDATE job_summaries SET version = 0, facts = '{}', stop = 0`],
  ['missing', 'DELETE FROM job_summaries'],
])(
  'rows that are %s are made anew after the next start, with nothing said differently',
  async (_what, spoil) => {
    const before = await page()
    await server.database.query(spoil)
    await server.restart()
    inspector = await server.signIn('inspector')
    await server.get(RebuildService).settled()
    expect(await page()).toEqual(before)
  },
)

it.each([
  ['?state=sealed', ['Skerry']],
  ['?state=archived', []],
  ['?sort=title&limit=2', ['Fallowmere', 'Juniper']],
  ['?sort=title&limit=2&offset=2', ['Skerry']],
  ['?sort=title&order=desc', ['Skerry', 'Juniper', 'Fallowmere']],
  ['?waits=installer', ['Fallowmere']],
  ['?stage=power-up&sort=title', ['Fallowmere', 'Juniper']],
  ['?severity=major', ['Fallowmere']],
  ['?maker=Sorrelight&sort=title', ['Juniper', 'Skerry']],
  ['?q=hatch', ['Fallowmere']],
  ['?q=hatchery%20pump', ['Fallowmere']],
  ['?q=hatchery%20kelp', []],
  ['?site=juniper', ['Juniper']],
  ['?from=2999-01-01', []],
  ['?to=1999-12-31', []],
])('the list answers %s', async (query, found) => expect(await titles(query)).toEqual(found))

it('serials are found, in part by the search and whole by the filter', async () => {
  const [{ serial }] = (await server.database.query(
    `SELECT serial FROM job_things WHERE serial <> '' ORDER BY n LIMIT 1`,
  )) as [{ serial: string }]
  expect((await titles(`?serial=${encodeURIComponent(serial)}`)).length).toBe(1)
  expect((await titles(`?q=${encodeURIComponent(serial)}`)).length).toBe(1)
})

it.each(['" OR 1', "'; DROP TABLE jobs; --", '*', 'a AND (', '%', 'NEAR(a b)', '^title:'])(
  'what a search is fed (%s) is looked for and never run',
  async (text) =>
    expect((await inspector.call('GET', `/api/jobs?q=${encodeURIComponent(text)}`)).status).toBe(200),
)

it.each([
  '?sort=facts',
  '?limit=0',
  '?limit=1000',
  '?offset=-1',
  '?to=tomorrow',
  '?severity=odd',
  '?colour=red',
  '?q=a&q=b',
])('%s is refused', async (query) =>
  expect((await inspector.call('GET', `/api/jobs${query}`)).status).toBe(400),
)

it('an installer finds only what is shared, in jobs and in defects, and learns of nothing else', async () => {
  const installer = await server.signIn('installer')
  const shared = await installer.jobs()
  const all = await inspector.jobs()
  expect(shared.length).toBeLessThan(all.length)
  const hidden = all.find(({ id }) => !shared.some((one) => one.id === id)) as JobSummary
  expect(await titles(`?q=${hidden.number}`, installer)).toEqual([])
  const { body } = await installer.json<DefectPage>('GET', '/api/defects?state=all')
  expect(new Set(body.defects.map(({ jobId }) => jobId)).size).toBe(1)
  expect((await installer.call('GET', '/api/defects/recurring?by=clause')).status).toBe(403)
})

it('defects are counted by what they have in common, and each count leads to its cases', async () => {
  const { body: rows } = await inspector.json<Recurring[]>(
    'GET',
    '/api/defects/recurring?by=clause&state=all',
  )
  expect(rows.length).toBeGreaterThan(1)
  expect(rows.map(({ defects }) => defects).reduce((a, b) => a + b)).toBe(
    (await inspector.json<DefectPage>('GET', '/api/defects?state=all')).body.total,
  )
  const [row] = rows
  const { maker, model, clause } = row!
  const cases = `/api/defects?state=all&${new URLSearchParams({ maker, model, clause }).toString()}`
  expect((await inspector.json<DefectPage>('GET', cases)).body.total).toBe(row!.defects)
  for (const by of ['maker', 'model', 'revision', 'installer', 'month'])
    expect((await inspector.call('GET', `/api/defects/recurring?by=${by}`)).status).toBe(200)
})

/** What the rows must say, counted anew from the records themselves. */
async function tallied(who: Caller): Promise<Map<string, Tally>> {
  const tallies = new Map<string, Tally>()
  for (const { id } of await who.jobs()) {
    const { entries, sheets } = (await who.json<JobBundle>('GET', `/api/jobs/${id}`)).body
    for (const one of clausesJudged(inspect(fold(entries), sheetsById(sheets)))) {
      const key = `${one.maker} ${one.model}, ${one.clause} ${one.title}`
      const tally = tallies.get(key) ?? { key, judged: 0, failed: 0 }
      tallies.set(key, { key, judged: tally.judged + 1, failed: tally.failed + Number(one.failed) })
    }
  }
  return tallies
}

it('what recurs is counted against how often it was looked at, and goes along with what is entered', async () => {
  const patterns = async (who = inspector) =>
    (await who.json<PatternRow[]>('GET', '/api/patterns?by=clause')).body
  const held = async (who = inspector) => {
    const expected = await tallied(who)
    const rows = await patterns(who)
    expect(rows.length).toBe(Math.min(60, expected.size))
    for (const { key, judged, failed } of rows) expect({ key, judged, failed }).toEqual(expected.get(key))
  }
  await held()
  const job = (await inspector.jobs()).find(({ number }) => number === 'PM-2611')!
  await inspector.append(job.id, entry('observation', { point: 'inv-1/damage/unit', seen: false }))
  await held()
  await held(await server.signIn('installer'))
  for (const by of ['maker', 'model', 'revision', 'installer', 'season'])
    expect((await inspector.call('GET', `/api/patterns?by=${by}`)).status).toBe(200)
  expect((await inspector.call('GET', '/api/patterns?by=weather')).status).toBe(400)
})

it('the office puts a job away and back; it is found there and opens as before', async () => {
  const office = await server.signIn('office')
  const job = (await office.jobs()).find(({ sealed }) => sealed)!
  expect((await inspector.call('PUT', `/api/jobs/${job.id}/archived`, { archived: true })).status).toBe(403)
  await office.call('PUT', `/api/jobs/${job.id}/archived`, { archived: true })
  expect([await titles('?q=skerry'), await titles('?state=archived')]).toEqual([[], ['Skerry']])
  expect((await inspector.bundle(job.id)).status).toBe(200)
  await office.call('PUT', `/api/jobs/${job.id}/archived`, { archived: false })
  expect(await titles('?q=skerry')).toEqual(['Skerry'])
})

it('a filter is kept for the person who named it, once', async () => {
  const filter = { view: 'jobs', name: 'What I owe', query: 'waits=inspector' }
  const id = uuid()
  expect((await inspector.call('PUT', `/api/filters/${id}`, filter)).status).toBe(204)
  expect(await inspector.json('PUT', `/api/filters/${uuid()}`, filter)).toMatchObject({ status: 409 })
  const office = await server.signIn('office')
  expect((await office.json('GET', '/api/filters')).body).toEqual([])
  await office.call('DELETE', `/api/filters/${id}`)
  expect((await inspector.json('GET', '/api/filters')).body).toEqual([{ id, ...filter }])
  await inspector.call('DELETE', `/api/filters/${id}`)
  expect((await inspector.json('GET', '/api/filters')).body).toEqual([])
})
