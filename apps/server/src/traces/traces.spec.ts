import { readdirSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { v7 as uuid } from 'uuid'
import type { TraceKept } from '@plumb-mark/contract'
import { entry, RunningServer, type Caller } from '../testing/running-server.testing.js'
import { ArchiveWork } from '../records/archive-work.js'

let server: RunningServer
let inspector: Caller
let jobId: string
let sealedId: string
const POINT = 'inv-1/fallback/unit'
const CSV = 't (s),inverter (W)\r\n0,6000\r\n10,6000\r\n20,0\r\n80,0\r\n'
/** What the file says, with another figure in its first row where it was changed to be another file. */
const foundFrom = (first: number) => ({
  settledAt: 20,
  secondsOver: 10,
  peak: 6000,
  seen: {
    unit: 'W',
    from: 0,
    widestGap: 60,
    before: { least: 6000, most: first },
    ever: { least: 0, most: first },
  },
})

beforeAll(async () => {
  server = await RunningServer.start()
  inspector = await server.signIn('inspector')
  const jobs = await inspector.jobs()
  jobId = jobs.find(({ number }) => number === 'PM-2611')!.id
  sealedId = jobs.find(({ number }) => number === 'PM-2598')!.id
})
afterAll(() => server.stop())

function send(csv: string, { id = uuid(), job = jobId, by = inspector } = {}) {
  const form = new FormData()
  form.append('trace', new Blob([csv], { type: 'text/csv' }))
  return by.json<TraceKept & { error: { code: string; path?: string } }>(
    'PUT',
    `/api/jobs/${job}/traces/${id}`,
    form,
  )
}
const answering = ({ id, sha256, samples }: TraceKept, change: object = {}) =>
  entry('record', {
    point: POINT,
    answer: {
      trace: { id, sha256, samples, startedAt: '2026-11-20T08:00:00Z', source: 'live' },
      channel: 'inverter',
      eventAt: 10,
      end: 80,
      by: { limit: 0, tolerance: 100, settleWithin: 10, must: 'stay-under' },
      found: foundFrom(6000),
      ...change,
    },
  })

it('a trace is kept once however often it is sent, packed, and comes back byte for byte', async () => {
  const id = uuid()
  const [first, again] = await Promise.all([send(CSV, { id }), send(CSV, { id })])
  expect([first.status, again.status, again.body]).toEqual([200, 200, first.body])
  expect(first.body.samples).toBe(4)
  const back = await inspector.call('GET', `/api/jobs/${jobId}/traces/${id}`)
  expect(back.headers.get('content-type')).toContain('text/csv')
  expect(await back.text()).toBe(CSV)
  expect((await send(`${CSV}90,1\r\n`, { id })).body.error.code).toBe('id-reused')
})

it.each([
  ['nothing', '', 'missing'],
  ['words', 'hello', 'missing'],
  ['a row that is no number', 't (s),x (W)\n0,1\n1,one\n', 'not-finite'],
  ['time that goes back', 't (s),x (W)\n1,1\n0,1\n', 'not-ascending'],
])('%s is refused with the reason, and nothing of it stays', async (_name, csv, code) => {
  const before = files().length
  const { status, body } = await send(csv)
  expect([status, body.error.code]).toEqual([400, code])
  expect(files().length).toBe(before)
})
const files = () =>
  readdirSync(join(server.dataDir, 'traces'), { recursive: true, withFileTypes: true }).filter((one) =>
    one.isFile(),
  )

it('an answer is taken only as the kept file says it: another outcome, moment or length is refused', async () => {
  const { body: kept } = await send(CSV.replace('6000', '6001'))
  const found = foundFrom(6001)
  const refused = async (change: object) =>
    (await inspector.append(jobId, answering(kept, { found, ...change }))).body.error?.code
  expect(await refused({ found: { ...found, settledAt: 11 } })).toBe('trace-differs')
  expect(await refused({ found: { ...found, settledAt: undefined } })).toBe('trace-differs')
  // How closely it was sampled, and how things stood before, are the file's word too.
  expect(await refused({ found: { ...found, seen: { ...found.seen, widestGap: 1 } } })).toBe('trace-differs')
  expect(await refused({ found: { ...found, seen: undefined } })).toBe('trace-differs')
  expect(await refused({ end: 79 })).toBe('trace-differs')
  expect(await refused({ eventAt: 200 })).toBe('out-of-range')
  expect(await refused({ channel: 'export' })).toBe('not-listed')
  expect(
    await refused({ trace: { ...kept, id: uuid(), startedAt: '2026-11-20T08:00:00Z', source: 'live' } }),
  ).toBe('unknown-trace')
  expect((await inspector.append(jobId, answering(kept, { found }))).status).toBe(200)
})

it('who may not write sends none, a sealed job takes none, and strangers to a job see none', async () => {
  const reviewer = await server.signIn('reviewer')
  expect((await send(CSV, { by: reviewer })).status).toBe(403)
  expect((await send(CSV, { job: sealedId })).body.error.code).toBe('sealed')
  const { body: kept } = await send(CSV)
  expect((await inspector.call('GET', `/api/jobs/${sealedId}/traces/${kept.id}`)).status).toBe(404)
})

it('a file that was changed or taken away beside the database is found broken', async () => {
  const { body: kept } = await send(CSV.replace('6000', '6002'))
  expect((await inspector.append(jobId, answering(kept, { found: foundFrom(6002) }))).status).toBe(200)
  const broken = async () =>
    (await server.get(ArchiveWork).verify(jobId)).filter((fault) => fault.includes(kept.id))
  expect(await broken()).toEqual([])
  const file = join(server.dataDir, 'traces', kept.sha256.slice(0, 2), `${kept.sha256}.csv.gz`)
  writeFileSync(file, gzipSync(CSV))
  expect(await broken()).toEqual([`trace ${kept.id} is not the one that was judged`])
  rmSync(file)
  expect(await broken()).toEqual([`trace ${kept.id} is gone`])
})
