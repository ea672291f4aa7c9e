import sharp from 'sharp'
import { v7 as uuid } from 'uuid'
import type { PhotoPart, PhotoRoom } from '@plumb-mark/contract'
import { lengthOffPhoto, photoInstrument } from '@plumb-mark/core'
import { straightAhead } from '../../../../packages/core/src/wall/rendered-photo.testing.js'
import { RunningServer, entry, type Caller } from '../testing/running-server.testing.js'

let server: RunningServer
let inspector: Caller
let jobId: string
let picture: Buffer

beforeAll(async () => {
  server = await RunningServer.start()
  inspector = await server.signIn('inspector')
  jobId = (await inspector.firstJob()).id
  picture = await sharp({ create: { width: 1200, height: 900, channels: 3, background: '#c8b68a' } })
    .jpeg()
    .toBuffer()
})
afterAll(() => server.stop())

const send = async (id: string, content: Buffer, name = 'photo.jpg') => {
  const form = new FormData()
  form.append('photo', new Blob([new Uint8Array(content)]), name)
  return inspector.json<{ id: string; sha256: string; error?: { code: string } }>(
    'PUT',
    `/api/jobs/${jobId}/photos/${id}`,
    form,
  )
}

it('a photo is kept once, shown whole and small, and named by an entry under its digest', async () => {
  const id = uuid()
  const kept = await send(id, picture)
  expect(kept).toMatchObject({ status: 200, body: { width: 1200, height: 900 } })
  expect((await send(id, picture)).body).toEqual(kept.body)
  const small = await inspector.call('GET', `/api/jobs/${jobId}/photos/${id}?size=small`)
  expect((await sharp(Buffer.from(await small.arrayBuffer())).metadata()).width).toBe(480)
  const whole = await inspector.call('GET', `/api/jobs/${jobId}/photos/${id}`)
  expect(Buffer.from(await whole.arrayBuffer()).equals(picture)).toBe(true)
  const seen = (sha256: string) =>
    entry('observation', { point: 'iso-1/cover/unit', seen: true, photos: [{ id, sha256 }] })
  expect((await inspector.append(jobId, seen(kept.body.sha256))).status).toBe(200)
  expect(await inspector.append(jobId, seen('0'.repeat(64)))).toMatchObject({
    status: 409,
    body: { error: { code: 'unknown-photo' } },
  })
})

it('what is no picture is refused by its content, whatever its name', async () => {
  expect(await send(uuid(), Buffer.from('<script>alert(1)</script>'), 'photo.png')).toMatchObject({
    status: 400,
    body: { error: { code: 'not-a-photo' } },
  })
  expect(
    await send(
      uuid(),
      Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>'),
      'photo.jpg',
    ),
  ).toMatchObject({ status: 400, body: { error: { code: 'not-a-photo' } } })
})

it('a length read off a photo is kept, with the photo as its instrument; another answer never names a photo as one', async () => {
  const id = uuid()
  const photo = { id, sha256: (await send(id, picture)).body.sha256 }
  const offPhoto = { setUp: straightAhead(), from: { px: 1000, py: 1200 }, to: { px: 3600, py: 1200 } }
  const { value, uncertainty } = lengthOffPhoto(offPhoto)!
  const instrument = photoInstrument(photo, uncertainty, new Date().toISOString().slice(0, 10))
  const read = { typed: `${Math.round(value)} mm`, value: Math.round(value), unit: 'mm', relation: '=' }
  const body = { point: 'inv-1/display-height/unit', ...read, instrument, offPhoto, photos: [photo] }
  expect(await inspector.append(jobId, entry('reading', body))).toMatchObject({ status: 200 })
  const record = { point: 'inv-1/nameplate/unit', answer: { values: { model: { typed: 'AH-8T' } } } }
  expect(await inspector.append(jobId, entry('record', { ...record, instrument }))).toMatchObject({
    status: 409,
    body: { error: { code: 'unknown-instrument' } },
  })
})

