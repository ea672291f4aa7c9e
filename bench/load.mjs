// What others wait while one of them asks for much: each case beside people who look at the list. `npm run bench -- load` takes some minutes.
import { createHash } from 'node:crypto'
import { mkdtempSync, rmSync } from 'node:fs'
import { createRequire } from 'node:module'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import sharp from 'sharp'
import { at } from '../scripts/shared.mjs'
import { table } from './reference.mjs'
import { append, observation, percentile, serve, timed } from './serve.mjs'
import { uuid } from './site.mjs'

const require = createRequire(at('apps', 'server', 'package.json'))
const { sealKeyIn } = await import(require.resolve('@plumb-mark/archive'))
const { linked } = await import(require.resolve('@plumb-mark/core'))
const { ZipFile } = require('yazl')
const sha256 = (content) => createHash('sha256').update(content).digest('hex')

const LARGE = 12_000
const GOAL = 'under 250 ms'

export async function run() {
  const dir = mkdtempSync(join(tmpdir(), 'plumb-mark-load-'))
  const server = await serve(dir)
  try {
    const rows = []
    const row = async (what, work) => {
      const { p99, worst, all, note = '' } = await beside(server, work)
      rows.push([
        what,
        `others p99 ${p99.toFixed(0)}, worst ${worst.toFixed(0)} ms; ${(all / 1000).toFixed(1)} s${note}`,
        GOAL,
      ])
    }
    await row('nobody asks for much', () => new Promise((resolve) => setTimeout(resolve, 5000)))
    const sealed = await sealedWithPhotos(server, dir)
    await row('a sealed job with 20 large photos is opened five times', async () => {
      for (let i = 0; i < 5; i++) await server.get(`/api/jobs/${sealed}`)
    })
    const large = await largeJob(server, dir)
    await row(`a job of ${LARGE} entries is opened ten times at once`, () =>
      Promise.all(Array.from({ length: 10 }, () => server.get(`/api/jobs/${large}`))),
    )
    await row('it is written to by 500 at once', async () => {
      const answers = await Promise.all(
        Array.from({ length: 500 }, () => append(server, large, [observation()])),
      )
      const kept = answers.filter(({ status }) => status === 200).length
      return `, ${kept} of 500 kept${told(answers)}`
    })
    const job = await fallowmere(server)
    const picture = await noise(3000, 2250)
    await row('a hundred photos of 3 MB arrive', async () => {
      const answers = await Promise.all(Array.from({ length: 100 }, () => photo(server, job.id, picture)))
      return `, ${answers.filter(({ status }) => status === 200).length} of 100 kept${told(answers)}`
    })
    await row('fifty reports are asked for at once', async () => {
      const answers = await Promise.all(
        Array.from({ length: 50 }, () => server.get(`/api/jobs/${job.id}/report.pdf`)),
      )
      const made = answers.filter(({ status }) => status === 200).length
      return `, ${made} made, ${answers.filter(({ status }) => status === 503).length} told to come back`
    })
    table(rows)
  } finally {
    await server.stop()
    rmSync(dir, { recursive: true, force: true })
  }
}

/** What was not taken, and why: nobody should have to guess. */
function told(answers) {
  const other = answers.find(({ status }) => status !== 200)
  return other ? ` (${other.status} ${JSON.stringify(other.json()).slice(0, 120)})` : ''
}

/** What one who looks at the list waits meanwhile, ms. */
async function beside(server, work) {
  const waits = []
  let going = true
  const looking = (async () => {
    while (going) {
      waits.push(await timed(() => server.get('/api/jobs')))
      await new Promise((resolve) => setTimeout(resolve, 10))
    }
  })()
  const began = performance.now()
  const note = await work()
  const all = performance.now() - began
  going = false
  await looking
  return {
    p99: percentile(waits, 99),
    worst: Math.max(...waits),
    all,
    note: typeof note === 'string' ? note : '',
  }
}

/** The job of the demo that is worked on. */
const fallowmere = async (server) => (await server.jobs(10)).find(({ number }) => number === 'PM-2611')

const noise = (width, height) =>
  sharp({
    create: {
      width,
      height,
      channels: 3,
      background: '#888',
      noise: { type: 'gaussian', mean: 128, sigma: 30 },
    },
  })
    .jpeg({ quality: 78 })
    .toBuffer()

