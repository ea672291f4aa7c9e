import { spawn } from 'node:child_process'
import { appendFileSync, existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { takeBackup } from '@plumb-mark/archive'
import { entry, RunningServer, type Caller } from '../../server/src/testing/running-server.testing.js'

const BIN = join(process.cwd(), 'apps', 'cli', 'bin', 'plumb-mark.mjs')
const folder = mkdtempSync(join(tmpdir(), 'plumb-mark-backup-'))
let server: RunningServer
let inspector: Caller
let jobId: string

beforeAll(async () => {
  server = await RunningServer.start()
  inspector = await server.signIn('inspector')
  jobId = (await inspector.firstJob()).id
})
afterAll(async () => {
  await server.stop()
  rmSync(folder, { recursive: true, force: true })
})

/** Beside the server of this test, which must go on answering meanwhile. */
function run(...args: string[]): Promise<{ code: number | null; said: string }> {
  const child = spawn(process.execPath, [BIN, ...args])
  let said = ''
  for (const stream of [child.stdout, child.stderr])
    stream.setEncoding('utf8').on('data', (text: string) => (said += text))
  return new Promise((resolve) => child.on('exit', (code) => resolve({ code, said })))
}
const only = (where: string) => join(where, readdirSync(where)[0]!)

it('is taken while somebody writes, refuses no write, and is put back whole: every acknowledged entry of before is there', async () => {
  const safe = join(folder, 'safe')
  const before = (await inspector.bundle(jobId)).body.entries.length
  let refused = 0
  let going = true
  const writing = (async () => {
    while (going) {
      const { status } = await inspector.append(
        jobId,
        entry('observation', { point: 'inv-1/gasket/unit', seen: true }),
      )
      if (status !== 200) refused++
    }
  })()
  const taken = await run('backup', safe, '--data', server.dataDir)
  going = false
  await writing
  expect([taken.code, refused]).toEqual([0, 0])
  const data = join(folder, 'restored')
  const restored = await run('restore', only(safe), '--data', data)
  expect([restored.code, restored.said]).toEqual([0, expect.stringContaining('put back and verified')])
  const again = await RunningServer.on(data)
  const reviewer = await again.signIn('reviewer')
  const { body } = await reviewer.bundle(jobId)
  expect(body.entries.length).toBeGreaterThanOrEqual(before)
  const sealed = (await reviewer.jobs()).find((job) => job.sealed)!
  expect((await reviewer.bundle(sealed.id)).body.broken).toEqual([])
  await again.stop()
}, 60_000)

it('one that was damaged is refused, and nothing is put anywhere but where nothing is', async () => {
  const safe = join(folder, 'other')
  await run('backup', safe, '--data', server.dataDir)
  expect(await run('restore', only(safe), '--data', server.dataDir)).toMatchObject({
    code: 3,
    said: expect.stringContaining('is not empty'),
  })
  appendFileSync(join(only(safe), 'seal-key.pem'), ' ')
  const nowhere = join(folder, 'nowhere')
  expect(await run('restore', only(safe), '--data', nowhere)).toMatchObject({
    code: 3,
    said: expect.stringContaining('damaged: seal-key.pem'),
  })
  expect(existsSync(nowhere)).toBe(false)
}, 60_000)

it.each([
  [['backup'], 'takes one name'],
  [['backup', 'x', '--data', '/nowhere/at/all'], 'holds no data'],
  [['restore', '/nowhere/at/all', '--data', 'y'], 'is no backup of ours'],
])('%j is told what is wrong', async (args, said) => {
  expect(await run(...args)).toMatchObject({ code: 3, said: expect.stringContaining(said) })
})

it('two within one second are two', async () => {
  const safe = join(folder, 'twice')
  for (const ms of ['001', '002']) await takeBackup(server.dataDir, safe, `2026-01-01T00:00:00.${ms}Z`)
  expect(readdirSync(safe)).toHaveLength(2)
})

it('killed in the middle, it leaves nothing that passes for a backup, and the next one is whole', async () => {
  const safe = join(folder, 'killed')
  for (const after of [60, 150, 220, 260, 300, 340, 380, 450]) {
    const child = spawn(process.execPath, [BIN, 'backup', safe, '--data', server.dataDir])
    await new Promise((resolve) => setTimeout(resolve, after))
    child.kill('SIGKILL')
    await new Promise((resolve) => child.once('exit', resolve))
  }
  expect((await run('backup', safe, '--data', server.dataDir)).code).toBe(0)
  const names = readdirSync(safe)
  expect(names.filter((name) => name.endsWith('.part'))).toEqual([])
  for (const [i, name] of names.entries())
    expect((await run('restore', join(safe, name), '--data', join(folder, `killed-${i}`))).code).toBe(0)
}, 60_000)