it('a stranger to the job does not see its photos', async () => {
  const id = uuid()
  await send(id, picture)
  const reviewer = await server.signIn('reviewer')
  expect((await reviewer.call('GET', `/api/jobs/${jobId}/photos/${id}`)).status).toBe(200)
  expect((await reviewer.call('GET', `/api/jobs/${uuid()}/photos/${id}`)).status).toBe(404)
})

describe('what is sent otherwise than by the application', () => {
  const room = async () => (await inspector.json<PhotoRoom>('GET', `/api/jobs/${jobId}/photos`)).body
  const sendPart = (id: string, from: number, of: number, part: Buffer, by = inspector) =>
    fetch(`${server.address}/api/jobs/${jobId}/photos/${id}/part?from=${from}&of=${of}`, {
      method: 'PUT',
      headers: { cookie: by.cookie, 'x-plumb-mark': '1', 'content-type': 'application/octet-stream' },
      body: new Uint8Array(part),
    }).then(async (answer) => ({
      status: answer.status,
      body: (await answer.json()) as PhotoPart & { error?: { code: string } },
    }))
  it('a picture that still tells a place is refused, and nothing of it stays', async () => {
    const GPS = { IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '54/1 12/1 33/1' } }
    const located = await sharp(picture).withExif(GPS).jpeg().toBuffer()
    const before = await room()
    expect(await send(uuid(), located)).toMatchObject({
      status: 400,
      body: { error: { code: 'photo-tells-more' } },
    })
    expect(await send(uuid(), Buffer.concat([picture, located]))).toMatchObject({ status: 400 })
    expect(await room()).toEqual(before)
  })
  it('one picture under six ids at once is kept six times, and lies there once', async () => {
    const kept = await Promise.all(Array.from({ length: 6 }, () => send(uuid(), picture)))
    expect(kept.map(({ status }) => status)).toEqual([200, 200, 200, 200, 200, 200])
    expect(new Set(kept.map(({ body }) => body.sha256)).size).toBe(1)
  })
  it('a part of nothing, one that begins too late, and one after its photo was kept are answered cleanly', async () => {
    const id = uuid()
    expect((await sendPart(id, 0, picture.length, Buffer.alloc(0))).status).toBe(400)
    expect((await sendPart(id, 5, picture.length, picture.subarray(5, 9))).body.error?.code).toBe(
      'part-missing',
    )
    expect((await sendPart(id, 0, 10, picture.subarray(0, 20))).status).toBe(413)
    const whole = await sendPart(id, 0, picture.length, picture)
    expect(whole).toMatchObject({ status: 200, body: { have: picture.length, kept: { id } } })
    expect((await sendPart(id, 0, picture.length, picture)).body).toEqual(whole.body)
    const asked = await inspector.json<PhotoPart>('GET', `/api/jobs/${jobId}/photos/${id}/part`)
    expect(asked.body).toEqual(whole.body)
  })
  it('what is on its way takes room, and more than a job may have is refused before it is written', async () => {
    const before = await room()
    const part = Buffer.alloc(500_000)
    expect((await sendPart(uuid(), 0, 10_000_000, part)).body.have).toBe(500_000)
    expect((await room()).bytes).toBe(before.bytes + 500_000)
    await server.database.query(
      'UPDATE photos SET bytes = ? WHERE jobId = ? AND id IN (SELECT id FROM photos WHERE jobId = ? LIMIT 1)',
      [before.quota - 1000, jobId, jobId],
    )
    expect((await sendPart(uuid(), 0, 10_000_000, part)).body.error?.code).toBe('photo-quota')
    expect((await send(uuid(), picture)).body.error?.code).toBe('photo-quota')
  })
  it('a reviewer who raises a defect sends its photo', async () => {
    const reviewer = await server.signIn('reviewer')
    const other = (await reviewer.jobs()).find(({ sealed, id }) => !sealed && id !== jobId)!
    const form = new FormData()
    form.append('photo', new Blob([new Uint8Array(picture)]), 'p.jpg')
    expect((await reviewer.call('PUT', `/api/jobs/${other.id}/photos/${uuid()}`, form)).status).toBe(200)
  })
})
