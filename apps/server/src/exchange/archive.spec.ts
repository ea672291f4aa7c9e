import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import sharp from 'sharp'
import { v7 as uuid } from 'uuid'
import { ZipFile } from 'yazl'
import type { ImportPreview } from '@plumb-mark/contract'
import { openArchivedJob } from '@plumb-mark/archive'
import { EntriesService } from '../entries/entries.service.js'
import { entry, RunningServer, type Caller } from '../testing/running-server.testing.js'

const folder = mkdtempSync(join(tmpdir(), 'plumb-mark-zip-'))
const ADA = { name: 'Ada', email: 'ada@plumb.example', password: 'three brass bobs' }
let here: RunningServer
let there: RunningServer
let inspector: Caller
let office: Caller
let elsewhere: Caller
let jobId: string

beforeAll(async () => {
  here = await RunningServer.start()
  there = await RunningServer.empty()
  await there.stranger().call('POST', '/api/first-account', ADA)
  elsewhere = await there.signInAs(ADA)
  inspector = await here.signIn('inspector')
  office = await here.signIn('office')
  jobId = (await inspector.firstJob()).id
})
afterAll(async () => {
  await here.stop()
  await there.stop()
  rmSync(folder, { recursive: true, force: true })
})

const zipOf = async (id: string, by = inspector) =>
  Buffer.from(await (await by.call('GET', `/api/jobs/${id}/record.zip`)).arrayBuffer())
const send = async (zip: Buffer, to = elsewhere) => {
  const form = new FormData()
  form.append('zip', new Blob([new Uint8Array(zip)]), 'record.zip')
  return to.json<ImportPreview & { error?: { code: string; path?: string } }>('POST', '/api/imports', form)
}
const take = (id: string, as = 'job', to = elsewhere) =>
  to.json<ImportPreview & { error?: { code: string } }>('POST', `/api/imports/${id}`, { as })
const onDisk = (zip: Buffer) => {
  const file = join(folder, `${uuid()}.zip`)
  writeFileSync(file, zip)
  return file
}
/** Somebody who would add a photo or a trace. */
const reader = { id: 'x', name: 'X', role: 'inspector' as const }
const note = (seen = true) => entry('observation', { point: 'inv-1/gasket/unit', seen })

it('everything of a job leaves in one ZIP, the same bytes each time, and is whole', async () => {
  const picture = await sharp({ create: { width: 90, height: 60, channels: 3, background: '#c8b68a' } })
    .png()
    .toBuffer()
  const id = uuid()
  const form = new FormData()
  form.append('photo', new Blob([new Uint8Array(picture)]), 'photo.png')
  const { body: kept } = await inspector.json<{ sha256: string }>(
    'PUT',
    `/api/jobs/${jobId}/photos/${id}`,
    form,
  )
  const shown = entry('observation', {
    point: 'inv-1/gasket/unit',
    seen: true,
    photos: [{ id, sha256: kept.sha256 }],
  })
  expect((await inspector.append(jobId, shown)).status).toBe(200)
  const zip = await zipOf(jobId)
  expect(zip.equals(await zipOf(jobId))).toBe(true)
  const archived = await openArchivedJob(onDisk(zip))
  archived.zip.close()
  expect([archived.faults, archived.manifest.photos.length]).toEqual([[], expect.any(Number)])
  expect(archived.manifest.photos.length).toBeGreaterThan(3)
  expect([...archived.zip.names]).toEqual(
    expect.arrayContaining(['inspection.json', 'record.html', 'public-key.pem', `photos/${id}.png`]),
  )
})

it('elsewhere it is looked at first, then opened with nothing lost: it leaves again byte for byte', async () => {
  const zip = await zipOf(jobId)
  const { body: preview } = await send(zip)
  expect(preview).toMatchObject({
    number: 'PM-2611',
    meeting: { kind: 'new' },
    faults: [],
    sealed: false,
    key: { ours: false },
  })
  expect((await elsewhere.jobs()).length).toBe(0)
  expect((await take(preview.id)).status).toBe(200)
  const [job] = await elsewhere.jobs()
  expect(job).toMatchObject({ id: jobId, waitingFor: expect.stringContaining('the inspector') as string })
  const again = await openArchivedJob(onDisk(await zipOf(jobId, elsewhere)))
  const before = await openArchivedJob(onDisk(zip))
  for (const name of before.zip.names) {
    // Each installation gives its own word for an open record.
    if (['public-key.pem', 'inspection.json', 'manifest.json'].includes(name)) continue
    expect((await again.zip.read(name)).equals(await before.zip.read(name))).toBe(true)
  }
  expect(again.file.entries).toEqual(before.file.entries)
  expect(again.faults).toEqual([])
  const small = await elsewhere.call(
    'GET',
    `/api/jobs/${jobId}/photos/${again.manifest.photos[0]!.id}?size=small`,
  )
  expect(small.status).toBe(200)
  again.zip.close()
  before.zip.close()
})

it('a sealed record leaves and comes byte for byte, keeps the seal of who signed, and is intact there', async () => {
  const sealed = (await inspector.jobs()).find((job) => job.sealed)!
  const zip = await zipOf(sealed.id)
  const { body: preview } = await send(zip)
  expect(preview).toMatchObject({ sealed: true, meeting: { kind: 'new' } })
  expect(await take(preview.id, 'record')).toMatchObject({ status: 200 })
  expect((await zipOf(sealed.id, elsewhere)).equals(zip)).toBe(true)
  expect((await elsewhere.bundle(sealed.id)).body.broken).toEqual([])
})

