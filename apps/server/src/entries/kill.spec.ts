import { spawn, type ChildProcess } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { connect, createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Caller, torque } from '../testing/running-server.testing.js'

const MAIN = join(process.cwd(), 'apps', 'server', 'dist', 'main.js')
const dataDir = mkdtempSync(join(tmpdir(), 'plumb-mark-kill-'))
let running: ChildProcess | undefined

afterAll(() => {
  running?.kill('SIGKILL')
  rmSync(dataDir, { recursive: true, force: true })
})

/** Starts the built program; resolves with its address, or with its words and exit code when it stops by itself. */
function start(...args: string[]): Promise<{ address: string } | { code: number | null; said: string }> {
  const child = spawn(process.execPath, [MAIN, '--port', '0', ...args], { stdio: ['ignore', 'pipe', 'pipe'] })
  running = child
  let said = ''
  return new Promise((resolve) => {
    for (const stream of [child.stdout, child.stderr]) {
      stream.setEncoding('utf8').on('data', (text: string) => {
        said += text
        const address = /is at (http:\/\/\S+)/.exec(said)?.[1]
        if (address) resolve({ address })
      })
    }
    child.on('exit', (code) => resolve({ code, said }))
  })
}

async function signedIn(address: string): Promise<Caller> {
  const answer = await new Caller(address, '').call('POST', '/api/session', {
    email: 'inspector@plumb.example',
    password: 'plumb-demo',
  })
  return new Caller(address, answer.headers.get('set-cookie')!.split(';')[0]!)
}

it('killed in the middle of a stream of writes, it has lost no acknowledged reading', async () => {
  const first = await start('--data', dataDir)
  if (!('address' in first)) throw new Error(first.said)
  const inspector = await signedIn(first.address)
  const { id } = await inspector.firstJob()
  const acknowledged: string[] = []
  const stream = async () => {
    for (;;) {
      const sent = torque()
      const answer = await inspector.append(id, sent)
      if (answer.status === 200) acknowledged.push(sent.id)
    }
  }
  const streams = Promise.allSettled([stream(), stream(), stream()])
  while (acknowledged.length < 40) await new Promise((resolve) => setTimeout(resolve, 5))
  running!.kill('SIGKILL')
  await streams
  const second = await start('--data', dataDir)
  if (!('address' in second)) throw new Error(second.said)
  const after = await (await signedIn(second.address)).bundle(id)
  const kept = new Set(after.body.entries.map((entry) => entry.id))
  expect(acknowledged.filter((entry) => !kept.has(entry))).toEqual([])
  running!.kill('SIGKILL')
}, 60_000)

it('a folder is served by one at a time, and a polite stop ends within five seconds whatever hangs on a connection', async () => {
  const first = await start('--data', dataDir)
  if (!('address' in first)) throw new Error(first.said)
  const serving = running!
  expect(await start('--data', dataDir)).toMatchObject({
    code: 1,
    said: expect.stringMatching(/is served by another running Plumb Mark/),
  })
  const { port, hostname } = new URL(first.address)
  const hanging = connect(Number(port), hostname, () =>
    hanging.write('POST /api/session HTTP/1.1\r\nHost: x\r\nContent-Length: 99\r\n\r\n'),
  )
  hanging.on('error', () => undefined)
  await new Promise((resolve) => hanging.once('connect', resolve))
  const began = Date.now()
  const ended = new Promise((resolve) => serving.once('exit', resolve))
  serving.kill('SIGTERM')
  expect(await ended).toBe(0)
  expect(Date.now() - began).toBeLessThan(5000)
  const again = await start('--data', dataDir)
  expect(again).toHaveProperty('address')
  running!.kill('SIGKILL')
}, 60_000)

it('a port in use, a folder that cannot be written and a damaged database get one clear sentence each', async () => {
  const busy = createServer().listen(0, '127.0.0.1')
  await new Promise((resolve) => busy.once('listening', resolve))
  const { port } = busy.address() as { port: number }
  expect(await start('--data', dataDir, '--port', String(port))).toMatchObject({
    code: 1,
    said: expect.stringMatching(/^Plumb Mark cannot start: port \d+ on 127\.0\.0\.1 is in use/),
  })
  busy.close()
  expect(await start('--data', '/proc/plumb')).toMatchObject({
    code: 1,
    said: expect.stringContaining('cannot be written'),
  })
  const broken = mkdtempSync(join(tmpdir(), 'plumb-mark-broken-'))
  writeFileSync(
    join(broken, 'plumb-mark.sqlite'),
    'this is no database, and it is long enough to be read as one'.repeat(40),
  )
  expect(await start('--data', broken)).toMatchObject({
    code: 1,
    said: expect.stringMatching(/^Plumb Mark cannot start: the database .* is damaged or is not ours.*\n$/),
  })
  rmSync(broken, { recursive: true, force: true })
  expect(await start('--prot', '1')).toMatchObject({ code: 1, said: expect.stringContaining('--port N') })
}, 60_000)
