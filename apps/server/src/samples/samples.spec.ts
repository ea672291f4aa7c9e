import { readFileSync, readdirSync } from 'node:fs'
import { parse } from 'yaml'
import type {
  DefectPage,
  JobBundle,
  JobPage,
  JobRulesDto,
  SampleRecords,
  SampleSheet,
  SheetSummary,
} from '@plumb-mark/contract'
import { RunningServer, firstOf, type Caller } from '../testing/running-server.testing.js'

let server: RunningServer
let office: Caller
beforeAll(async () => {
  server = await RunningServer.empty()
  office = await firstOf(server)
})
afterAll(() => server.stop())

const samples = async () => (await office.json<SampleSheet[]>('GET', '/api/samples/sheets')).body
const library = async () => (await office.json<SheetSummary[]>('GET', '/api/sheets')).body
const take = (ids: unknown) => office.call('POST', '/api/samples/sheets', { ids })

it('an empty installation knows every sample and has none of them', async () => {
  const all = await samples()
  expect(all.length).toBeGreaterThan(10)
  expect(all.filter(({ here }) => here)).toEqual([])
  expect(await library()).toEqual([])
})
it('takes what is wanted, once, and with the manual that a clause opens', async () => {
  expect((await take(['thrumcap-tb-10-b'])).status).toBe(204)
  expect((await take(['thrumcap-tb-10-b'])).status).toBe(204)
  expect((await library()).map(({ id }) => id)).toEqual(['thrumcap-tb-10-b'])
  expect((await samples()).filter(({ here }) => here).map(({ id }) => id)).toEqual(['thrumcap-tb-10-b'])
  const { sheet } = (
    await office.json<{ sheet: { manual?: { digest: string } } }>('GET', '/api/sheets/thrumcap-tb-10-b')
  ).body
  expect((await office.call('GET', `/api/manuals/${sheet.manual!.digest}`)).status).toBe(200)
})
it('writes over no sheet of one’s own that goes under the same name, and takes nothing beside it', async () => {
  const { source } = (await office.json<{ source: string }>('GET', '/api/sheets/thrumcap-tb-10-b')).body
  const own = source.replace('mass: 112 kg', 'mass: 113 kg')
  expect((await office.call('POST', '/api/sheets', { source: own, replace: true })).status).toBeLessThan(300)
  const before = await library()
  expect((await take(['house-ac-rules-a', 'thrumcap-tb-10-b'])).status).toBe(409)
  expect(await library()).toEqual(before)
  expect((await samples()).filter(({ here }) => here)).toEqual([])
})
it.each([[[]], [['nothing-of-the-kind']], [[7]], ['all'], [undefined]])(
  'with %j nothing is taken',
  async (ids) => {
    const before = await library()
    expect((await take(ids)).status).toBeGreaterThanOrEqual(400)
    expect(await library()).toEqual(before)
  },
)
it('a new job begins with the rules of the office', async () => {
  const rules = async () => (await office.json<JobRulesDto>('GET', '/api/office/job-rules')).body
  expect(await rules()).toEqual({ school: 'iec' })
  await office.call('PUT', '/api/office/job-rules', { school: 'nec', timeZone: 'America/Denver' })
  expect(await rules()).toEqual({ school: 'nec', timeZone: 'America/Denver' })
  expect((await office.call('PUT', '/api/office/job-rules', { school: 'none' })).status).toBe(400)
})

describe('demo jobs to look round in', () => {
  const ADDRESS = '/api/samples/records'
  const records = async () => (await office.json<SampleRecords>('GET', ADDRESS)).body
  const jobs = async () => (await office.json<JobPage>('GET', '/api/jobs')).body.total
  /** What a sample job says in its file, and what its record says. */
  const scripts = readdirSync('samples/jobs').map(
    (name) =>
      parse(readFileSync(`samples/jobs/${name}`, 'utf8')) as {
        header: { number: string; title: string }
        sharedWith: string[]
        entries: { write: string }[]
      },
  )

  it('are added beside the jobs, each once, and enter no list of them', async () => {
    expect(await records()).toEqual({ count: scripts.length, here: [] })
    for (let twice = 0; twice < 2; twice++) {
      const { status, body } = await office.json<SampleRecords>('POST', ADDRESS)
      expect(status).toBe(200)
      expect(body.here.map(({ number }) => number).sort()).toEqual(
        scripts.map(({ header }) => header.number).sort(),
      )
    }
    expect(await jobs()).toBe(0)
    expect((await office.json<DefectPage>('GET', '/api/defects')).body.total).toBe(0)
  })

  it('say what the sample jobs of today say, and take nothing', async () => {
    for (const { id, number } of (await records()).here) {
      const { header, sharedWith, entries } = scripts.find((one) => one.header.number === number)!
      const { body } = await office.json<JobBundle>('GET', `/api/jobs/${id}`)
      expect(body.broken).toEqual([])
      expect(body.readOnly).toBeDefined()
      expect(body.entries[0]!.body).toMatchObject({ title: header.title })
      expect(body.entries.map(({ kind }) => kind)).toEqual([
        'job-opened',
        ...sharedWith.map(() => 'shared'),
        ...entries.map(({ write }) => write),
      ])
      const more = [{ id: 'x1', kind: 'shared', at: new Date().toISOString(), body: {} }]
      expect(
        (await office.call('POST', `/api/jobs/${id}/entries`, { entries: more })).status,
      ).toBeGreaterThan(399)
    }
  })

  it('are added and removed by the office alone', async () => {
    const una = { name: 'Una', email: 'una@plumb.example', role: 'inspector' }
    const { body } = await office.json<{ link: { token: string } }>('POST', '/api/office/people', una)
    const password = 'three brass bobs'
    await server.stranger().call('POST', '/api/welcome', { token: body.link.token, password })
    const inspector = await server.signInAs({ email: una.email, password })
    expect((await inspector.call('POST', ADDRESS)).status).toBe(403)
    expect((await inspector.call('DELETE', ADDRESS)).status).toBe(403)
    expect((await inspector.json<SampleRecords>('GET', ADDRESS)).body.here).toHaveLength(scripts.length)
  })

  it('are removed again, without what somebody else opened beside them', async () => {
    const [first] = (await records()).here
    expect((await office.call('DELETE', ADDRESS)).status).toBe(204)
    expect((await records()).here).toEqual([])
    expect((await office.call('GET', `/api/jobs/${first!.id}`)).status).toBe(404)
    // Nothing there to remove is nothing wrong.
    expect((await office.call('DELETE', ADDRESS)).status).toBe(204)
  })
})
