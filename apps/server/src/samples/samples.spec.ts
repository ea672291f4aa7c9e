import type { JobRulesDto, SampleSheet, SheetSummary } from '@plumb-mark/contract'
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
