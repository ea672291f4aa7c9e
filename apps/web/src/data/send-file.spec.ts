/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { sendFile } from './api.js'

/** A request that a test answers. */
class Request {
  static last: Request
  headers: Record<string, string> = {}
  upload: { onprogress?: (event: { loaded: number; total: number }) => void } = {}
  onerror = () => undefined
  onload = () => undefined
  status = 0
  response: unknown = null
  sent: FormData | undefined
  constructor() {
    Request.last = this
  }
  open(_method: string, _address: string) {}
  setRequestHeader(name: string, value: string) {
    this.headers[name] = value
  }
  send(form: FormData) {
    this.sent = form
  }
  answers(status: number, response: unknown) {
    Object.assign(this, { status, response })
    this.onload()
  }
}
beforeEach(() => Object.assign(globalThis, { XMLHttpRequest: Request }))
const parts: number[] = []
const send = () => sendFile<object>('POST', '/api/imports', 'zip', new Blob(['PK']), (part) => parts.push(part))

it('says how much of it is there, and comes with what the server answers', async () => {
  parts.length = 0
  const done = send()
  const { last } = Request
  last.upload.onprogress!({ loaded: 0, total: 0 })
  last.upload.onprogress!({ loaded: 30, total: 120 })
  last.answers(201, { id: 'a' })
  expect([await done, parts, last.headers['x-plumb-mark'], last.sent!.get('zip') instanceof Blob]).toEqual([
    { id: 'a' },
    [0, 0.25],
    '1',
    true,
  ])
})

it.each([
  ['what the server refuses', 413, { error: { code: 'too-large', message: 'at most 100 MB' } }, 'too-large', 'at most 100 MB'],
  ['what fails without words', 502, null, 'fault', 'what answered is not the server'],
  ['a page that answers well in its place', 200, null, 'fault', 'what answered is not the server'],
])('%s is a fault with its words', async (_name, status, response, code, message) => {
  const done = send()
  Request.last.answers(status, response)
  await expect(done).rejects.toMatchObject({ status, code, message })
})

it('what is kept without a word is kept', async () => {
  const done = send()
  Request.last.answers(204, null)
  expect(await done).toBeNull()
})

it('without signal it is said to be unreachable', async () => {
  const done = send()
  Request.last.onerror()
  await expect(done).rejects.toMatchObject({ code: 'unreachable', unreachable: true })
})