function photo(server, jobId, picture, id = uuid()) {
  const form = new FormData()
  form.append('photo', new Blob([picture]), 'photo.jpg')
  return server.call('PUT', `/api/jobs/${jobId}/photos/${id}`, form)
}

/** A sealed job that shows 20 photos of some 18 MB, brought in as what this installation signed itself. */
async function sealedWithPhotos(server, dir) {
  const { jobs } = (await server.get('/api/jobs?state=sealed')).json()
  const file = (await server.get(`/api/jobs/${jobs[0].id}/inspection.json`)).json()
  const pictures = []
  for (let i = 0; i < 20; i++) {
    const content = await noise(5200 + i, 3900)
    const id = uuid()
    const size = { width: 5200 + i, height: 3900 }
    const file = `photos/${id}.jpg`
    pictures.push({
      content,
      row: {
        id,
        sha256: sha256(content),
        type: 'image/jpeg',
        ...size,
        file,
        personId: 'p',
        keptAt: '2026-01-01T00:00:00Z',
      },
    })
  }
  const opening = { ...file.entries[0], body: { ...file.entries[0].body, number: 'B-SEALED' } }
  const signed = file.entries.at(-1)
  const shown = {
    ...observation(),
    at: opening.at,
    body: {
      point: 'inv-1/gasket/unit',
      seen: true,
      photos: pictures.map(({ row: { id, sha256 } }) => ({ id, sha256 })),
    },
  }
  const wanted = [opening, shown].map(({ kind, at, body }) => ({ id: uuid(), kind, at, body }))
  return imported(server, dir, file, wanted, { signed, pictures })
}

/** A job of many entries. */
async function largeJob(server, dir) {
  const job = await fallowmere(server)
  const file = (await server.get(`/api/jobs/${job.id}/inspection.json`)).json()
  const opening = { ...file.entries[0], body: { ...file.entries[0].body, number: 'B-LARGE' } }
  const fitted = file.entries.filter(({ kind }) => kind === 'unit-fitted')
  const wanted = [opening, ...fitted].map(({ kind, at, body }) => ({ id: uuid(), kind, at, body }))
  while (wanted.length < LARGE) wanted.push(observation())
  return imported(server, dir, file, wanted)
}

/** A job as a file that this installation signed itself, imported. */
async function imported(server, dir, file, wanted, { signed, pictures = [] } = {}) {
  const id = uuid()
  const by = file.entries[0].by
  const entries = []
  for (const entry of wanted) entries.push(linked(entry, id, by, entries.at(-1), sha256))
  if (signed) {
    const body = { ...signed.body, sealedHead: entries.at(-1).hash }
    entries.push(
      linked({ id: uuid(), kind: 'signed', at: signed.at, body }, id, signed.by, entries.at(-1), sha256),
    )
  }
  const record = {
    ...file,
    broken: undefined,
    jobId: id,
    entries,
    attested: sealKeyIn(dir).attest(id, entries.at(-1)),
  }
  const form = new FormData()
  form.append('zip', new Blob([await zipOf(record, pictures)]), 'job.zip')
  const preview = (await server.call('POST', '/api/imports', form, 'office')).json()
  const answer = await server.call('POST', `/api/imports/${preview.id}`, { as: 'job' }, 'office')
  if (answer.status !== 200) throw new Error(JSON.stringify([preview.faults, answer.json()]))
  return id
}

async function zipOf(record, pictures) {
  const inspection = Buffer.from(JSON.stringify(record))
  const manifest = {
    format: 'plumb-mark-job',
    version: 1,
    jobId: record.jobId,
    number: '',
    title: '',
    head: record.entries.at(-1).hash,
    photos: pictures.map(({ row }) => row),
    traces: [],
    files: [
      { name: 'inspection.json', sha256: sha256(inspection) },
      ...pictures.map(({ row }) => ({ name: row.file, sha256: row.sha256 })),
    ],
  }
  const zip = new ZipFile()
  zip.addBuffer(Buffer.from(JSON.stringify(manifest)), 'manifest.json')
  zip.addBuffer(inspection, 'inspection.json')
  for (const { row, content } of pictures) zip.addBuffer(content, row.file, { compress: false })
  zip.end()
  const parts = []
  for await (const part of zip.outputStream) parts.push(part)
  return Buffer.concat(parts)
}
