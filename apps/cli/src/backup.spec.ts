import { spawn } from 'node:child_process'
import { generateKeyPairSync } from 'node:crypto'
import {
  appendFileSync,
  existsSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Sqlite, takeBackup } from '@plumb-mark/archive'
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
  appendFileSync(join(only(safe), 'own-keys.json'), ' ')
  const nowhere = join(folder, 'nowhere')
  expect(await run('restore', only(safe), '--data', nowhere)).toMatchObject({
    code: 3,
    said: expect.stringContaining('damaged: own-keys.json'),
  })
  expect(existsSync(nowhere)).toBe(false)
}, 60_000)

describe('the key of the seals', () => {
  const secret = join(folder, 'passphrase')
  const backups = (name: string, ...more: string[]) =>
    run('backup', join(folder, name), '--data', server.dataDir, ...more)
  const sealed = async (data: string) => {
    const there = await RunningServer.on(data)
    const reviewer = await there.signIn('reviewer')
    const job = (await reviewer.jobs()).find((one) => one.sealed)!
    const { body } = await reviewer.bundle(job.id)
    const health = (await (await reviewer.call('GET', '/health')).json()) as { sealKey: string }
    const lines = there.lines.join('')
    await there.close()
    return { ...body, health, lines }
  }
  beforeAll(() => writeFileSync(secret, 'three brass bobs and a line\n'))

  it('stays out of a backup, and so do sessions', async () => {
    await backups('no-key')
    const names = readdirSync(only(join(folder, 'no-key')))
    expect(names.filter((name) => name.includes('seal-key'))).toEqual([])
    const db = new Sqlite(join(only(join(folder, 'no-key')), 'plumb-mark.sqlite'), { readonly: true })
    expect(db.prepare('SELECT count(*) AS n FROM sessions').get()).toEqual({ n: 0 })
    db.close()
  })
  it('is missed after a restore without it: said at the start, in health and to the office; old records show whose key signed them', async () => {
    const before = await sealed(await copied())
    const data = join(folder, 'keyless')
    expect((await run('restore', only(join(folder, 'no-key')), '--data', data)).said).toContain(
      'was not in it',
    )
    const after = await sealed(data)
    expect(after.lines).toContain('is another one than before')
    expect([after.health.sealKey, after.broken, after.keyFingerprint]).toEqual([
      'another',
      [],
      before.keyFingerprint,
    ])
  })
  /** Put back with its key, for comparison. */
  const copied = async () => {
    await backups('keyed', '--with-key', '--passphrase-file', secret)
    const data = join(folder, 'with-key')
    await run('restore', only(join(folder, 'keyed')), '--data', data, '--passphrase-file', secret)
    return data
  }
  it('leaves only under a passphrase, and comes back only by it', async () => {
    expect((await backups('bare', '--with-key')).said).toContain('are given together')
    await backups('locked', '--with-key', '--passphrase-file', secret)
    const from = only(join(folder, 'locked'))
    expect(readFileSync(join(from, 'seal-key.encrypted.pem'), 'utf8')).toContain(
      'BEGIN ENCRYPTED PRIVATE KEY',
    )
    const data = join(folder, 'unlocked')
    expect((await run('restore', from, '--data', data)).said).toContain('is locked')
    writeFileSync(`${secret}-other`, 'another twelve letters')
    expect(
      (await run('restore', from, '--data', data, '--passphrase-file', `${secret}-other`)).said,
    ).toContain('does not open the key')
    expect(existsSync(data)).toBe(false)
    expect((await run('restore', from, '--data', data, '--passphrase-file', secret)).code).toBe(0)
    expect(await sealed(data)).toMatchObject({ broken: [], health: { sealKey: 'as before' } })
  })
  it('is changed with both known: what the old one signed stays ours, and is told with its fingerprint', async () => {
    const data = join(folder, 'unlocked')
    const before = await sealed(data)
    const { said } = await run('change-key', '--data', data)
    expect(said).toContain(before.keyFingerprint)
    const after = await sealed(data)
    expect(after).toMatchObject({
      broken: [],
      keyFingerprint: before.keyFingerprint,
      health: { sealKey: 'as before' },
    })
    expect(after.signer).toBeUndefined()
  })
  it('of another kind is not taken', async () => {
    const data = join(folder, 'unlocked')
    const { privateKey } = generateKeyPairSync('rsa', { modulusLength: 2048 })
    writeFileSync(join(data, 'seal-key.pem'), privateKey.export({ type: 'pkcs8', format: 'pem' }))
    await expect(RunningServer.on(data)).rejects.toThrow(/no Ed25519 key/)
  })
})

it('files are their owner’s alone, in the data and in a backup', async () => {
  const safe = join(folder, 'modes')
  await run('backup', safe, '--data', server.dataDir)
  for (const where of [server.dataDir, safe]) {
    expect(statSync(where).mode & 0o077).toBe(0)
    for (const one of readdirSync(where, { recursive: true, withFileTypes: true }))
      expect(`${one.name} ${(statSync(join(one.parentPath, one.name)).mode & 0o077).toString(8)}`).toBe(
        `${one.name} 0`,
      )
  }
})

it('a restore that was cut off does not start as if it were whole, and begins anew when it is asked again', async () => {
  const safe = join(folder, 'cut')
  await run('backup', safe, '--data', server.dataDir)
  const data = join(folder, 'cut-off')
  const child = spawn(process.execPath, [BIN, 'restore', only(safe), '--data', data])
  while (!existsSync(join(data, 'restore-unfinished'))) await new Promise((resolve) => setTimeout(resolve, 2))
  child.kill('SIGKILL')
  await new Promise((resolve) => child.once('exit', resolve))
  // Whether the kill came in time or not, the mark decides.
  writeFileSync(join(data, 'restore-unfinished'), '')
  await expect(RunningServer.on(data)).rejects.toThrow(/was cut off/)
  expect((await run('restore', only(safe), '--data', data)).code).toBe(0)
  await (await RunningServer.on(data)).stop()
})

it.each([
  [['backup'], 'takes one name'],
  [['backup', 'x', '--data', '/nowhere/at/all'], 'holds no data'],
  [['restore', '/nowhere/at/all', '--data', 'y'], 'is no backup of ours'],
])('%j is told what is wrong', async (args, said) => {
  expect(await run(...args)).toMatchObject({ code: 3, said: expect.stringContaining(said) })
})

it('two within one second are two', async () => {
  const safe = join(folder, 'twice')
  for (const ms of ['001', '002'])
    await takeBackup(server.dataDir, safe, { at: `2026-01-01T00:00:00.${ms}Z` })
  expect(readdirSync(safe)).toHaveLength(2)
})

it('killed in the middle, it leaves nothing that passes for a backup, and the next one is whole', async () => {
  const safe = join(folder, 'killed')
  for (const after of [40, 90, 130, 160, 190, 220, 260, 320]) {
    const child = spawn(process.execPath, [BIN, 'backup', safe, '--data', server.dataDir])
    // Heard from the start: on a fast machine it may have ended by itself.
    const ended = new Promise((resolve) => child.once('exit', resolve))
    await new Promise((resolve) => setTimeout(resolve, after))
    child.kill('SIGKILL')
    await ended
  }
  expect((await run('backup', safe, '--data', server.dataDir)).code).toBe(0)
  const names = readdirSync(safe)
  expect(names.filter((name) => name.endsWith('.part'))).toEqual([])
  for (const [i, name] of names.entries())
    expect((await run('restore', join(safe, name), '--data', join(folder, `killed-${i}`))).code).toBe(0)
}, 60_000)
