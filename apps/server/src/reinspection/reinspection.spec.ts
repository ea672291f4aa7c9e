import { v7 as uuid } from 'uuid'
import type { DueAgain } from '@plumb-mark/contract'
import { RunningServer, entry, type Caller } from '../testing/running-server.testing.js'

let server: RunningServer
let inspector: Caller
let office: Caller
const SEALED = 'Skerry Point Kelp Laboratory'

beforeAll(async () => {
  server = await RunningServer.start()
  inspector = await server.signIn('inspector')
  office = await server.signIn('office')
})
afterAll(() => server.stop())

const due = async () => (await (await inspector.call('GET', '/api/due-again')).json()) as DueAgain[]
const keep = (intervals: object[], by = office) => by.call('PUT', '/api/office/intervals', { intervals })

it('nothing is due where the office says no interval', async () => expect(await due()).toEqual([]))

it('what was signed is due after the months that the office says, and no more once it is begun anew', async () => {
  expect((await keep([{ months: 48 }, { school: 'iec', months: 36 }])).status).toBe(200)
  const [first, ...rest] = await due()
  expect(rest).toEqual([])
  expect(first!.title).toContain(SEALED)
  expect(first!.months).toBe(36)
  expect(Number(first!.on.slice(0, 4))).toBe(Number(first!.signedOn.slice(0, 4)) + 3)

  const { entries } = (await inspector.bundle(first!.jobId)).body
  const opened = entries[0]!
  const body = { ...opened.body, number: 'PM-AGAIN', again: { jobId: first!.jobId, number: first!.number } }
  expect((await inspector.append(uuid(), entry('job-opened', body))).status).toBe(200)
  expect(await due()).toEqual([])
})

it.each([
  ['no months', [{ school: 'iec' }]],
  ['none at all', [{ months: 0 }]],
  ['a country of three letters', [{ months: 12, country: 'ZZZ' }]],
  ['rules that are none', [{ months: 12, school: 'xyz' }]],
])('an interval with %s is refused, and the others stand', async (_, intervals) => {
  const before = await (await office.call('GET', '/api/office/intervals')).json()
  expect((await keep(intervals)).status).toBe(400)
  expect(await (await office.call('GET', '/api/office/intervals')).json()).toEqual(before)
})

it('the office alone says them', async () =>
  expect((await keep([{ months: 12 }], inspector)).status).toBe(403))
