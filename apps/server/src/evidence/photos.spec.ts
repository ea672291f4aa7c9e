import sharp from 'sharp'
import { v7 as uuid } from 'uuid'
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
