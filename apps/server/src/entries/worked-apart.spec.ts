import { v7 as uuid } from 'uuid'
import type { Appended } from '@plumb-mark/contract'
import { fold, inspect, madeVoid, sheetsById, type Entry, type EntryBodies } from '@plumb-mark/core'
import { Caller, RunningServer, entry, torque } from '../testing/running-server.testing.js'

let server: RunningServer
let inspector: Caller
let office: Caller
let jobId: string
let opened: number

beforeAll(async () => {
  server = await RunningServer.start()
  inspector = await server.signIn('inspector')
  office = await server.signIn('office')
})
afterAll(() => server.stop())

/** A job of its own for each: the header and the unit of one of the demo. */
beforeEach(async () => {
  const { entries } = (await inspector.bundle((await inspector.firstJob()).id)).body as {
    entries: readonly Entry[]
  }
  const unit = entries.find((one) => one.kind === 'unit-fitted' && one.body.id === UNIT)!
    .body as EntryBodies['unit-fitted']
  const header = entries[0]!.body as EntryBodies['job-opened']
  jobId = uuid()
  await inspector.append(jobId, entry('job-opened', { ...header, number: `PM-${jobId}` }))
  await office.append(jobId, entry('unit-fitted', { ...unit, place: undefined }))
  opened = 2
})

const POINT = (torque().body as { point: string }).point
const UNIT = POINT.split('/')[0]!
/** Of the unit that the reading is taken on. */
const removal = () => entry('unit-removed', { unitId: UNIT })
const sent = (caller: Caller, one: object, after?: number) =>
  caller.json<Appended>('POST', `/api/jobs/${jobId}/entries`, { entries: [one], after })

it('a unit that the office removed while an inspector read it without signal: the reading is kept, and said to be void', async () => {
  const [gone, reading] = [removal(), torque()]
  expect((await sent(office, gone, opened)).status).toBe(200)
  expect((await sent(inspector, torque(), opened + 1)).body).toMatchObject({
    error: { code: 'unknown-point' },
  })
  expect((await sent(inspector, reading, opened)).status).toBe(200)
  const { entries, sheets } = (await inspector.bundle(jobId)).body
  const [found, ...more] = madeVoid(inspect(fold(entries as readonly Entry[]), sheetsById(sheets)))
  expect([found?.because, more]).toMatchObject([{ what: 'unit removed', by: { role: 'office' } }, []])
  expect(found?.deeds.at(-1)).toMatchObject({
    what: expect.stringMatching(/^reading: /) as string,
    by: { role: 'inspector' },
  })
})

it('a device that says nothing of what it knew had not heard what was received after it entered', async () => {
  const before = torque()
  await new Promise((resolve) => setTimeout(resolve, 5))
  expect((await sent(office, removal())).status).toBe(200)
  await new Promise((resolve) => setTimeout(resolve, 5))
  const [, earlier, later] = [0, await sent(inspector, before), await sent(inspector, torque())]
  expect([earlier.status, later.status]).toEqual([200, 409])
})

it.each([-1, 1.5, '3', null])('a place that is none (%s) is a clear refusal', async (after) => {
  const answer = await sent(inspector, torque(), after as number)
  expect([answer.status, answer.body]).toMatchObject(
    after === null ? [200, {}] : [400, { error: { path: expect.stringContaining('after') } }],
  )
})
