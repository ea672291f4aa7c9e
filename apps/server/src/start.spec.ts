import { spawn, type ChildProcess } from 'node:child_process'
import { existsSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Caller, entry } from './testing/running-server.testing.js'

const MAIN = join(process.cwd(), 'apps', 'server', 'bundle', 'main.js')
const dataDir = join(mkdtempSync(join(tmpdir(), 'plumb-mark-start-')), '.hidden', 'data')
let running: ChildProcess | undefined
/** Of the one that runs: what only looks at it need not start its own. */
let address: string

afterAll(async () => {
  await stop()
  rmSync(join(dataDir, '..', '..'), { recursive: true, force: true })
})

function start(...args: string[]): Promise<{ address: string; said: string }> {
  const child = spawn(process.execPath, [MAIN, '--port', '0', '--data', dataDir, ...args], {
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  running = child
  let said = ''
  return new Promise((resolve) => {
    child.stdout.setEncoding('utf8').on('data', (text: string) => {
      said += text
      const found = /is at (http:\/\/\S+)/.exec(said)?.[1]
      // What follows the address says who may come in.
      if (found && /is at \S+\n.+\n/.test(said)) resolve({ address: (address = found), said })
    })
  })
}

/** Ends the program as a person does, and waits until it has gone. */
function stop(): Promise<unknown> {
  const child = running
  if (!child || child.exitCode !== null || child.signalCode !== null) return Promise.resolve()
  const gone = new Promise((resolve) => child.once('exit', resolve))
  child.kill('SIGTERM')
  return gone
}

async function inspectorAt(address: string): Promise<Caller> {
  const answer = await new Caller(address, '').call('POST', '/api/session', {
    email: 'inspector@plumb.example',
    password: 'plumb-demo',
  })
  return new Caller(address, answer.headers.get('set-cookie')!.split(';')[0]!)
}

it('the first start loads the demo data and tells address and accounts; the second keeps what was entered', async () => {
  const first = await start()
  expect(first.said).toMatch(
    /Plumb Mark is at http:\/\/127\.0\.0\.1:\d+\n.*inspector@plumb\.example \(inspector\).*reviewer@plumb\.example \(reviewer\)/,
  )
  const inspector = await inspectorAt(first.address)
  const { id } = await inspector.firstJob()
  const seen = entry('observation', {
    point: 'iso-1/cover/unit',
    seen: true,
    note: 'seen before the restart',
  })
  expect((await inspector.append(id, seen)).status).toBe(200)
  await stop()
  const second = await start()
  const after = await (await inspectorAt(second.address)).bundle(id)
  expect(after.body.entries.at(-1)!.id).toBe(seen.id)
}, 60_000)

it('the page is served from the program itself, and every address that is not a file is the page', async () => {
  for (const path of ['/', '/jobs', '/jobs/some/walk/dc']) {
    const page = await fetch(`${address}${path}`)
    expect([page.status, (await page.text()).includes('<div id="root">')]).toEqual([200, true])
  }
  expect((await fetch(`${address}/assets/nothing.js`)).status).toBe(404)
})

it('photos are shown although the data lies in a hidden folder', async () => {
  const inspector = await inspectorAt(address)
  const { id } = await inspector.firstJob()
  const raised = (await inspector.bundle(id)).body.entries.find((one) => one.kind === 'defect-raised')!
  const photo = raised.kind === 'defect-raised' ? raised.body.photos![0]!.id : ''
  expect((await inspector.call('GET', `/api/jobs/${id}/photos/${photo}?size=small`)).status).toBe(200)
  await stop()
}, 60_000)

it('--fresh begins again from the demo data, and --empty with nobody in it', async () => {
  const fresh = await start('--fresh')
  const entries = (
    await (await inspectorAt(fresh.address)).bundle((await (await inspectorAt(fresh.address)).firstJob()).id)
  ).body.entries
  expect(
    entries.some(
      ({ kind, body }) => kind === 'observation' && 'note' in body && body.note === 'seen before the restart',
    ),
  ).toBe(false)
  await stop()
  const empty = await start('--fresh', '--empty')
  // The word stands on the console of the machine, and nowhere else.
  const word = /asks for the word (\S+)\.$/m.exec(empty.said)?.[1]
  expect(word).toMatch(/^[a-z0-9]{4}-[a-z0-9]{4}-[a-z0-9]{4}$/)
  const stranger = new Caller(empty.address, '')
  expect(await (await stranger.call('GET', '/api/first-account')).json()).toEqual({ open: true })
  const wish = { name: 'Ada', email: 'ada@plumb.example', password: 'three brass bobs' }
  expect((await stranger.call('POST', '/api/first-account', { ...wish, word: 'guess' })).status).toBe(403)
  expect((await stranger.call('POST', '/api/first-account', { ...wish, word })).status).toBe(204)
  await stop()
}, 60_000)

it('published passwords never come onto a network by themselves: there the demo must be asked for', async () => {
  const open = await start('--fresh', '--host', '0.0.0.0')
  expect(open.said).toContain('Nobody has an account yet')
  await stop()
  const asked = await start('--fresh', '--host', '0.0.0.0', '--demo')
  expect(asked.said).toContain('Demo accounts')
  await stop()
}, 60_000)

it('a first start that was killed in the middle begins again: never half a demo', async () => {
  const child = spawn(process.execPath, [MAIN, '--port', '0', '--data', dataDir, '--fresh'], {
    stdio: 'ignore',
  })
  const marker = join(dataDir, 'demo-unfinished')
  while (!existsSync(marker)) await new Promise((resolve) => setTimeout(resolve, 10))
  await new Promise((resolve) => setTimeout(resolve, 700))
  child.kill('SIGKILL')
  await new Promise((resolve) => child.once('exit', resolve))
  expect(existsSync(marker)).toBe(true)
  const again = await start()
  expect(await (await inspectorAt(again.address)).jobs()).toHaveLength(3)
  expect(existsSync(marker)).toBe(false)
  await stop()
}, 60_000)
