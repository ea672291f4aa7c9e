/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { act, screen, waitFor } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { streams, streamsOfTests } from '../testing/event-source.testing.js'
import { asked, onScreen, openJob, refusal, serverSays } from '../testing/job-on-screen.testing.js'
import { LongDownload } from './long-download.js'

const user = userEvent.setup()
/** The names under which files were saved. */
const saved: string[] = []
const zip = (headers: Record<string, string> = { 'content-disposition': 'attachment; filename="PM-1.zip"' }) =>
  new Response('PK', { headers })

beforeEach(() => {
  openJob([])
  streamsOfTests()
  saved.length = 0
  Object.assign(URL, { createObjectURL: () => 'blob:x', revokeObjectURL: () => undefined })
  HTMLAnchorElement.prototype.click = function (this: HTMLAnchorElement) {
    saved.push(this.download)
  }
})
const fetchIt = async () => {
  onScreen(
    <LongDownload address="/api/jobs/j/export" fields={{ photos: 'yes' }}>
      Export
    </LongDownload>,
  )
  await user.click(screen.getByRole('button', { name: 'Export' }))
}

it('comes under the name that the server gives it, and is asked for with its fields and a number of its own', async () => {
  serverSays({ 'GET /api/jobs/j/export': zip() })
  await fetchIt()
  await waitFor(() => expect(saved).toEqual(['PM-1.zip']))
  const address = new URL(asked.at(-1)!.address, 'http://here')
  expect([address.searchParams.get('photos'), streams[0]!.address]).toEqual([
    'yes',
    `/api/work/${address.searchParams.get('work')}/live`,
  ])
  expect([streams[0]!.closed, screen.getByRole('button', { name: 'Export' })]).toEqual([true, expect.anything()])
})

it('while it is made it says how far it is and who is before it, and can be called off without a word of a fault', async () => {
  let given: AbortSignal | undefined
  globalThis.fetch = ((_address: string, { signal }: { signal: AbortSignal }) => {
    given = signal
    return new Promise((_done, fail) => signal.addEventListener('abort', () => fail(new Error('aborted'))))
  }) as never
  await fetchIt()
  act(() => streams[0]!.tell({ done: 0, of: 0, before: 3 }))
  expect(screen.getByRole('status')).toHaveTextContent('2 before it in line')
  act(() => streams[0]!.tell({ done: 0, of: 0, before: 1 }))
  expect(screen.getByRole('status')).toHaveTextContent('next in line')
  act(() => streams[0]!.tell({ done: 30, of: 120 }))
  expect(screen.getByRole('progressbar')).toHaveAttribute('aria-valuenow', '25')
  await user.click(screen.getByRole('button', { name: 'Cancel' }))
  expect(given!.aborted).toBe(true)
  expect(await screen.findByRole('button', { name: 'Export' })).toBeVisible()
  expect(screen.queryByRole('alert')).toBeNull()
})

it.each([
  ['what the server refuses', refusal(409, 'not-sealed', 'the job is not signed'), 'the job is not signed'],
  ['a page that answers in its place', zip({ 'content-type': 'text/html' }), 'what answered is not the server'],
  ['a proxy that fails', new Response('<html>', { status: 502 }), 'what answered is not the server'],
])('%s is said, and nothing is saved', async (_name, answer, words) => {
  serverSays({ 'GET /api/jobs/j/export': answer })
  await fetchIt()
  expect(await screen.findByRole('alert')).toHaveTextContent(`Not made: ${words}`)
  expect(saved).toEqual([])
})
