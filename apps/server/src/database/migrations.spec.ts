import type { DataSource } from 'typeorm'
import { RunningServer } from '../testing/running-server.testing.js'
import { RebuildService } from '../lists/rebuild.service.js'

let server: RunningServer
beforeAll(async () => void (server = await RunningServer.start()))
afterAll(() => server.stop())

/** Back to before there were rows for lists, and for the clauses beside them. */
async function undoLists(db: DataSource): Promise<void> {
  const dues = `SELECT name FROM pragma_table_info('job_defects') WHERE name IN ('due', 'dueUntil')`
  await db.undoLastMigration({ transaction: 'all' })
  expect(await db.query(dues)).toEqual([{ name: 'due' }])
  await db.undoLastMigration({ transaction: 'all' })
  expect(await db.query(dues)).toEqual([])
  await db.undoLastMigration({ transaction: 'all' })
  expect(await db.query(`SELECT name FROM pragma_table_info('sheets') WHERE name = 'releasedBy'`)).toEqual([])
  for (const table of ['records', 'job_clauses', 'job_things']) {
    await db.undoLastMigration({ transaction: 'all' })
    expect(await db.query('SELECT name FROM sqlite_master WHERE name = ?', [table])).toEqual([])
  }
}

it('a database of before the lists is brought up to date with everything in it: jobs, seals, photos, people, and what lists say', async () => {
  const said = async () => {
    const office = await server.signIn('office')
    const get = async (path: string) => (await office.json('GET', path)).body
    const jobs = await office.jobs()
    return {
      jobs: await get('/api/jobs?q=a'),
      defects: await get('/api/defects?state=all'),
      things: await get('/api/things'),
      patterns: await get('/api/patterns?by=clause'),
      people: await get('/api/office/people'),
      records: await Promise.all(jobs.map(async ({ id }) => (await office.bundle(id)).body)),
    }
  }
  const before = await said()
  const db = server.database
  await undoLists(db)
  // What an older program left behind: a list row of its own, and a session without a name.
  await db.query(`INSERT INTO job_summaries SELECT id, 1, '{}' FROM jobs`)
  await server.restart()
  await server.get(RebuildService).settled()
  expect(await said()).toEqual(before)
  expect(await server.database.query('PRAGMA foreign_key_check')).toEqual([])
})

it('until a job of before has been judged again it is listed by what its first entry says', async () => {
  const db = server.database
  await undoLists(db)
  await db.runMigrations({ transaction: 'all' })
  const rows = (await db.query(
    'SELECT number, title, version FROM job_summaries ORDER BY number',
  )) as object[]
  expect(rows).toMatchObject([
    { number: 'PM-2598', title: expect.stringContaining('Skerry') as string, version: 0 },
    { number: 'PM-2611', version: 0 },
    { number: 'PM-2618', version: 0 },
  ])
})
