import { join } from 'node:path'
import { Sqlite } from '../packages/archive/dist/index.js'
import { uuid } from './site.mjs'

const PLACES = ['barn', 'mill', 'quay', 'school', 'dairy', 'chapel', 'forge', 'depot']

/** Copies the first entries of the demo's job as often as is wanted, each copy a job of its own, with the rows that lists and searches read. */
export function fillJobs(dir, jobs, entriesEach) {
  const db = new Sqlite(join(dir, 'plumb-mark.sqlite'))
  db.pragma('synchronous = OFF')
  const source = db.prepare(`SELECT * FROM job_summaries WHERE number = 'PM-2611'`).get()
  const entries = db.prepare('SELECT * FROM entries WHERE jobId = ? ORDER BY seq').all(source.jobId)
  const raised = entries.filter(({ kind }) => kind === 'defect-raised').slice(0, 1)
  const wanted = [
    ...entries.slice(0, entriesEach - raised.length),
    ...raised.filter(({ seq }) => seq >= entriesEach),
  ].slice(0, entriesEach)
  const rowsOf = (name) => db.prepare(`SELECT * FROM ${name} WHERE jobId = ?`).all(source.jobId)
  const [stages, things, defects, sheets] = ['job_stages', 'job_things', 'job_defects', 'job_sheets'].map(
    rowsOf,
  )
  const search = db.prepare('SELECT * FROM job_search WHERE rowid = ?').get(source.n)
  const triggers = db
    .prepare(`SELECT name, sql FROM sqlite_master WHERE type = 'trigger' AND tbl_name IN ('entries', 'jobs')`)
    .all()
  for (const { name } of triggers) db.exec(`DROP TRIGGER ${name}`)
  const into = (name, row) => {
    const columns = Object.keys(row)
    return db.prepare(
      `INSERT INTO ${name} (${columns.map((column) => `"${column}"`).join(', ')}) VALUES (${columns.map(() => '?').join(', ')})`,
    )
  }
  const summary = without('n', source)
  const putJob = into('jobs', { id: 1, number: 1, changedAt: 1 })
  const putEntry = into('entries', entries[0])
  const putSummary = into('job_summaries', summary)
  const put = Object.fromEntries(
    [
      ['job_stages', stages],
      ['job_things', things.map((thing) => without('n', thing))],
      ['job_defects', defects],
      ['job_sheets', sheets],
    ].map(([name, rows]) => [name, { rows, statement: rows[0] && into(name, rows[0]) }]),
  )
  const putSearch = into('job_search', { rowid: 1, ...search })
  const first = JSON.parse(entries[0].body)
  db.exec('BEGIN')
  for (let i = 0; i < jobs; i++) {
    const jobId = uuid()
    const number = `B-${String(i).padStart(6, '0')}`
    const place = PLACES[i % PLACES.length]
    const title = `The ${place} ${i}`
    const site = `Site ${i % 997}, ${place} lane`
    const changedAt = new Date(Date.UTC(2024, 0, 1) + i * 3_600_000).toISOString()
    putJob.run(jobId, number, changedAt)
    wanted.forEach((entry, k) => {
      const body = k === 0 ? JSON.stringify({ ...first, number, title, site }) : entry.body
      putEntry.run(...Object.values({ ...entry, id: uuid(), jobId, seq: k + 1, body }))
    })
    const { lastInsertRowid } = putSummary.run(
      ...Object.values({ ...summary, jobId, number, title, site, changedAt }),
    )
    for (const { rows, statement } of Object.values(put))
      for (const row of rows)
        statement.run(
          ...Object.values({
            ...row,
            jobId,
            ...('serial' in row && row.serial && { serial: `${row.serial}-${i}` }),
          }),
        )
    putSearch.run(
      ...Object.values({
        rowid: lastInsertRowid,
        ...search,
        number,
        title,
        site,
        serials: `${search.serials} S-${i}`,
      }),
    )
    if (i % 500 === 499) db.exec('COMMIT; BEGIN')
  }
  db.exec('COMMIT')
  for (const { sql } of triggers) db.exec(sql)
  db.pragma('wal_checkpoint(TRUNCATE)')
  db.close()
}

const without = (name, row) => Object.fromEntries(Object.entries(row).filter(([key]) => key !== name))
