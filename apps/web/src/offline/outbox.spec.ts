import { jest } from '@jest/globals'
import type { NewEntry } from '@plumb-mark/core'
import { device } from './device-database.js'
import { addToOutbox, sendNext, useOnlyHere, waiting } from './outbox.js'
import { pictureOf } from '../testing/picture.testing.js'
import { keepPhoto } from './photos.js'

const entry = (id: string): NewEntry => ({
  id,
  kind: 'unit-removed',
  at: '2026-01-01T00:00:00Z',
  body: { unitId: 'u' },
})
let answers: (() => Response | Promise<Response>)[] = []

beforeEach(async () => {
  for (const table of device.tables) await table.clear()
  globalThis.fetch = jest.fn(async () => answers.shift()!()) as typeof fetch
})

const json = (status: number, body: object) => () => new Response(JSON.stringify(body), { status })
/** The server's word that it keeps these entries. */
const keeps = (...ids: string[]) =>
  json(200, {
    entries: ids.map((id) => ({ id, jobId: 'j', kind: 'unit-removed', hash: 'a'.repeat(64) })),
    clockAhead: 0,
  })
const refusal = json(409, { error: { code: 'sealed', message: 'sealed' } })
const noSignal = () => Promise.reject(new TypeError('failed to fetch'))

it('the entries of one step are sent as one batch, and a job keeps the order of its steps', async () => {
  await addToOutbox('j', 'p', [entry('a'), entry('b')])
  await addToOutbox('j', 'p', [entry('c')])
  answers = [keeps('a', 'b'), keeps('c')]
  await sendNext('j', 'p')
  const [, { body }] = (globalThis.fetch as jest.Mock).mock.calls[0] as [string, { body: string }]
  expect(JSON.parse(body)).toMatchObject({ entries: [{ id: 'a' }, { id: 'b' }] })
  expect((await waiting('j', 'p')).map(({ id }) => id)).toEqual(['c'])
})

it('batches are sent one by one in their order, and leave the device when they are acknowledged', async () => {
  await addToOutbox('j', 'p', [entry('a')])
  await addToOutbox('j', 'p', [entry('b')])
  answers = [keeps('a'), keeps('b')]
  expect(
    [await sendNext('j', 'p'), await sendNext('j', 'p'), await sendNext('j', 'p')].map(({ kind }) => kind),
  ).toEqual(['kept', 'kept', 'nothing'])
  expect(await waiting('j', 'p')).toEqual([])
})

it.each([
  ['no signal', noSignal],
  ['a fault of the server', json(500, {})],
  ['a proxy that wants a password', json(407, {})],
  ['a proxy’s page instead of data', () => new Response('<html>', { status: 403 })],
  ['a page that answers with success', () => new Response('<html>', { status: 200 })],
  ['a proxy that finds nothing', () => new Response('nothing here', { status: 404 })],
  ['an answer of success that says nothing', json(200, {})],
  ['one without entries', json(200, { entries: [] })],
  [
    'one with the entries of somebody else',
    json(200, { entries: [{ id: 'z', jobId: 'j', kind: 'unit-removed', hash: 'a'.repeat(64) }] }),
  ],
  [
    'one that names it in another job',
    json(200, { entries: [{ id: 'a', jobId: 'k', kind: 'unit-removed', hash: 'a'.repeat(64) }] }),
  ],
  [
    'one that names it without a hash',
    json(200, { entries: [{ id: 'a', jobId: 'j', kind: 'unit-removed' }] }),
  ],
  ['one of nothing at all', json(200, [null])],
  ['too many at once', json(429, { error: { code: 'too-many', message: '' } })],
])('%s leaves the entry where it is', async (_what, answer) => {
  await addToOutbox('j', 'p', [entry('a')])
  answers = [answer]
  expect((await sendNext('j', 'p')).kind).toBe('unreachable')
  expect((await waiting('j', 'p')).map(({ id }) => id)).toEqual(['a'])
})

it('a session that has ended is said, and what waits stays', async () => {
  await addToOutbox('j', 'p', [entry('a')])
  answers = [json(401, { error: { code: 'not-signed-in', message: '' } })]
  expect((await sendNext('j', 'p')).kind).toBe('signed-out')
  expect(await waiting('j', 'p')).toHaveLength(1)
})

