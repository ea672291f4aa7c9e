import { report } from '../apps/server/dist/exchange/report/report.js'
import { fold, inspect, sheetsById } from '../packages/core/dist/index.js'
import { USUAL_PARTS } from '../packages/report/dist/index.js'
import { median, ms, table } from './reference.mjs'
import { withServer } from './server.mjs'

const PORT = 4397
const RUNS = 5
/** Taken out of the demo job, about 250 checks are left of it. */
const WITHOUT = 'inv-2'

/** How long the report of a job is, and how long it takes: the demo job whole, and one of about 250 checks, without photos. */
export async function run() {
  const { entries, sheets } = await demoJob()
  const last = entries.at(-1)
  const removed = { ...last, id: 'gone', seq: last.seq + 1, kind: 'unit-removed', body: { unitId: WITHOUT } }
  const later = { ...removed, at: new Date(Date.parse(last.at) + 60_000).toISOString() }
  const rows = []
  for (const [name, all] of [
    ['the demo job', entries],
    ['the same with one inverter', [...entries, later]],
  ]) {
    const inspection = inspect(fold(all), sheetsById(sheets))
    const wish = { parts: USUAL_PARTS.record, paper: 'a4', letterhead: { name: '', lines: [] } }
    const record = {
      inspection,
      broken: [],
      keyFingerprint: '',
      reworkAddress: 'https://plumb.example/rework',
    }
    let pdf
    const took = []
    for (let i = 0; i < RUNS; i++) {
      const began = performance.now()
      pdf = await report(record, wish, () => Promise.reject(new Error('no photos here')))
      took.push(performance.now() - began)
    }
    const pages = pdf.toString('latin1').match(/\/Type \/Page\b/g).length
    rows.push([
      `report of ${name}, ${inspection.checks.length} checks`,
      `${pages} pages, ${ms(median(took))}; the first ${ms(took[0])}`,
      '14 pages, 1.5 s for 252 checks',
    ])
  }
  table(rows)
}

const demoJob = () =>
  withServer(PORT, async (address) => {
    for (;;) {
      const up = await fetch(`${address}/health`).then(
        ({ ok }) => ok,
        () => false,
      )
      if (up) break
      await new Promise((next) => setTimeout(next, 200))
    }
    const headers = { 'x-plumb-mark': '1', 'content-type': 'application/json' }
    const signedIn = await fetch(`${address}/api/session`, {
      method: 'POST',
      headers,
      body: JSON.stringify({ email: 'inspector@plumb.example', password: 'plumb-demo' }),
    })
    const cookie = signedIn.headers
      .getSetCookie()
      .map((one) => one.split(';')[0])
      .join('; ')
    const get = async (path) => (await fetch(address + path, { headers: { ...headers, cookie } })).json()
    const { jobs } = await get('/api/jobs')
    return get(`/api/jobs/${jobs.find(({ number }) => number === 'PM-2611').id}`)
  })
