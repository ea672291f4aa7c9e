import { existsSync, mkdirSync, readdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { v7 as uuid } from 'uuid'
import { sha256 } from '@plumb-mark/archive'
import type { AuditPage, Imported, ImportPreview } from '@plumb-mark/contract'
import { MOST_ENTRIES, type InspectionFile, type NewEntry } from '@plumb-mark/core'
import { entry, RunningServer, torque, type Caller } from '../testing/running-server.testing.js'
import { changedZip, extended, packed, stranger, zipWith } from '../testing/zips.testing.js'

let server: RunningServer
let office: Caller
let inspector: Caller
let reviewer: Caller
let jobId: string

beforeAll(async () => {
  server = await RunningServer.start()
  office = await server.signIn('office')
  inspector = await server.signIn('inspector')
  reviewer = await server.signIn('reviewer')
  jobId = (await inspector.firstJob()).id
})
afterAll(() => server.stop())

type Refusal = { error: { code: string; message: string; path?: string } }
async function send(zip: Buffer) {
  const form = new FormData()
  form.append('zip', new Blob([new Uint8Array(zip)]), 'record.zip')
  return office.json<ImportPreview & Refusal>('POST', '/api/imports', form)
}
const take = (id: string, as: 'job' | 'record') =>
  office.json<Imported & Refusal>('POST', `/api/imports/${id}`, { as })
const record = async (id = jobId) =>
  (await inspector.json<InspectionFile>('GET', `/api/jobs/${id}/inspection.json`)).body
/** Everything in the folder of the data that a record may have left. */
const lying = () =>
  ['photos', 'traces', 'records', 'incoming'].flatMap((folder) => {
    const whole = join(server.dataDir, folder)
    return existsSync(whole)
      ? readdirSync(whole, { recursive: true, withFileTypes: true })
          .filter((one) => one.isFile() && !one.name.endsWith('.small.webp'))
          .map((one) => join(one.parentPath, one.name))
      : []
  })
const state = async () => {
  const { entries, broken } = (await inspector.bundle(jobId)).body
  return { entries, broken, files: lying().sort() }
}

describe('a name that leads out of the folder of the data', () => {
  it.each([
    ['a digest', { sha256: '../../outside/photo' }],
    ['an id', { id: '../../outside' }],
    ['a digest that ends in a path', { sha256: `${'a'.repeat(60)}/../x` }],
    ['a digest in capitals', { sha256: 'A'.repeat(64) }],
  ])('as %s is refused, and nothing is written anywhere', async (_what, change) => {
    const content = Buffer.from('x')
    const photo = { id: uuid(), sha256: sha256(content), type: 'image/png', width: 1, height: 1 }
    const file = `photos/${photo.id}.png`
    const photos = [{ ...photo, file, personId: 'p', keptAt: '2026-01-01T00:00:00Z', ...change }]
    const before = await state()
    const answer = await send(
      await zipWith(await record(), { manifest: { photos }, files: { [file]: content } }),
    )
    expect([answer.status, answer.body.error.code]).toEqual([400, 'malformed'])
    expect(await state()).toEqual(before)
    expect(existsSync(join(server.dataDir, '..', 'outside'))).toBe(false)
  })
  it('as the id of the job is refused', async () => {
    const file = { ...(await record()), jobId: '../../job' }
    expect((await send(await zipWith(file))).body.error.code).toBe('malformed')
  })
})

describe('a ZIP that somebody unknown signed', () => {
  const people = async () => {
    const { body } = await office.json<{ id: string; name: string; role: 'inspector' }[]>(
      'GET',
      '/api/people',
    )
    return body
  }
  const zipped = async () =>
    Buffer.from(await (await inspector.call('GET', `/api/jobs/${jobId}/record.zip`)).arrayBuffer())
  const forged = async (word: (file: InspectionFile) => InspectionFile) => {
    const [somebody] = await people()
    const more = [
      entry('job-amended', { title: 'Another' }),
      entry('observation', { point: 'inv-1/gasket/unit', seen: true }),
    ]
    return changedZip(await zipped(), (file) => word(extended(file, somebody!, ...(more as NewEntry[]))))
  }
  const byStranger = () => forged((file) => stranger().attest(file))
  it('adds nothing to a job that is worked on here, and says why', async () => {
    const before = await state()
    const { body: preview } = await send(await byStranger())
    expect(preview).toMatchObject({
      signer: { kind: 'stranger' },
      meeting: { kind: 'extends' },
      obstacle: expect.stringContaining('has not accepted') as string,
    })
    expect((await take(preview.id, 'job')).body.error.code).toBe('not-importable')
    expect((await office.call('DELETE', `/api/imports/${preview.id}`)).status).toBe(204)
    expect(await state()).toEqual(before)
    const audit = await office.json<AuditPage>('GET', '/api/office/audit?action=refused&limit=1')
    expect(audit.body.rows[0]).toMatchObject({
      detail: expect.stringContaining('has not accepted') as string,
    })
  })
  it('opens beside the job, with its people as told by a key that nobody knows', async () => {
    const before = (await inspector.bundle(jobId)).body.entries
    const { body: preview } = await send(await byStranger())
    const { body: kept } = await take(preview.id, 'record')
    expect(kept.openAs).not.toBe(jobId)
    const read = (await reviewer.bundle(kept.openAs)).body
    expect(read.entries).toHaveLength(before.length + 2)
    expect(read.entries.every(({ by }) => by.name.includes('as told by'))).toBe(true)
    expect(new Set(read.entries.map(({ by }) => by.id))).not.toContain((await people())[0]!.id)
    expect((await inspector.bundle(jobId)).body.entries).toEqual(before)
    const audit = await office.json<AuditPage>('GET', '/api/office/audit?action=imported&limit=1')
    expect(audit.body.rows[0]).toMatchObject({
      subject: jobId,
      detail: expect.stringMatching(/PM-2611, to be read, signed by [0-9a-f]{4} /) as string,
    })
  })
  it('nor does one that nobody signed, or whose signature is of another record', async () => {
    const unsigned = ({ attested: _word, ...file }: InspectionFile) => file
    const { body: nobody } = await send(await forged(unsigned))
    expect(nobody).toMatchObject({ signer: { kind: 'nobody' }, obstacle: expect.any(String) as string })
    // The word of this installation for the record as it was, under one that goes on.
    const { body: other } = await send(await forged((file) => file))
    expect(other.faults.join()).toContain('entries at the end are missing')
    for (const { id } of [nobody, other]) await office.call('DELETE', `/api/imports/${id}`)
  })
  it('shares nothing with a person here, also when the office has accepted its key', async () => {
    const named = await office.somebody('installer')
    const key = stranger()
    const base = await record()
    const id = uuid()
    const [opening] = base.entries
    const [by] = await people()
    const opened = extended(
      { ...base, jobId: id, entries: [] },
      by!,
      { ...entry('job-opened', { ...opening!.body, number: 'PM-7001' }), kind: 'job-opened' } as NewEntry,
      { ...entry('shared', { person: named }), kind: 'shared' } as NewEntry,
    )
    const { body: preview } = await send(await zipWith(key.attest(opened)))
    await office.call('POST', `/api/imports/${preview.id}/installation`, { name: 'Quay office' })
    expect((await take(preview.id, 'job')).status).toBe(200)
    const installer = await server.signIn('installer')
    expect((await installer.bundle(id)).status).toBe(404)
    expect((await inspector.bundle(id)).body.entries[0]!.by.name).toContain('(as told by Quay office)')
  })
})

describe('ids that meet those of others', () => {
  it('an entry with the id of one of another job is refused with the reason', async () => {
    const key = stranger()
    const base = await record()
    const [opening, second] = base.entries
    const by = opening!.by
    const file = extended(
      { ...base, jobId: uuid(), entries: [] },
      by,
      { ...entry('job-opened', { ...opening!.body, number: 'PM-7002' }), kind: 'job-opened' } as NewEntry,
      { ...entry('job-amended', { title: 'x' }, second!.id), kind: 'job-amended' } as NewEntry,
    )
    const { body: preview } = await send(await zipWith(key.attest(file)))
    const { body: known } = await office.json<ImportPreview>(
      'POST',
      `/api/imports/${preview.id}/installation`,
      {
        name: 'Quay office two',
      },
    )
    expect(known.obstacle).toBe('an entry of it has the id of one of another job')
    expect((await take(preview.id, 'job')).status).toBe(400)
  })
})

describe('what would burst', () => {
  const alive = async () => expect((await office.call('GET', '/health')).status).toBe(200)
  it('a manifest of sixty megabytes of empty lists is refused, and others are answered', async () => {
    const lists = Buffer.from(`{"photos":[${'[],'.repeat(20_000_000)}[]]}`)
    const zip = await packed({ 'manifest.json': lists, 'inspection.json': Buffer.from('{}') })
    const answer = await send(zip)
    expect([answer.status, answer.body.error.code]).toEqual([400, 'too-large'])
    await alive()
  }, 60_000)
  it('many values that do not look packed are refused before anything is made of them', async () => {
    const values = Buffer.from(
      `{"photos":[${Array.from({ length: 1_200_000 }, (_, i) => i % 977).join(',')}]}`,
    )
    const answer = await send(await packed({ 'manifest.json': values, 'inspection.json': Buffer.from('{}') }))
    expect([answer.status, answer.body.error.message]).toEqual([
      400,
      expect.stringContaining('more than 1000000 values'),
    ])
  })
  it('a record that is nested without end is refused', async () => {
    const deep = Buffer.from(`{"entries":${'['.repeat(5000)}${']'.repeat(5000)}}`)
    const good = await zipWith(await record())
    expect(good.length).toBeGreaterThan(0)
    const answer = await send(await packed({ 'manifest.json': Buffer.from('{}'), 'inspection.json': deep }))
    expect(answer.status).toBe(400)
    const deepManifest = await send(await packed({ 'manifest.json': deep, 'inspection.json': deep }))
    expect([deepManifest.status, deepManifest.body.error.code]).toEqual([400, 'too-large'])
  })
  it('many names for one place in the ZIP are refused', async () => {
    const content = Buffer.alloc(200_000, 0).map((_, i) => (i * 7919) % 251)
    const zip = await packed({ 'manifest.json': Buffer.from('{}'), 'a.bin': Buffer.from(content) })
    const answer = await send(manyNames(zip, 'a.bin', 300))
    expect([answer.status, answer.body.error.code]).toEqual([400, 'too-large'])
  })
})

/** Writes the directory of a ZIP anew, with many names for the place of one file. */
function manyNames(zip: Buffer, name: string, count: number): Buffer {
  const end = zip.lastIndexOf(Buffer.from('PK\x05\x06'))
  const start = zip.readUInt32LE(end + 16)
  const one = zip.subarray(zip.lastIndexOf(Buffer.from(name)) - 46, end)
  const rows = Array.from({ length: count }, (_, i) => {
    const row = Buffer.from(one)
    row.write(String(i).padStart(name.length, '0'), 46)
    return row
  })
  const directory = Buffer.concat([zip.subarray(start, end), ...rows])
  const tail = Buffer.from(zip.subarray(end))
  const total = zip.readUInt16LE(end + 10) + count
  tail.writeUInt16LE(total, 8)
  tail.writeUInt16LE(total, 10)
  tail.writeUInt32LE(directory.length, 12)
  return Buffer.concat([zip.subarray(0, start), directory, tail])
}

describe('a form', () => {
  const formOf = (fields: number, size: number, field = 'photo') => {
    const form = new FormData()
    for (let i = 0; i < fields; i++) form.append(`f${i}`, 'x'.repeat(size))
    form.append(field, new Blob([new Uint8Array(8)]), 'p.png')
    return form
  }
  it('with fields that nobody asked for is refused at the first of them', async () => {
    const answer = await inspector.call('PUT', `/api/jobs/${jobId}/photos/${uuid()}`, formOf(40, 1_000_000))
    expect(answer.status).toBe(400)
  })
  it('of somebody who may not send it is answered before it is read', async () => {
    const installer = await server.signIn('installer')
    const other = (await inspector.jobs()).find(({ number }) => number === 'PM-7001')!.id
    for (const [caller, path, status] of [
      [installer, `/api/jobs/${other}/photos/${uuid()}`, 404],
      [server.stranger(), `/api/jobs/${jobId}/photos/${uuid()}`, 401],
      [inspector, `/api/imports`, 403],
    ] as const) {
      const method = path === '/api/imports' ? 'POST' : 'PUT'
      const answer = await caller.call(method, path, formOf(5, 1_000_000)).catch(() => ({ status }))
      expect(answer.status).toBe(status)
    }
  })
})

it('what lies under a digest is never believed: a file that is something else is not answered as a trace or a photo', async () => {
  const content = 't (s),x (W)\r\n0,1\r\n1,2\r\n'
  const digest = sha256(content)
  const folder = join(server.dataDir, 'traces', digest.slice(0, 2))
  const form = new FormData()
  form.append('trace', new Blob(['t (s),x (W)\r\n0,5\r\n1,6\r\n']), 't.csv')
  await inspector.call('PUT', `/api/jobs/${jobId}/traces/${uuid()}`, form)
  mkdirSync(folder, { recursive: true })
  writeFileSync(join(folder, `${digest}.csv.gz`), 'not what it is called')
  const own = new FormData()
  own.append('trace', new Blob([content]), 't.csv')
  const kept = await inspector.json<{ samples: number }>('PUT', `/api/jobs/${jobId}/traces/${uuid()}`, own)
  expect([kept.status, kept.body.samples]).toEqual([200, 2])
})

it('a job is as large here as in its file: what is exported can be verified and imported', async () => {
  expect(MOST_ENTRIES).toBeGreaterThan(12_000)
  const base = await record()
  const by = base.entries[0]!.by
  const many = Array.from({ length: 12_000 }, () => torque() as unknown as NewEntry)
  const id = uuid()
  const opening = {
    ...entry('job-opened', { ...base.entries[0]!.body, number: 'PM-7012' }),
    kind: 'job-opened',
  }
  const file = stranger().attest(
    extended({ ...base, jobId: id, entries: [] }, by, opening as NewEntry, ...many),
  )
  const { status, body: preview } = await send(await zipWith(file))
  expect([status, preview.entries, preview.faults]).toEqual([201, 12_001, []])
  await office.call('POST', `/api/imports/${preview.id}/installation`, { name: 'A large one' })
  expect((await take(preview.id, 'job')).status).toBe(200)
  expect(
    (await send(Buffer.from(await (await office.call('GET', `/api/jobs/${id}/record.zip`)).arrayBuffer())))
      .body,
  ).toMatchObject({
    meeting: { kind: 'same' },
    faults: [],
  })
}, 120_000)
