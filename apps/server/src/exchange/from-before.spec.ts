import { copyFileSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { gunzipSync } from 'node:zlib'
import { DATABASE_FILE, sha256 } from '@plumb-mark/archive'
import type { Imported, ImportPreview } from '@plumb-mark/contract'
import { fold, inspect, readInspectionFile, sheetsById, verifyInspectionFile } from '@plumb-mark/core'
import { firstOf, RunningServer, type Caller } from '../testing/running-server.testing.js'

/** Made on 2026-11-30 by the program of that day: a whole installation, two of its records as ZIP, and what each check came to. */
const BEFORE = 'samples/before'
const VERDICTS = JSON.parse(readFileSync(`${BEFORE}/verdicts.json`, 'utf8')) as Record<string, object>

describe('an installation of before', () => {
  let server: RunningServer
  let reviewer: Caller
  beforeAll(async () => {
    const dataDir = mkdtempSync(join(tmpdir(), 'plumb-mark-before-'))
    for (const file of ['own-keys.json', 'seal-key.pem'])
      copyFileSync(`${BEFORE}/${file}`, join(dataDir, file))
    writeFileSync(join(dataDir, DATABASE_FILE), gunzipSync(readFileSync(`${BEFORE}/plumb-mark.sqlite.gz`)))
    server = await RunningServer.on(dataDir)
    reviewer = await server.signIn('reviewer')
  })
  afterAll(() => server.stop())

  it.each(Object.keys(VERDICTS))('shows %s with every verdict that it had', async (number) => {
    const { id } = (await reviewer.jobs()).find((job) => job.number === number)!
    const { body } = await reviewer.json('GET', `/api/jobs/${id}/inspection.json`)
    const { entries, sheets } = readInspectionFile(body)
    const { checks } = inspect(fold(entries), sheetsById(sheets))
    expect(Object.fromEntries(checks.map(({ check, outcome }) => [check.id, outcome.verdict]))).toEqual(
      VERDICTS[number],
    )
  })

  it('has its sealed record intact, word for word as it was hashed', async () => {
    const sealed = (await reviewer.jobs()).find((job) => job.sealed)!
    expect((await reviewer.bundle(sealed.id)).body).toMatchObject({ broken: [] })
    const { body } = await reviewer.json('GET', `/api/jobs/${sealed.id}/inspection.json`)
    expect(verifyInspectionFile(readInspectionFile(body), sha256)).toEqual([])
  })

  it('takes a reading that goes on from where it stood', async () => {
    const inspector = await server.signIn('inspector')
    const { id } = (await inspector.jobs()).find((job) => job.number === 'PM-2611')!
    const { entries } = (await inspector.bundle(id)).body
    const shown = await inspector.append(id, {
      id: '01a22a87-0000-7000-8000-000000000001',
      kind: 'observation',
      at: new Date().toISOString(),
      body: { point: 'inv-1/gasket/unit', seen: true },
    })
    expect(shown.body.entries[0]).toMatchObject({ seq: entries.at(-1)!.seq + 1, prev: entries.at(-1)!.hash })
  })
})

describe('a ZIP of before', () => {
  let there: RunningServer
  let office: Caller
  beforeAll(async () => {
    there = await RunningServer.empty()
    office = await firstOf(there)
  })
  afterAll(() => there.stop())

  it.each([
    ['PM-2598', true],
    ['PM-2618', false],
  ])('%s is read whole, and leaves again byte for byte', async (number, sealed) => {
    const zip = readFileSync(`${BEFORE}/${number}.zip`)
    const form = new FormData()
    form.append('zip', new Blob([new Uint8Array(zip)]), 'record.zip')
    const { body: preview } = await office.json<ImportPreview>('POST', '/api/imports', form)
    expect(preview).toMatchObject({ number, sealed, faults: [], meeting: { kind: 'new' } })
    const { body: kept } = await office.json<Imported>('POST', `/api/imports/${preview.id}`, { as: 'record' })
    const again = await office.call('GET', `/api/jobs/${kept.openAs}/record.zip`)
    expect(Buffer.from(await again.arrayBuffer()).equals(zip)).toBe(true)
    expect((await office.bundle(kept.openAs)).body.broken).toEqual([])
  })
})