it('what somebody else entered on this tablet is neither sent nor shown in the name of who opens it next', async () => {
  await addToOutbox('j', 'q', [entry('a')])
  await addToOutbox('j', 'p', [entry('b')])
  answers = [keeps('b')]
  expect(await sendNext('j', 'p')).toMatchObject({ kind: 'kept', entries: [{ id: 'b' }] })
  expect((await sendNext('j', 'p')).kind).toBe('nothing')
  expect([await waiting('j', 'p'), (await waiting('j', 'q')).map(({ id }) => id)]).toEqual([[], ['a']])
})

it('what the server refuses is set aside before it leaves the queue: it is never nowhere', async () => {
  await addToOutbox('j', 'p', [entry('a')])
  answers = [refusal]
  const waitedThen: number[] = []
  const put = device.aside.put.bind(device.aside)
  jest
    .spyOn(device.aside, 'put')
    .mockImplementation(
      (one) => device.batches.count().then((count) => (waitedThen.push(count), put(one))) as never,
    )
  await sendNext('j', 'p')
  expect([waitedThen, await waiting('j', 'p')]).toEqual([[1], []])
  expect(await device.aside.toArray()).toMatchObject([
    { jobId: 'j', by: 'p', reason: 'sealed', code: 'sealed', entries: [{ id: 'a' }] },
  ])
})

it('what the server refuses is told and does not stand in the way of the rest', async () => {
  await addToOutbox('j', 'p', [entry('a')])
  await addToOutbox('j', 'p', [entry('b')])
  answers = [refusal, keeps('b')]
  expect(await sendNext('j', 'p')).toMatchObject({ kind: 'refused', problem: { code: 'sealed' } })
  expect(await sendNext('j', 'p')).toMatchObject({ kind: 'kept', entries: [{ id: 'b' }] })
})

it('each job waits for itself', async () => {
  await addToOutbox('j', 'p', [entry('a')])
  expect([(await waiting('j', 'p')).length, (await waiting('k', 'p')).length]).toEqual([1, 0])
})

it('where the device keeps nothing any more, it stays in the page, is said, and is sent from there', async () => {
  const full = jest.spyOn(device.batches, 'bulkAdd').mockRejectedValue(new Error('quota'))
  await addToOutbox('j', 'p', [entry('a')])
  full.mockRestore()
  expect(useOnlyHere.getState().batches).toMatchObject([{ entries: [{ id: 'a' }] }])
  answers = [keeps('a')]
  expect((await sendNext('j', 'p')).kind).toBe('kept')
  expect([useOnlyHere.getState().batches, await waiting('j', 'p')]).toEqual([[], []])
})

it('on a device that is full what is refused stays in the queue, and what is kept leaves it all the same', async () => {
  await addToOutbox('j', 'p', [entry('a')])
  const full = () => Promise.reject(new Error('quota')) as never
  const aside = jest.spyOn(device.aside, 'put').mockImplementation(full)
  answers = [refusal]
  expect((await sendNext('j', 'p')).kind).toBe('unreachable')
  expect(await waiting('j', 'p')).toHaveLength(1)
  aside.mockRestore()
  const later = jest.spyOn(device.later, 'bulkPut').mockImplementation(full)
  answers = [keeps('a')]
  expect((await sendNext('j', 'p')).kind).toBe('kept')
  expect(await waiting('j', 'p')).toEqual([])
  later.mockRestore()
})

it('what an older program kept is taken over once; how somebody likes the screen stays where it is', async () => {
  const old: Record<string, string> = {
    'plumb-mark-outbox-j': JSON.stringify([{ by: 'p', entries: [entry('old')] }]),
    'plumb-mark-mode': 'dark',
  }
  const methods = { getItem: (key: string) => old[key] ?? null, removeItem: (key: string) => delete old[key] }
  globalThis.localStorage = Object.setPrototypeOf(old, methods) as Storage
  await device.delete()
  await device.open()
  expect((await waiting('j', 'p')).map(({ id }) => id)).toEqual(['old'])
  expect(Object.keys(old)).toEqual(['plumb-mark-mode'])
  Reflect.deleteProperty(globalThis, 'localStorage')
})

