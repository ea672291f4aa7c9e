import { spawn, type ChildProcess } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { connect, createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { v7 as uuid } from 'uuid'
import { sealKeyIn } from '@plumb-mark/archive'
import type { ImportPreview } from '@plumb-mark/contract'
import type { InspectionFile, NewEntry } from '@plumb-mark/core'
import { Caller, entry, torque } from '../testing/running-server.testing.js'
import { extended, zipWith } from '../testing/zips.testing.js'

const MAIN = join(process.cwd(), 'apps', 'server', 'bundle', 'main.js')
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

async function signedIn(address: string, role = 'inspector'): Promise<Caller> {
  const answer = await new Caller(address, '').call('POST', '/api/session', {
    email: `${role}@plumb.example`,
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

it('killed in the middle of an import, it has lost no acknowledged reading, and half of the import is not there', async () => {
  const first = await start('--data', dataDir)
  if (!('address' in first)) throw new Error(first.said)
  const inspector = await signedIn(first.address)
  const office = await signedIn(first.address, 'office')
  const { id } = await inspector.firstJob()
  const { body: base } = await inspector.json<InspectionFile>('GET', `/api/jobs/${id}/inspection.json`)
  const large = uuid()
  const opening = entry('job-opened', { ...base.entries[0]!.body, number: 'PM-9999' }) as NewEntry
  const many = Array.from({ length: 6000 }, () => torque() as unknown as NewEntry)
  const file = extended({ ...base, jobId: large, entries: [] }, base.entries[0]!.by, opening, ...many)
  const form = new FormData()
  const attested = sealKeyIn(dataDir).attest(large, file.entries.at(-1)!)
  form.append('zip', new Blob([new Uint8Array(await zipWith({ ...file, attested }))]), 'large.zip')
  const { body: preview } = await office.json<ImportPreview>('POST', '/api/imports', form)
  expect(preview).toMatchObject({ signer: { kind: 'own' }, faults: [] })
  const acknowledged: string[] = []
  let over = false
  const imported = office
    .call('POST', `/api/imports/${preview.id}`, { as: 'job' })
    .then(() => (over = true))
    .catch(() => undefined)
  // Readings of others go on before, during and after its one long write, until the power is cut in the midst of it.
  const reading = async () => {
    while (!over) {
      const sent = torque()
      const answer = await inspector.append(id, sent).catch(() => undefined)
      if (answer?.status !== 200) return
      acknowledged.push(sent.id)
    }
  }
  const streams = Promise.all([reading(), reading(), imported])
  while (acknowledged.length < 30 && !over) await new Promise((resolve) => setTimeout(resolve, 5))
  running!.kill('SIGKILL')
  await streams
  const second = await start('--data', dataDir)
  if (!('address' in second)) throw new Error(second.said)
  const again = await signedIn(second.address)
  const kept = new Set((await again.bundle(id)).body.entries.map((one) => one.id))
  expect(acknowledged.filter((one) => !kept.has(one))).toEqual([])
  const { status, body } = await again.bundle(large)
  expect(status === 404 || body.entries.length === file.entries.length).toBe(true)
  running!.kill('SIGKILL')
}, 120_000)

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
