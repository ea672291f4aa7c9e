import { join } from 'node:path'
import { setImmediate as turn } from 'node:timers/promises'
import { DataSource } from 'typeorm'
import { v7 as uuid } from 'uuid'
import { DATABASE_FILE, Sqlite } from '@plumb-mark/archive'
import { AuditRow } from '../audit/audit.entity.js'
import { RunningServer, torque, type Caller } from '../testing/running-server.testing.js'
import { Writer } from './writer.js'

let server: RunningServer
let inspector: Caller
let office: Caller
let jobId: string
/** Sees only what is committed, as whoever starts the program after a power cut. */
let afterPowerCut: Sqlite

beforeAll(async () => {
  server = await RunningServer.start()
  inspector = await server.signIn('inspector')
  office = await server.signIn('office')
  jobId = (await inspector.firstJob()).id
  afterPowerCut = new Sqlite(join(server.dataDir, DATABASE_FILE), { readonly: true })
})
afterAll(async () => {
  afterPowerCut.close()
  await server.stop()
})

const isCommitted = (id: string) =>
  afterPowerCut.prepare('SELECT 1 FROM entries WHERE id = ?').get(id) !== undefined

/** A long write of somebody else that is undone at its end, as one that is killed. */
const undone = () =>
  server
    .get(Writer)
    .inTransaction(async (db) => {
      for (let i = 0; i < 6; i++) {
        await db.insert(AuditRow, {
          at: '',
          action: 'imported',
          person: '',
          subject: 'undone',
          detail: '',
          address: '',
        })
        await turn()
      }
      throw new Error('the power is cut')
    })
    .catch(() => undefined)

/** Whatever else is written beside readings, refused in the middle of its transaction or right after it began. */
const FAILING: readonly (() => Promise<unknown>)[] = [
  undone,
  () =>
    office.call('POST', '/api/office/people/import', {
      people: [
        { name: 'New', email: `${uuid()}@plumb.example`, role: 'installer' },
        { name: 'Twice', email: 'office@plumb.example', role: 'office' },
      ],
    }),
  () =>
    office.call('PUT', `/api/visits/${uuid()}`, {
      jobId: uuid(),
      start: '2027-01-01T08:00:00Z',
      end: '2027-01-01T09:00:00Z',
      people: [],
      purpose: 'x',
    }),
  () =>
    server
      .get(Writer)
      .inTransaction((db) => db.query(`INSERT INTO instruments (id) VALUES ('half')`))
      .catch(() => undefined),
]

it('of 90 rounds in which others fail or are cut off, no acknowledged reading is taken back', async () => {
  const lost: string[] = []
  for (let round = 0; round < 90; round++) {
    const other = FAILING[round % FAILING.length]!()
    const readings = [torque(), torque('1.6 N·m', 1.6)]
    await Promise.all([
      other,
      ...readings.map(async (reading) => {
        const { status } = await inspector.append(jobId, reading)
        expect(status).toBe(200)
        if (!isCommitted(reading.id)) lost.push(reading.id)
      }),
    ])
  }
  expect(lost).toEqual([])
  const { n } = afterPowerCut.prepare(`SELECT count(*) AS n FROM audit WHERE subject = 'undone'`).get() as {
    n: number
  }
  expect(n).toBe(0)
}, 60_000)

it('what is not yet committed is seen by nobody', async () => {
  const seen: number[] = []
  await server.get(Writer).inTransaction(async (db) => {
    await db.query(`UPDATE job_summaries SET archived = 1`)
    seen.push((await inspector.jobs()).length)
    await db.query(`UPDATE job_summaries SET archived = 0`)
  })
  expect(seen).toEqual([3])
})

it('nothing is written but through the writer: the connection for reading refuses', async () => {
  await expect(server.get(DataSource).query(`DELETE FROM job_summaries`)).rejects.toThrow(/readonly/)
})

it('while another program holds the database a write is refused for now, others are answered meanwhile, and it is taken afterwards', async () => {
  const other = new Sqlite(join(server.dataDir, DATABASE_FILE))
  other.exec('BEGIN IMMEDIATE')
  const reading = torque()
  const sent = inspector.call('POST', `/api/jobs/${jobId}/entries`, { entries: [reading] })
  const began = Date.now()
  expect((await inspector.call('GET', '/health')).status).toBe(200)
  expect(Date.now() - began).toBeLessThan(1000)
  const refused = await sent
  expect([refused.status, refused.headers.get('retry-after')]).toEqual([503, '2'])
  other.exec('ROLLBACK')
  other.close()
  expect((await inspector.append(jobId, reading)).status).toBe(200)
})
