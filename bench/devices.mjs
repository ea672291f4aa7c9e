import { execFileSync, spawn } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import { v7 as uuid } from 'uuid'
import { CHROMIUM, at } from '../scripts/shared.mjs'
import { median, ms, table, time } from './reference.mjs'
import { reducedForDrawing, traceFacts, writeTrace } from '../packages/core/dist/index.js'

const PORT = 4397
const FIRST_PORT = 17_020
const MILLION = 1_000_000
const HEADERS = { 'x-plumb-mark': '1' }
const TICKS_PER_SECOND = 100

const sleep = (milliseconds) => new Promise((resolve) => setTimeout(resolve, milliseconds))

/** Devices that answer: from the device to the screen, many at once, and long traces. */
export async function run() {
  const dataDir = mkdtempSync(join(tmpdir(), 'plumb-mark-bench-'))
  const program = (name, ...args) =>
    spawn(process.execPath, [at('apps', name, name === 'server' ? 'bundle' : 'dist', 'main.js'), ...args], {
      stdio: ['pipe', 'ignore', 'ignore'],
    })
  const server = program('server', '--data', dataDir, '--port', String(PORT), '--simulated-devices')
  const parks = [0, 1, 2, 3].map((i) => program('devices', '--first-port', String(FIRST_PORT + 200 * i)))
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  })
  try {
    const page = await signedIn(browser)
    const job = await page.request
      .get('/api/jobs')
      .then((answer) => answer.json())
      .then(({ jobs }) => jobs.find(({ number }) => number === 'PM-2611'))
    await connectTo(page, job.id, FIRST_PORT)
    const screen = await toScreen(page, job.id)
    const cpu = await manyAtOnce(page, server.pid)
    const { judged, drawn, frame, bytes } = await longTraces(page, job.id)
    table([
      ['a load switched at the device until the screen shows it', ms(screen), 'under 1500 ms'],
      ['32 devices at once a second, of one core of the server', `${cpu.toFixed(1)} %`, 'under 15 %'],
      ['1 000 000 samples judged and reduced', ms(judged), ''],
      [
        'the same from the server’s file to the chart, all of it',
        ms(drawn),
        'under 300 ms to judge and draw',
      ],
      ['longest frame meanwhile', ms(frame), 'at most 50 ms'],
      ['two hours at one a second, two columns, on disk', `${(bytes / 1000).toFixed(1)} kB`, 'under 150 kB'],
    ])
  } finally {
    await browser.close()
    for (const child of [server, ...parks]) child.kill()
    await sleep(500)
    rmSync(dataDir, { recursive: true, force: true })
  }
}

async function signedIn(browser) {
  const page = await (
    await browser.newContext({ baseURL: `http://127.0.0.1:${PORT}`, viewport: { width: 1280, height: 800 } })
  ).newPage()
  for (let i = 0; i < 100; i++) {
    if (await page.goto('/').catch(() => undefined)) break
    await sleep(300)
  }
  await page.getByLabel('E-mail').fill('inspector@plumb.example')
  await page.getByLabel('Password').fill('plumb-demo')
  await page.getByRole('button', { name: 'Sign in' }).click()
  await page.getByRole('heading', { name: 'Jobs' }).waitFor()
  return page
}

const entry = (kind, body) => ({ id: uuid(), kind, at: new Date().toISOString(), body })
const append = async (page, jobId, entries) => {
  const answer = await page.request.post(`/api/jobs/${jobId}/entries`, {
    headers: HEADERS,
    data: { entries },
  })
  if (!answer.ok()) throw new Error(await answer.text())
}

/** The demo job asks the stand-ins of this bench instead of those of `npm start`. */
async function connectTo(page, jobId, firstPort) {
  const { entries } = await (await page.request.get(`/api/jobs/${jobId}`)).json()
  const before = entries.filter(({ kind }) => kind === 'device-connected')
  const moved = before.map(({ body }, i) => entry('device-connected', { ...body, port: firstPort + i }))
  await append(page, jobId, moved)
}

const hand = (what) =>
  execFileSync(process.execPath, [
    at('apps', 'devices', 'dist', 'main.js'),
    '--first-port',
    String(FIRST_PORT),
    '--throw',
    what,
  ])

async function toScreen(page, jobId) {
  await page.goto(`/jobs/${jobId}/walk/meter`)
  const proof = page.getByRole('region', { name: 'Proof by a known load' })
  await proof.waitFor({ timeout: 20_000 })
  const shown = () => proof.getByText(/ W$/).first().textContent()
  const times = []
  for (let i = 0; i < 8; i++) {
    const before = await shown()
    hand(`fallowmere-meter:load-1=${i % 2 === 0 ? 'on' : 'off'}`)
    const began = performance.now()
    while ((await shown()) === before) await sleep(10)
    times.push(performance.now() - began)
  }
  return Math.max(...times)
}

