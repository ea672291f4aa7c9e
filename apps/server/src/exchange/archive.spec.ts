import { readFileSync } from 'node:fs'
import sharp from 'sharp'
import { v7 as uuid } from 'uuid'
import type { Imported, ImportPreview } from '@plumb-mark/contract'
import { JobAccess } from '../entries/job-access.service.js'
import { entry, firstOf, RunningServer, type Caller } from '../testing/running-server.testing.js'
import { opened, packed } from '../testing/zips.testing.js'

let here: RunningServer
let there: RunningServer
let inspector: Caller
let office: Caller
let elsewhere: Caller
let jobId: string

beforeAll(async () => {
  here = await RunningServer.start()
  there = await RunningServer.empty()
  elsewhere = await firstOf(there)
  inspector = await here.signIn('inspector')
  office = await here.signIn('office')
  jobId = (await inspector.firstJob()).id
})
afterAll(async () => {
  await here.stop()
  await there.stop()
})

const zipOf = async (id: string, by = inspector) =>
  Buffer.from(await (await by.call('GET', `/api/jobs/${id}/record.zip`)).arrayBuffer())
const send = async (zip: Buffer, to = elsewhere) => {
  const form = new FormData()
  form.append('zip', new Blob([new Uint8Array(zip)]), 'record.zip')
  return to.json<ImportPreview & { error?: { code: string; path?: string } }>('POST', '/api/imports', form)
}
const take = (id: string, as = 'job', to = elsewhere) =>
  to.json<Imported & { error?: { code: string; message: string } }>('POST', `/api/imports/${id}`, { as })
const accept = (id: string, name: string, to = elsewhere) =>
  to.json<ImportPreview>('POST', `/api/imports/${id}/installation`, { name })
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
  const archived = await opened(zip)
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
    signer: { kind: 'stranger' },
    obstacle: expect.stringContaining('has not accepted') as string,
  })
  expect((await take(preview.id)).body.error?.code).toBe('not-importable')
  expect((await elsewhere.jobs()).length).toBe(0)
  // Once the office has compared the key and named it, what it signs is worked on here.
  const { body: known } = await accept(preview.id, 'Fallowmere office')
  expect(known).toMatchObject({ signer: { kind: 'known', name: 'Fallowmere office' } })
  expect(known.obstacle).toBeUndefined()
  expect(await take(preview.id)).toMatchObject({ status: 200, body: { openAs: jobId } })
  const [job] = await elsewhere.jobs()
  expect(job).toMatchObject({ id: jobId, waitingFor: expect.stringContaining('the inspector') as string })
  const again = await opened(await zipOf(jobId, elsewhere))
  const before = await opened(zip)
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
  const { body: kept } = await take(preview.id, 'record')
  expect((await zipOf(kept.openAs, elsewhere)).equals(zip)).toBe(true)
  expect((await elsewhere.bundle(kept.openAs)).body).toMatchObject({
    broken: [],
    readOnly: expect.stringContaining('to be read') as string,
    signer: { kind: 'known', name: 'Fallowmere office' },
  })
  // Beside the jobs, in none of their lists; found by its own address and by that of the job it tells of.
  expect((await elsewhere.jobs()).map(({ id }) => id)).toEqual([jobId])
  expect((await elsewhere.bundle(sealed.id)).status).toBe(200)
  // The same once more is the same record.
  const { body: twice } = await send(zip)
  expect((await take(twice.id, 'record')).body.openAs).toBe(kept.openAs)
  // Among the jobs it keeps the seal of who signed, and is intact there too.
  const { body: third } = await send(zip)
  expect((await take(third.id, 'job')).body.openAs).toBe(sealed.id)
  expect((await elsewhere.bundle(sealed.id)).body).toMatchObject({ broken: [], signer: { kind: 'known' } })
  expect((await zipOf(sealed.id, elsewhere)).equals(zip)).toBe(true)
})

it('whoever wrote elsewhere is somebody there, and nobody of ours', async () => {
  const { entries } = (await elsewhere.bundle(jobId)).body
  expect(new Set(entries.map(({ by }) => by.name))).toContain('Ottilie Marsh (as told by Fallowmere office)')
  expect(entries.every(({ by }) => by.name.endsWith('(as told by Fallowmere office)'))).toBe(true)
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
  const ada = await firstOf(third)
  const { body: preview } = await send(await zipOf(jobId), ada)
  const { body: kept } = await take(preview.id, 'record', ada)
  for (const id of [jobId, kept.openAs]) {
    expect(
      await ada.json('POST', `/api/jobs/${id}/entries`, { entries: [entry('job-amended', { title: 'x' })] }),
    ).toMatchObject({ status: 409, body: { error: { code: 'read-only' } } })
    await expect(third.get(JobAccess).requireOpen(reader, id)).rejects.toMatchObject({
      code: 'read-only',
    })
  }
  expect((await ada.call('GET', `/api/jobs/${kept.openAs}/report.pdf`)).status).toBe(200)
  expect((await ada.json<unknown[]>('GET', '/api/records')).body).toHaveLength(1)
  expect((await ada.call('DELETE', `/api/records/${kept.openAs}`)).status).toBe(204)
  expect((await ada.bundle(kept.openAs)).status).toBe(404)
  await third.stop()
})

describe('what was tampered with is told and not taken', () => {
  const changed = async (
    change: (name: string, content: Buffer) => Buffer | undefined,
    extra?: [string, string],
  ) => {
    const source = await opened(await zipOf(jobId))
    const files: Record<string, Buffer> = {}
    for (const name of source.zip.names) {
      const content = change(name, await source.zip.read(name))
      if (content) files[name] = content
    }
    if (extra) files[extra[0]] = Buffer.from(extra[1])
    source.zip.close()
    return packed(files)
  }
  it.each<[string, (name: string, content: Buffer) => Buffer | undefined, string]>([
    [
      'a photo with one byte more',
      (name, c) => (name.startsWith('photos/') ? Buffer.concat([c, c.subarray(0, 1)]) : c),
      'is not what it was',
    ],
    ['a photo that is gone', (name, c) => (name.startsWith('photos/') ? undefined : c), 'is not in the ZIP'],
    [
      'a reading that was put otherwise',
      (name, c) =>
        name === 'inspection.json' ? Buffer.from(c.toString().replace('"seen": true', '"seen": false')) : c,
      'is not what it was',
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
    expect(body.faults.join()).toContain('belongs to no record')
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
  const archived = await opened(await zipOf(jobId))
  const page = (await archived.zip.read('record.html')).toString()
  archived.zip.close()
  expect(page).toContain('does not conform')
  expect(page).not.toContain('<script')
  expect(page).not.toMatch(/src="(?!photos\/)|href=/)
  expect(readFileSync('packages/archive/src/zip/page.ts', 'utf8')).toContain("default-src 'none'")
})
