// The jobs of the demo as records, for installations that are worked with: `node scripts/sample-records.mjs` after a sample job has changed,
// with a built server.
import { spawn } from 'node:child_process'
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { at } from './shared.mjs'

const PORT = 4317
const ADDRESS = `http://127.0.0.1:${PORT}`
const FOLDER = at('samples', 'records')
const HEADERS = { 'x-plumb-mark': '1', 'content-type': 'application/json' }

const dataDir = mkdtempSync(join(tmpdir(), 'plumb-mark-records-'))
const server = spawn(
  process.execPath,
  [at('apps', 'server', 'bundle', 'main.js'), '--port', String(PORT), '--data', dataDir, '--demo'],
  { stdio: ['ignore', 'pipe', 'inherit'] },
)
try {
  await new Promise((resolve, reject) => {
    server.stdout.on('data', (text) => String(text).includes(ADDRESS) && resolve())
    server.on('exit', (code) => reject(new Error(`the server ended with ${code}`)))
  })
  const body = JSON.stringify({ email: 'office@plumb.example', password: 'plumb-demo' })
  const signedIn = await fetch(`${ADDRESS}/api/session`, { method: 'POST', headers: HEADERS, body })
  const cookie = signedIn.headers
    .getSetCookie()
    .map((one) => one.split(';')[0])
    .join('; ')
  const ask = (path) => fetch(ADDRESS + path, { headers: { ...HEADERS, cookie } })
  const { jobs } = await (await ask('/api/jobs')).json()
  rmSync(FOLDER, { recursive: true, force: true })
  mkdirSync(FOLDER)
  for (const { id, number } of jobs) {
    const zip = Buffer.from(await (await ask(`/api/jobs/${id}/record.zip`)).arrayBuffer())
    writeFileSync(join(FOLDER, `${number.toLowerCase()}.zip`), zip)
    console.log(`${number}: ${Math.round(zip.length / 1000)} kB`)
  }
} finally {
  server.removeAllListeners('exit')
  server.kill()
  rmSync(dataDir, { recursive: true, force: true })
}
