import { createServer } from 'node:net'
import { spawn } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { gzipSync } from 'node:zlib'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { at } from '../scripts/shared.mjs'
import { measured, ms, table } from './reference.mjs'
import { fold, inspect, readInspectionFile, sheetsById } from '../packages/core/dist/index.js'

/** The demo job in Node, the start of the built program, the size of what a browser loads first. */
export async function run() {
  const dataDir = mkdtempSync(join(tmpdir(), 'plumb-mark-bench-'))
  const { child, took: firstStart, address } = await start(dataDir)
  const record = await exported(address)
  child.kill()
  const { child: again, took } = await start(dataDir)
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
  table([
    [
      `judge ${inspect(state, byId).checks.length} checks of the demo job, fold included`,
      ms(measured(() => inspect(fold(entries), byId), 101)),
      '',
    ],
    [`judge ${checks} checks`, ms(measured(() => inspect(state, byId, crowded), 101)), 'under 3 ms for 200'],
    ['first start with the demo data, built', ms(firstStart), ''],
    ['start to first answer, built', ms(took), 'under 3 s'],
    ['first-load JavaScript, gzip', `${(firstLoad() / 1024).toFixed(0)} kB`, 'under 260 kB'],
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

async function exported(address) {
  const headers = { 'x-plumb-mark': '1', 'content-type': 'application/json' }
  const signedIn = await fetch(`${address}/api/session`, {
    method: 'POST',
    headers,
    body: JSON.stringify({ email: 'inspector@plumb.example', password: 'plumb-demo' }),
  })
  const cookie = signedIn.headers.get('set-cookie').split(';')[0]
  const jobs = await (await fetch(`${address}/api/jobs`, { headers: { cookie } })).json()
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

/** The script of the page and all that it imports at once. */
function firstLoad() {
  const assets = at('apps', 'web', 'dist', 'assets')
  const page = readFileSync(at('apps', 'web', 'dist', 'index.html'), 'utf8')
  const seen = new Set()
  const visit = (name) => {
    if (seen.has(name)) return
    seen.add(name)
    for (const [, next] of readFileSync(join(assets, name), 'utf8').matchAll(
      /(?:^|[;}])import(?:[^"'()]*?from)?["']\.\/([^"']+\.js)["']/g,
    ))
      visit(next)
  }
  for (const [, name] of page.matchAll(/\/assets\/([^"]+\.js)/g)) visit(name)
  return [...seen].reduce((sum, name) => sum + gzipSync(readFileSync(join(assets, name))).length, 0)
}