/** CPU time of the server while one job listens to 32 devices. */
async function manyAtOnce(page, pid) {
  const library = await (await page.request.get('/api/sheets')).json()
  const pin = library.find(({ id }) => id === 'aldervane-ah-8t-c')
  const { entries } = await (
    await page.request
      .get('/api/jobs')
      .then((answer) => answer.json())
      .then(({ jobs }) => page.request.get(`/api/jobs/${jobs[0].id}`))
  ).json()
  const jobId = uuid()
  const pinned = {
    id: pin.id,
    maker: pin.maker,
    model: pin.model,
    revision: pin.revision,
    fingerprint: pin.fingerprint,
  }
  const ports = [0, 1, 2, 3].flatMap((park) =>
    [0, 1, 2, 3, 4, 5, 6, 7].map((i) => FIRST_PORT + 200 * park + i),
  )
  await append(page, jobId, [
    entry('job-opened', { ...entries[0].body, number: 'PM-32', title: 'Many devices', sheets: [pinned] }),
    ...ports.map((port, i) => entry('unit-fitted', { id: `u${i}`, label: `Unit ${i}`, sheetId: pin.id })),
    ...ports.map((port, i) =>
      entry('device-connected', { id: uuid(), unitId: `u${i}`, host: '127.0.0.1', port, address: 1 }),
    ),
  ])
  await page.goto(`/jobs/${jobId}/walk/commission`)
  await page.getByText('32 of 32 devices answer').waitFor({ timeout: 30_000 })
  await sleep(5000)
  const before = cpuSeconds(pid)
  await sleep(20_000)
  return ((cpuSeconds(pid) - before) / 20) * 100
}

function cpuSeconds(pid) {
  const fields = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1].split(' ')
  return (Number(fields[11]) + Number(fields[12])) / TICKS_PER_SECOND
}

/** A trace of a million samples: judged by itself, and shown from the server's file; and what two hours take on disk. */
async function longTraces(page, jobId) {
  const t = Float64Array.from({ length: MILLION }, (_, i) => i / 10)
  const power = t.map((at) =>
    at < 50_000 ? 6000 + 50 * Math.sin(at) : Math.max(0, 6000 - (at - 50_000) * 800),
  )
  const by = { limit: 0, tolerance: 100, settleWithin: 10, must: 'stay-under' }
  const judge = () => (traceFacts({ t, values: power }, 50_000, by), reducedForDrawing(t, power, 300))
  judge()
  const judged = median(Array.from({ length: 7 }, () => time(judge)))
  const rounded = power.map((value) => Math.round(value))
  const keep = async (csv) => {
    const answer = await page.request.put(`/api/jobs/${jobId}/traces/${uuid()}`, {
      headers: HEADERS,
      multipart: { trace: { name: 't.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) } },
    })
    if (!answer.ok()) throw new Error(await answer.text())
    return answer.json()
  }
  const channels = [{ name: 'inverter', unit: 'W' }]
  const kept = await keep(writeTrace({ channels, t, values: [rounded] }))
  const found = traceFacts({ t, values: rounded, unit: 'W' }, 50_000, by)
  const ref = {
    id: kept.id,
    sha256: kept.sha256,
    samples: kept.samples,
    startedAt: '2026-06-01T08:00:00Z',
    source: 'file',
  }
  const answer = { trace: ref, channel: 'inverter', eventAt: 50_000, end: t.at(-1), by, found }
  await append(page, jobId, [entry('record', { point: 'inv-1/fallback/unit', answer })])
  const { drawn, frame } = await shown(page, jobId)
  const hours = Array.from(
    { length: 7200 },
    (_, i) => `${i},${5000 + ((i * 7919) % 613)},${-3000 + ((i * 104_729) % 887)}`,
  )
  const { bytes } = await keep(`t (s),inverter (W),export (W)\r\n${hours.join('\r\n')}\r\n`)
  return { judged, drawn, frame, bytes }
}

/** From asking for the file to the chart, and the longest task of the screen's thread meanwhile. */
async function shown(page, jobId) {
  await page.goto(`/jobs/${jobId}/walk/power-up`)
  await page.getByRole('heading', { name: 'Power up' }).waitFor()
  await page.evaluate(() => {
    window.tasks = []
    const see = (list) =>
      window.tasks.push(...list.getEntries().map(({ startTime, duration }) => ({ startTime, duration })))
    new PerformanceObserver(see).observe({ entryTypes: ['longtask'] })
  })
  await page.getByRole('navigation', { name: 'Stages of the walk' }).getByText('Commission').click()
  const part = page.getByRole('region', { name: /^Fallback when.*Inverter 1/ })
  await part.waitFor()
  const began = performance.now()
  // The stage is drawn while the worker still reads: what that takes is not the trace's.
  const stage = await page.evaluate(() => performance.now() + 400)
  await part.getByRole('img').waitFor()
  const drawn = performance.now() - began
  await sleep(300)
  const tasks = await page.evaluate(() => window.tasks)
  const after = tasks.filter(({ startTime }) => startTime > stage).map(({ duration }) => duration)
  return { drawn, frame: Math.max(0, ...after) }
}
