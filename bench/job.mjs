import { createServer } from 'node:net'
import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { at } from '../scripts/shared.mjs'
import { measured, ms, table } from './reference.mjs'
import { alternating, reading } from './entries.mjs'
import {
  applied,
  fold,
  inspect,
  inspectNext,
  readInspectionFile,
  sheetsById,
} from '../packages/core/dist/index.js'

/** The demo job in Node, the start of the built program, the size of what a browser loads first. */
export async function run() {
  const dataDir = mkdtempSync(join(tmpdir(), 'plumb-mark-bench-'))
  const { child, took: firstStart, address } = await start(dataDir)
  const record = await exported(address)
  child.kill()
  const { child: again, took, address: there } = await start(dataDir)
  const batch = await longBatch(there)
  again.kill()
  rmSync(dataDir, { recursive: true, force: true })
  const { entries, sheets } = readInspectionFile(record)
  const [state, byId] = [fold(entries), sheetsById(sheets)]
  const crowded = {
    ...state.asBuilt,
    units: [
      ...state.asBuilt.units,
      ...state.asBuilt.units.map((unit) => ({ ...unit, id: `${unit.id}-b`, place: undefined })),
      ...state.asBuilt.units.map((unit) => ({ ...unit, id: `${unit.id}-c`, place: undefined })),
    ],
  }
  const checks = inspect(state, byId, crowded).checks.length
  // As many checks as a large job has, with the evidence of the demo job, carried forward by one more reading.
  const large = inspect({ ...state, asBuilt: crowded }, byId)
  const one = reading(entries.length)
  const next = applied(large.state, [one])
  table([
    [
      `judge ${inspect(state, byId).checks.length} checks of the demo job, fold included`,
      ms(measured(() => inspect(fold(entries), byId), 101)),
      '',
    ],
    [
      `judge ${checks} checks for the first time, with their evidence`,
      ms(measured(() => inspect(state, byId, crowded), 101)),
      'under 8 ms',
    ],
    [
      `one reading appended to a job of ${large.checks.length} checks, judged`,
      ms(measured(() => inspectNext(large, applied(large.state, [one])), 301)),
      'under 1 ms',
    ],
    ['the same judged whole', ms(measured(() => inspect(next, byId), 101)), ''],
    [
      '400 alternating entries into a job of 5 000, one batch through the server',
      ms(batch.whole),
      'under 500 ms',
    ],
    ['the same as the first such batch after the start', ms(batch.first), ''],
    ['one reading through the server, answer included', ms(batch.single), ''],
    ['first start with the demo data, built', ms(firstStart), ''],
    ['start to first answer, built', ms(took), 'under 1.2 s'],
  ])
}

async function start(dataDir) {
  const port = await freePort()
  const began = performance.now()
  const child = spawn(
    process.execPath,
    [at('scripts', 'start.mjs'), '--data', dataDir, '--port', String(port)],
    { stdio: 'ignore' },
  )
  const address = `http://127.0.0.1:${port}`
  for (;;) {
    const answered = await fetch(address).catch(() => undefined)
    if (answered?.ok) return { child, took: performance.now() - began, address }
    await new Promise((resolve) => setTimeout(resolve, 15))
  }
}

/** A job of 5 000 entries, then one batch of things built and read by turns, and single readings. */
async function longBatch(address) {
  const { cookie, headers } = await signedIn(address)
  const { jobs } = await (await fetch(`${address}/api/jobs`, { headers: { cookie } })).json()
  const { id } = jobs.find(({ number }) => number === 'PM-2611')
  const send = async (entries) => {
    const answer = await fetch(`${address}/api/jobs/${id}/entries`, {
      method: 'POST',
      headers: { ...headers, cookie },
      body: JSON.stringify({ entries }),
    })
    if (!answer.ok) throw new Error(await answer.text())
  }
  for (let i = 0; i < 12; i++) await send(alternating(400, 'reading'))
  const alternatingBatch = async () => {
    const began = performance.now()
    await send(alternating(400))
    return performance.now() - began
  }
  const [first, whole] = [await alternatingBatch(), await alternatingBatch()]
  const singles = []
  for (let i = 0; i < 21; i++) {
    const start = performance.now()
    await send(alternating(1, 'reading'))
    singles.push(performance.now() - start)
  }
  return { first, whole, single: singles.sort((a, b) => a - b)[10] }
}

async function signedIn(address) {
  const headers = { 'x-plumb-mark': '1', 'content-type': 'application/json' }
  const answer = await fetch(`${address}/api/session`, {
    method: 'POST',
    headers,
    body: JSON.stringify({ email: 'inspector@plumb.example', password: 'plumb-demo' }),
  })
  return { headers, cookie: answer.headers.get('set-cookie').split(';')[0] }
}

async function exported(address) {
  const { cookie } = await signedIn(address)
  const { jobs } = await (await fetch(`${address}/api/jobs`, { headers: { cookie } })).json()
  const hatchery = jobs.find(({ number }) => number === 'PM-2611')
  return (await fetch(`${address}/api/jobs/${hatchery.id}/inspection.json`, { headers: { cookie } })).json()
}

function freePort() {
  return new Promise((resolve) => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address()
      server.close(() => resolve(port))
    })
  })
}