it('what an older program kept and nobody can read any more is kept aside, and the rest is taken over', async () => {
  const damaged = '[{"by":"p","entries":[{"id":"half'
  const old: Record<string, string> = {
    'plumb-mark-outbox-j': damaged,
    'plumb-mark-outbox-k': JSON.stringify([null, { by: 'p', entries: [entry('whole')] }]),
    'plumb-mark-set-aside': JSON.stringify([{ jobId: 'j', by: 'p', entries: [] }]),
  }
  const methods = { getItem: (key: string) => old[key] ?? null, removeItem: (key: string) => delete old[key] }
  globalThis.localStorage = Object.setPrototypeOf(old, methods) as Storage
  await device.delete()
  await device.open()
  expect((await waiting('k', 'p')).map(({ id }) => id)).toEqual(['whole'])
  const unread = await device.unread.toArray()
  expect(unread.map(({ key }) => key)).toEqual([
    'plumb-mark-outbox-j',
    'plumb-mark-outbox-k',
    'plumb-mark-set-aside',
  ])
  expect(unread[0]!.text).toBe(damaged)
  Reflect.deleteProperty(globalThis, 'localStorage')
})

describe('a photo', () => {
  const showing = (id: string, sha256: string): NewEntry => ({
    id: 'a',
    kind: 'observation',
    at: '2026-01-01T00:00:00Z',
    body: { point: 'u/q/unit', seen: true, photos: [{ id, sha256 }] },
  })
  const sent = () => (globalThis.fetch as jest.Mock).mock.calls.map(([address]) => String(address))
  const take = async (bytes: number) => {
    const photo = await keepPhoto('j', 'p', new Blob([pictureOf(bytes)], { type: 'image/jpeg' }))
    await addToOutbox('j', 'p', [showing(photo.id, photo.sha256)])
    return { address: `/api/jobs/j/photos/${photo.id}`, photo }
  }
  const have = (bytes: number, kept?: object) => json(200, { have: bytes, ...(kept && { kept }) })
  const shown = () =>
    json(200, {
      entries: [{ id: 'a', jobId: 'j', kind: 'observation', hash: 'a'.repeat(64) }],
      clockAhead: 0,
    })

  it('is sent before the entry that shows it, and leaves the device then', async () => {
    const { address, photo } = await take(2000)
    answers = [json(200, photo), shown()]
    expect((await sendNext('j', 'p')).kind).toBe('kept')
    expect([sent(), await device.photos.count()]).toEqual([[address, '/api/jobs/j/entries'], 0])
  })
  it('that is large goes on where the line broke', async () => {
    const { address, photo } = await take(600_000)
    answers = [have(0), have(262_144), noSignal]
    expect((await sendNext('j', 'p')).kind).toBe('unreachable')
    expect(await device.photos.count()).toBe(1)
    answers = [have(262_144), have(524_288), have(600_000, photo), shown()]
    expect((await sendNext('j', 'p')).kind).toBe('kept')
    expect(sent().slice(3)).toEqual([
      `${address}/part`,
      `${address}/part?from=262144&of=600000`,
      `${address}/part?from=524288&of=600000`,
      '/api/jobs/j/entries',
    ])
  })
  it.each([
    ['nothing', {}],
    ['another photo', { id: 'x', sha256: 'y' }],
  ])('stays on the device when what answered with success names %s', async (_what, answer) => {
    await take(2000)
    answers = [json(200, answer)]
    expect((await sendNext('j', 'p')).kind).toBe('unreachable')
    await take(600_000)
    expect(await device.photos.count()).toBe(2)
  })
  it('that the server does not take is set aside with its entry, and stays on the device', async () => {
    await take(2000)
    answers = [json(400, { error: { code: 'not-a-photo', message: 'no picture' } })]
    expect((await sendNext('j', 'p')).kind).toBe('refused')
    expect(await device.aside.toArray()).toMatchObject([{ reason: 'no picture', entries: [{ id: 'a' }] }])
    expect(await device.photos.count()).toBe(1)
  })
})
