// Thousands of jobs and many people at once: what one machine answers while it has much to do. `npm run bench -- many` takes some minutes.
import { mkdtempSync, readFileSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { createRequire } from 'node:module'
import sharp from 'sharp'
import { at } from '../scripts/shared.mjs'
import { table } from './reference.mjs'
import { fillJobs } from './many-jobs.mjs'
import { append, observation, percentile, repeated, serve, timed } from './serve.mjs'
import { uuid } from './site.mjs'

const { restoreBackup } = await import(
  createRequire(at('apps', 'server', 'package.json')).resolve('@plumb-mark/archive')
)
const JOBS = Number(process.env.BENCH_JOBS ?? 10_000)
const ENTRIES_EACH = 100

export async function run() {
  const folders = []
  const folder = async (jobs) => {
    const dir = mkdtempSync(join(tmpdir(), 'plumb-mark-many-'))
    folders.push(dir)
    const server = await serve(dir)
    await server.stop()
    fillJobs(dir, jobs, ENTRIES_EACH)
    return dir
  }
  try {
    const few = await listing(await serve(await folder(100)))
    const dir = await folder(JOBS)
    const began = performance.now()
    let server = await serve(dir)
    const started = performance.now() - began
    const first = await timed(() => server.get('/api/jobs'))
    const many = await listing(server, { keep: true })
    const search = percentile(
      await repeated(200, (i) =>
        server.get(`/api/jobs?q=${['site', 'barn 4', '77', 'torque', 'AH-8T'][i % 5]}%20${i % 10}`),
      ),
      95,
    )
    const memory = await visits(server)
    await server.stop()
    server = await serve(dir)
    const devices = await comeBack(server)
    const reports = await whileReports(server)
    const backup = await whileBackup(server, dir)
    await server.stop()
    table([
      [`start with ${JOBS} jobs`, `${Math.round(started)} ms`],
      [
        `list page p95, 100 and ${JOBS} jobs`,
        `${few.toFixed(1)} and ${many.toFixed(1)} ms, ${(many / few).toFixed(1)} times`,
        'at most 3 times',
      ],
      [`search in ${JOBS} jobs, p95`, `${search.toFixed(1)} ms`, 'under 60 ms'],
      [`first list after a restart, ${JOBS} jobs`, `${first.toFixed(0)} ms`, 'under 1 s'],
      [
        'memory after visiting 1 000 jobs, a minute later',
        `${memory.most} and ${memory.after} MB`,
        'under 350 MB',
      ],
      [
        '100 devices with 200 entries each',
        `${(devices.all / 1000).toFixed(1)} s, ${devices.kept} kept, others p99 ${devices.others.toFixed(0)} ms`,
        '60 s, all, under 1 s',
      ],
      [
        'ten reports with 60 photos: others’ p99 idle and meanwhile',
        `${reports.idle.toFixed(1)} and ${reports.busy.toFixed(1)} ms, ${(reports.busy / reports.idle).toFixed(1)} times in ${(reports.all / 1000).toFixed(0)} s`,
        'at most 1.5 times',
      ],
      [
        `backup of ${JOBS} jobs, 50 writing: writes’ p95 before and meanwhile`,
        `${backup.before.toFixed(0)} and ${backup.meanwhile.toFixed(0)} ms, ${backup.refused} refused, ${(backup.all / 1000).toFixed(0)} s, ${backup.restored} files verified`,
        '3 times, none',
      ],
    ])
  } finally {
    for (const dir of folders) rmSync(dir, { recursive: true, force: true })
  }
}

async function listing(server, { keep = false } = {}) {
  await repeated(20, () => server.get('/api/jobs'))
  const p95 = percentile(await repeated(200, (i) => server.get(`/api/jobs?offset=${(i % 2) * 50}`)), 95)
  if (!keep) await server.stop()
  return p95
}

/** Each job opened and written to once, as somebody works through them. */
async function visits(server) {
  const most = { mb: 0 }
  for (let offset = 0; offset < 1000; offset += 200) {
    const { jobs } = (await server.get(`/api/jobs?limit=200&offset=${offset}&sort=number`)).json()
    for (const { id } of jobs) {
      await server.get(`/api/jobs/${id}`)
      await append(server, id, [observation()])
      most.mb = Math.max(most.mb, rss(server.pid))
    }
  }
  await new Promise((resolve) => setTimeout(resolve, 60_000))
  return { most: most.mb, after: rss(server.pid) }
}

async function comeBack(server) {
  const jobs = await server.jobs(100)
  const others = []
  let going = true
  const looking = (async () => {
    while (going) others.push(await timed(() => server.get('/api/jobs')))
  })()
  const began = performance.now()
  const answers = await Promise.all(
    jobs.map(({ id }) => append(server, id, Array.from({ length: 200 }, observation))),
  )
  const all = performance.now() - began
  going = false
  await looking
  const kept = answers.reduce(
    (sum, answer) => sum + (answer.status === 200 ? answer.json().entries.length : 0),
    0,
  )
  return { all, kept, others: percentile(others, 99) }
}

async function whileReports(server) {
  const [job] = await server.jobs(1)
  const photos = []
  for (let i = 0; i < 60; i++) {
    const picture = await sharp({
      create: {
        width: 1600,
        height: 1200,
        channels: 3,
        background: { r: (i * 4) % 256, g: 120, b: 90 },
        noise: { type: 'gaussian', mean: 128, sigma: 20 },
      },
    })
      .jpeg({ quality: 80 })
      .toBuffer()
    const form = new FormData()
    form.append('photo', new Blob([picture]), 'photo.jpg')
    const id = uuid()
    photos.push({
      id,
      sha256: (await server.call('PUT', `/api/jobs/${job.id}/photos/${id}`, form)).json().sha256,
    })
  }
  const body = { point: 'inv-1/gasket/unit', seen: false, photos: photos.slice(0, 20) }
  await append(server, job.id, [{ ...observation(), body }])
  const bundle = (await server.get(`/api/jobs/${job.id}`)).json()
  const raised = bundle.entries.find(({ kind }) => kind === 'defect-raised')
  for (const part of [photos.slice(0, 20), photos.slice(20, 40), photos.slice(40)])
    await append(server, job.id, [
      {
        ...observation(),
        kind: 'defect-step',
        body: { defectId: raised.body.defectId, step: 'reworked', note: 'photos', photos: part },
      },
      {
        ...observation(),
        kind: 'defect-step',
        body: { defectId: raised.body.defectId, step: 'sent-back', note: 'again' },
      },
    ])
  const others = async (until) => {
    const times = []
    const end = performance.now() + 15_000
    while (until ? !until.done : performance.now() < end) {
      times.push(await timed(() => server.get('/api/jobs')))
      await new Promise((resolve) => setTimeout(resolve, 10))
    }
    return percentile(times, 99)
  }
  const idle = await others()
  const until = { done: false }
  const began = performance.now()
  const making = Promise.all(
    Array.from({ length: 10 }, () => server.get(`/api/jobs/${job.id}/report.pdf`)),
  ).then((answers) => {
    if (answers.some(({ status }) => status !== 200)) throw new Error('a report was not made')
    until.done = true
  })
  const busy = await others(until)
  await making
  return { idle, busy, all: performance.now() - began }
}

async function whileBackup(server, dir) {
  const jobs = await server.jobs(50)
  let going = true
  let refused = 0
  let times = []
  const writing = jobs.map(async ({ id }) => {
    while (going) {
      times.push(
        await timed(async () => {
          if ((await append(server, id, [observation()])).status !== 200) refused++
        }),
      )
    }
  })
  await new Promise((resolve) => setTimeout(resolve, 15_000))
  const before = percentile(times, 95)
  times = []
  const began = performance.now()
  const answer = await server.call('POST', '/api/office/backups', {}, 'office')
  const all = performance.now() - began
  const meanwhile = percentile(times, 95)
  going = false
  await Promise.all(writing)
  if (answer.status !== 204) throw new Error(`no backup: ${answer.status}`)
  const [name] = readdirSync(join(dir, 'backups'))
  const target = join(dir, 'restored')
  const { files } = await restoreBackup(join(dir, 'backups', name), target)
  return { before, meanwhile, refused, all, restored: files }
}

const rss = (pid) =>
  Math.round(Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))[1]) / 1024)
