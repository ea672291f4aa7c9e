import { jest } from '@jest/globals'
import type { NewEntry } from '@plumb-mark/core'
import { addToOutbox, sendNext, waiting } from './outbox.js'

const kept = new Map<string, string>()
const entry = (id: string): NewEntry => ({
  id,
  kind: 'unit-removed',
  at: '2026-01-01T00:00:00Z',
  body: { unitId: 'u' },
})
let answers: (() => Response | Promise<Response>)[] = []

beforeEach(() => {
  kept.clear()
  Object.assign(globalThis, {
    localStorage: {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, value: string) => void kept.set(key, value),
      removeItem: (key: string) => void kept.delete(key),
    },
    fetch: jest.fn(async () => answers.shift()!()),
  })
})

const json = (status: number, body: object) => () => new Response(JSON.stringify(body), { status })
const refusal = json(409, { error: { code: 'sealed', message: 'sealed' } })
const noSignal = () => Promise.reject(new TypeError('failed to fetch'))

it('the entries of one step are sent as one batch, and a job keeps the order of its steps', async () => {
  addToOutbox('j', 'p', [entry('a'), entry('b')])
  addToOutbox('j', 'p', [entry('c')])
  answers = [json(200, { entries: [{ id: 'a' }, { id: 'b' }] }), json(200, { entries: [{ id: 'c' }] })]
  await sendNext('j', 'p')
  const [, { body }] = (globalThis.fetch as jest.Mock).mock.calls[0] as [string, { body: string }]
  expect(JSON.parse(body)).toMatchObject({ entries: [{ id: 'a' }, { id: 'b' }] })
  expect(waiting('j', 'p').map(({ id }) => id)).toEqual(['c'])
})

it('batches are sent one by one in their order, and leave the device when they are acknowledged', async () => {
  addToOutbox('j', 'p', [entry('a')])
  addToOutbox('j', 'p', [entry('b')])
  answers = [json(200, { entries: [{ id: 'a' }] }), json(200, { entries: [{ id: 'b' }] })]
  expect(
    [await sendNext('j', 'p'), await sendNext('j', 'p'), await sendNext('j', 'p')].map(({ kind }) => kind),
  ).toEqual(['kept', 'kept', 'nothing'])
  expect(waiting('j', 'p')).toEqual([])
})

it.each([
  ['no signal', noSignal],
  ['a fault of the server', json(500, {})],
  ['a proxy that wants a password', json(407, {})],
  ['a proxy’s page instead of data', () => new Response('<html>', { status: 403 })],
  ['a page that answers with success', () => new Response('<html>', { status: 200 })],
  ['a proxy that finds nothing', () => new Response('nothing here', { status: 404 })],
  ['too many at once', json(429, { error: { code: 'too-many', message: '' } })],
])('%s leaves the entry where it is', async (_what, answer) => {
  addToOutbox('j', 'p', [entry('a')])
  answers = [answer]
  expect((await sendNext('j', 'p')).kind).toBe('unreachable')
  expect(waiting('j', 'p').map(({ id }) => id)).toEqual(['a'])
})

it('a session that has ended is said, and what waits stays', async () => {
  addToOutbox('j', 'p', [entry('a')])
  answers = [json(401, { error: { code: 'not-signed-in', message: '' } })]
  expect((await sendNext('j', 'p')).kind).toBe('signed-out')
  expect(waiting('j', 'p')).toHaveLength(1)
})

it('what somebody else entered on this tablet is neither sent nor shown in the name of who opens it next', async () => {
  addToOutbox('j', 'q', [entry('a')])
  addToOutbox('j', 'p', [entry('b')])
  answers = [json(200, { entries: [{ id: 'b' }] })]
  expect(await sendNext('j', 'p')).toMatchObject({ kind: 'kept', entries: [{ id: 'b' }] })
  expect((await sendNext('j', 'p')).kind).toBe('nothing')
  expect([waiting('j', 'p'), waiting('j', 'q').map(({ id }) => id)]).toEqual([[], ['a']])
})

it('what an earlier version kept, without a name, is still sent', async () => {
  kept.set('plumb-mark-outbox-j', JSON.stringify([entry('a'), [entry('b')]]))
  expect(waiting('j', 'p').map(({ id }) => id)).toEqual(['a', 'b'])
})

it('what the server refuses is set aside before it leaves the queue: it is never nowhere', async () => {
  addToOutbox('j', 'p', [entry('a')])
  answers = [refusal]
  const setItem = globalThis.localStorage.setItem
  const waitedThen: number[] = []
  globalThis.localStorage.setItem = (key: string, value: string) => {
    if (key === 'plumb-mark-set-aside') waitedThen.push(waiting('j', 'p').length)
    setItem(key, value)
  }
  await sendNext('j', 'p')
  expect([waitedThen, waiting('j', 'p')]).toEqual([[1], []])
  const aside = JSON.parse(kept.get('plumb-mark-set-aside')!) as object[]
  expect(aside).toMatchObject([{ jobId: 'j', by: 'p', reason: 'sealed', entries: [{ id: 'a' }] }])
})

it('what the server refuses is told and does not stand in the way of the rest', async () => {
  addToOutbox('j', 'p', [entry('a')])
  addToOutbox('j', 'p', [entry('b')])
  answers = [refusal, json(200, { entries: [{ id: 'b' }] })]
  expect(await sendNext('j', 'p')).toMatchObject({ kind: 'refused', problem: { code: 'sealed' } })
  expect(await sendNext('j', 'p')).toMatchObject({ kind: 'kept', entries: [{ id: 'b' }] })
})

it('each job waits for itself, and what cannot be read counts as nothing', () => {
  addToOutbox('j', 'p', [entry('a')])
  kept.set('plumb-mark-outbox-k', '{broken')
  expect([waiting('j', 'p').length, waiting('k', 'p').length]).toEqual([1, 0])
})
