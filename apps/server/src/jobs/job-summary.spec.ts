import { jest } from '@jest/globals'
import { DataSource } from 'typeorm'
import type { JobSummary } from '@plumb-mark/contract'
import { entry, RunningServer, type Caller } from '../testing/running-server.testing.js'
import { EntriesService } from '../entries/entries.service.js'
import { JobSummaryRow } from './job.entities.js'

let server: RunningServer
let inspector: Caller
const list = async () => (await inspector.json<JobSummary[]>('GET', '/api/jobs')).body
const rows = () => server.get(DataSource).getRepository(JobSummaryRow)

beforeAll(async () => {
  server = await RunningServer.start()
  inspector = await server.signIn('inspector')
})
afterAll(() => server.stop())

it('a list opens no job: after a restart it says the same, and nothing was judged for it', async () => {
  const before = await list()
  await server.restart()
  inspector = await server.signIn('inspector')
  const opening = jest.spyOn(server.get(EntriesService), 'jobFor')
  expect(await list()).toEqual(before)
  expect(opening).not.toHaveBeenCalled()
  opening.mockRestore()
})

it('it follows every entry, in the same transaction', async () => {
  const [job] = await list()
  await inspector.append(job!.id, entry('observation', { point: 'inv-1/gasket/unit', seen: false }))
  const after = (await list()).find(({ id }) => id === job!.id)!
  expect(after.left['close-up']).toBe(job!.left['close-up']! - 1)
  const refused = entry('observation', { point: 'nobody/knows/it', seen: true })
  expect((await inspector.append(job!.id, refused)).status).toBe(409)
  expect(await list()).toContainEqual(after)
})

it.each([
  ['missing', () => rows().clear()],
  ['of an earlier version', () => rows().update({ version: 1 }, { version: 0, facts: '{}' })],
])('rows that are %s are made anew when they are wanted', async (_what, spoil) => {
  const before = await list()
  await spoil()
  expect(await list()).toEqual(before)
  expect(await rows().count()).toBe(3)
})