it('work goes on from where it stands: what was added since continues it, what is older changes nothing', async () => {
  const before = await zipOf(jobId)
  await inspector.append(jobId, note())
  const { body: more } = await send(await zipOf(jobId))
  expect(more.meeting).toMatchObject({
    kind: 'extends',
    added: [{ by: 'Ottilie Marsh', kind: 'observation' }],
  })
  expect(await take(more.id)).toMatchObject({ status: 200 })
  const count = async (by: Caller) => (await by.bundle(jobId)).body.entries.length
  expect(await count(elsewhere)).toBe(await count(inspector))
  const { body: older } = await send(before)
  expect(older.meeting).toEqual({ kind: 'older', missing: 1 })
  expect((await take(older.id)).status).toBe(200)
  expect(await count(elsewhere)).toBe(await count(inspector))
})

it('two that went on by themselves are shown beside each other and never merged', async () => {
  await inspector.append(jobId, note())
  const added = await elsewhere.json('POST', `/api/jobs/${jobId}/entries`, {
    entries: [entry('job-amended', { title: 'Fallowmere, renamed there' })],
  })
  expect(added.status).toBe(200)
  const { body: fork } = await send(await zipOf(jobId))
  expect(fork.meeting).toMatchObject({
    kind: 'fork',
    here: [{ by: 'Ada' }],
    there: [{ by: 'Ottilie Marsh' }],
  })
  const was = (await elsewhere.bundle(jobId)).body.entries
  expect(await take(fork.id)).toMatchObject({ status: 409, body: { error: { code: 'fork' } } })
  expect((await elsewhere.bundle(jobId)).body.entries).toEqual(was)
})

it('imported to be read, it takes nothing, and says so', async () => {
  const third = await RunningServer.empty()
  await third.stranger().call('POST', '/api/first-account', ADA)
  const ada = await third.signInAs(ADA)
  const { body: preview } = await send(await zipOf(jobId), ada)
  await take(preview.id, 'record', ada)
  expect(
    await ada.json('POST', `/api/jobs/${jobId}/entries`, { entries: [entry('job-amended', { title: 'x' })] }),
  ).toMatchObject({ status: 409, body: { error: { code: 'read-only' } } })
  await expect(third.get(EntriesService).requireOpen(reader, jobId)).rejects.toMatchObject({
    code: 'read-only',
  })
  await third.stop()
})

describe('what was tampered with is told and not taken', () => {
  const changed = async (
    change: (name: string, content: Buffer) => Buffer | undefined,
    extra?: [string, string],
  ) => {
    const source = await openArchivedJob(onDisk(await zipOf(jobId)))
    const zip = new ZipFile()
    for (const name of source.zip.names) {
      const content = change(name, await source.zip.read(name))
      if (content) zip.addBuffer(content, name)
    }
    if (extra) zip.addBuffer(Buffer.from(extra[1]), extra[0])
    zip.end()
    source.zip.close()
    const parts: Buffer[] = []
    for await (const part of zip.outputStream) parts.push(part as Buffer)
    return Buffer.concat(parts)
  }
  it.each<[string, (name: string, content: Buffer) => Buffer | undefined, string]>([
    [
      'a photo with one byte more',
      (name, c) => (name.startsWith('photos/') ? Buffer.concat([c, c.subarray(0, 1)]) : c),
      'file-changed',
    ],
    ['a photo that is gone', (name, c) => (name.startsWith('photos/') ? undefined : c), 'file-absent'],
    [
      'a reading that was put otherwise',
      (name, c) =>
        name === 'inspection.json' ? Buffer.from(c.toString().replace('"seen": true', '"seen": false')) : c,
      'file-changed',
    ],
  ])('%s', async (_what, change, fault) => {
    const { body } = await send(await changed(change), office)
    expect(body.faults.join()).toContain(fault)
    expect(await take(body.id, 'job', office)).toMatchObject({
      status: 400,
      body: { error: { code: 'not-importable' } },
    })
  })
  it('a file that belongs to no record', async () => {
    const { body } = await send(await changed((_name, content) => content, ['run-me.sh', 'x']), office)
    expect(body.faults.join()).toContain('file-unknown')
  })
  it.each([
    ['no ZIP at all', Buffer.from('not a zip')],
    ['one that was cut off', undefined],
  ])('%s', async (_what, content) => {
    const zip = content ?? (await zipOf(jobId)).subarray(0, 5000)
    expect(await send(zip, office)).toMatchObject({ status: 400, body: { error: { code: 'not-a-zip' } } })
  })
  it('only the office imports, and nobody an import that is not there', async () => {
    expect((await send(await zipOf(jobId), inspector)).status).toBe(403)
    expect((await take(uuid(), 'job', office)).status).toBe(404)
  })
})

it('the plain page shows the record without running or fetching anything, whatever somebody typed', async () => {
  await inspector.append(jobId, entry('job-amended', { customer: '<script>alert(1)</script>' }))
  const archived = await openArchivedJob(onDisk(await zipOf(jobId)))
  const page = (await archived.zip.read('record.html')).toString()
  archived.zip.close()
  expect(page).toContain('does not conform')
  expect(page).not.toContain('<script')
  expect(page).not.toMatch(/src="(?!photos\/)|href=/)
  expect(readFileSync('packages/archive/src/zip/page.ts', 'utf8')).toContain("default-src 'none'")
})
