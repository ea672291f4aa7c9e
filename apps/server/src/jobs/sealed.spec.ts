import { sha256 } from '@plumb-mark/archive'
import { sampleSignature } from '../demo/sample-signature.js'
import { v7 as uuid } from 'uuid'
import sharp from 'sharp'
import {
  fold,
  inspect,
  linked,
  readInspectionFile,
  sheetsById,
  verifyInspectionFile,
  type Entry,
  type InspectionFile,
  type NewEntry,
  type Person,
} from '@plumb-mark/core'
import type { JobPage, SignedIn } from '@plumb-mark/contract'
import { signatureHolds } from '@plumb-mark/archive'
import { stranger } from '../testing/zips.testing.js'
import { RunningServer, entry, type Caller } from '../testing/running-server.testing.js'

let server: RunningServer
let inspector: Caller
let reviewer: Caller
let jobId: string
const drawing = await sampleSignature()

/** A job with the DC isolator alone, answered and signed. */
beforeAll(async () => {
  server = await RunningServer.start()
  inspector = await server.signIn('inspector')
  reviewer = await server.signIn('reviewer')
  const demo = (await inspector.bundle((await inspector.firstJob()).id)).body
  const opened = demo.entries[0]!
  if (opened.kind !== 'job-opened') throw new Error('the demo job is not opened')
  const [driver, caliper] = ['driver-1', 'caliper-1'].map((id) =>
    demo.instruments.find((one) => one.id === id)!,
  )
  jobId = uuid()
  const reading = (point: string, typed: string, value: number, unit: string, instrument: object) =>
    entry('reading', { point, typed, value, unit, relation: '=', instrument })
  const answers = await inspector.append(
    jobId,
    entry('job-opened', { ...opened.body, number: 'PM-SEAL', title: 'Sealed' }),
    entry('wall-measured', {
      id: 'w',
      title: 'Wall',
      leftCorner: false,
      rightCorner: false,
      uncertainty: 2,
      tape: 'Tape T1',
    }),
    entry('unit-fitted', {
      id: 'iso',
      label: 'Isolator',
      sheetId: 'aldervane-dx-4-a',
      place: { wallId: 'w', x: 500, y: 1200, w: 180, h: 230 },
    }),
    entry('observation', { point: 'iso/in-sight/unit', seen: true }),
    entry('observation', { point: 'iso/cover/unit', seen: true }),
    ...['t1', 't3'].flatMap((terminal) => [
      reading(`iso/torque/${terminal}`, '1.92 N·m', 1.92, 'N·m', driver!),
      reading(`iso/conductor/${terminal}`, '6 mm²', 6, 'mm²', caliper!),
    ]),
  )
  expect(answers.body.error).toBeUndefined()
})
afterAll(() => server.stop())

const signature = (sealedHead: string, licence = 'L-77') =>
  entry('signed', { licence, statement: 'I have read this record.', drawing, sealedHead })
const head = async () => (await reviewer.bundle(jobId)).body.entries.at(-1)!.hash

it('nobody signs while a remark is open or a second reader has not read, nor under another licence than their own', async () => {
  const remark = { id: uuid(), text: 'Which cover?', checkId: 'iso/cover/unit' }
  const people = (await reviewer.json<Person[]>('GET', '/api/people')).body
  const reader = people.find(({ role }) => role === 'inspector')!
  const refusal = async (caller: Caller, ...entries: ReturnType<typeof entry>[]) =>
    (await caller.append(jobId, ...entries)).body.error?.code
  expect(await refusal(inspector, entry('returned', { remarks: [remark] }))).toBe('not-your-entry')
  const asked = entry('second-reader-asked', { person: reader })
  expect(await refusal(reviewer, entry('returned', { remarks: [remark] }), asked)).toBeUndefined()
  expect(await refusal(reviewer, signature(await head()))).toBe('not-clear')
  const stranger = { id: uuid(), name: 'Nobody', role: 'reviewer' as const }
  expect(await refusal(reviewer, entry('second-reader-asked', { person: stranger }))).toBe('unknown-person')
  const reading = async () => entry('second-read', { statement: 'Read.', readHead: await head() })
  const waiting = async (who: string) =>
    (await reviewer.json<JobPage>('GET', `/api/jobs?waits=${who}&q=PM-SEAL`)).body.total
  expect(await waiting('inspector')).toBe(1)
  expect(await refusal(reviewer, await reading())).toBe('not-your-step')
  const answer = entry('remark-answered', { remarkId: remark.id, answer: 'The left one.' })
  expect(await refusal(inspector, answer)).toBeUndefined()
  // The remark is answered: what is left is the record that the second reader, an inspector, has to read.
  expect([await waiting('inspector'), await waiting('reviewer')]).toEqual([1, 0])
  expect(await refusal(inspector, await reading())).toBeUndefined()
  expect([await waiting('inspector'), await waiting('reviewer')]).toEqual([0, 1])
  const office = await server.signIn('office')
  const { id } = people.find(({ role }) => role === 'reviewer')!
  await office.json('PUT', `/api/office/people/${id}`, { licence: 'L-1' })
  expect(await refusal(reviewer, signature(await head()))).toBe('licence-differs')
  expect((await reviewer.json<SignedIn>('GET', '/api/session')).body.licence).toBe('L-1')
  await office.json('PUT', `/api/office/people/${id}`, { licence: '' })
})

it('only the reviewer signs, only under the record that was shown, and only with a licence', async () => {
  const shown = await head()
  expect(await inspector.append(jobId, signature(shown))).toMatchObject({
    status: 409,
    body: { error: { code: 'not-your-entry' } },
  })
  expect(await reviewer.append(jobId, signature('0'.repeat(64)))).toMatchObject({
    status: 409,
    body: { error: { code: 'head-moved' } },
  })
  expect(await reviewer.append(jobId, signature(shown, ''))).toMatchObject({
    status: 400,
    body: { error: { path: 'entries[0].body.licence', message: 'type the licence number' } },
  })
  expect((await reviewer.append(jobId, signature(shown))).status).toBe(200)
})

it('once sealed, nothing can be changed through any route', async () => {
  const refused = [
    entry('observation', { point: 'iso/cover/unit', seen: false }),
    entry('unit-removed', { unitId: 'iso' }),
    entry('unshared', { personId: 'p' }),
    entry('shared', { person: { id: 'p', name: 'P', role: 'installer' } }),
    entry('calculation-kept', {
      calculator: 'reserve',
      title: 'R',
      input: { capacityKwh: 1, reservePercent: 1, loadKw: 1, inverterKw: 1 },
    }),
  ]
  for (const one of refused)
    expect(await inspector.append(jobId, one)).toMatchObject({
      status: 409,
      body: { error: { code: 'sealed' } },
    })
  expect(await reviewer.append(jobId, signature(await head()))).toMatchObject({
    status: 409,
    body: { error: { code: 'sealed' } },
  })
  const form = new FormData()
  form.append(
    'photo',
    new Blob([
      new Uint8Array(
        await sharp({ create: { width: 9, height: 9, channels: 3, background: '#fff' } })
          .png()
          .toBuffer(),
      ),
    ]),
  )
  expect(await inspector.json('PUT', `/api/jobs/${jobId}/photos/${uuid()}`, form)).toMatchObject({
    status: 409,
    body: { error: { code: 'sealed' } },
  })
})

it('nor in the database itself', async () => {
  const db = server.database
  const last = (await reviewer.bundle(jobId)).body.entries.at(-1)!
  await expect(
    db.query(
      `INSERT INTO entries (id, jobId, seq, kind, at, "by", body, prev, hash) VALUES ('x', ?, ?, 'observation', '', '{}', '{}', '', '')`,
      [jobId, last.seq + 1],
    ),
  ).rejects.toThrow('this job is sealed')
  await expect(db.query('UPDATE jobs SET sealedAt = NULL WHERE id = ?', [jobId])).rejects.toThrow(
    'this job is sealed',
  )
})

it('nor by a statement that replaces instead of changing', async () => {
  const db = server.database
  const [open] = (await inspector.jobs()).filter(({ id }) => id !== jobId)
  const [entryRow] = (await db.query('SELECT * FROM entries WHERE jobId = ? AND seq = 2', [
    open!.id,
  ])) as Record<string, unknown>[]
  const columns = Object.keys(entryRow!)
    .map((name) => `"${name}"`)
    .join(', ')
  const replaced = (table: string, names: string, row: Record<string, unknown>) =>
    db.query(
      `INSERT OR REPLACE INTO ${table} (${names}) VALUES (${Object.keys(row)
        .map(() => '?')
        .join(', ')})`,
      Object.values(row),
    )
  await expect(replaced('entries', columns, { ...entryRow!, body: '{}' })).rejects.toThrow('never changed')
  const [job] = (await db.query('SELECT * FROM jobs WHERE id = ?', [jobId])) as Record<string, unknown>[]
  await expect(replaced('jobs', Object.keys(job!).join(', '), { ...job!, sealedAt: null })).rejects.toThrow(
    'never replaced',
  )
  const [sheet] = (await db.query('SELECT * FROM sheets WHERE id = ?', ['aldervane-dx-4-a'])) as Record<
    string,
    unknown
  >[]
  await expect(replaced('sheets', Object.keys(sheet!).join(', '), { ...sheet!, source: '' })).rejects.toThrow(
    'never changed',
  )
  const [seal] = (await db.query('SELECT * FROM seals WHERE jobId = ?', [jobId])) as Record<string, unknown>[]
  await expect(replaced('seals', Object.keys(seal!).join(', '), { ...seal!, head: 'x' })).rejects.toThrow(
    'never changed',
  )
})

describe('the seal is signed', () => {
  const file = async () =>
    (await reviewer.json<InspectionFile>('GET', `/api/jobs/${jobId}/inspection.json`)).body
  const faults = (record: InspectionFile) =>
    verifyInspectionFile(readInspectionFile(record), sha256, signatureHolds).map(({ fault }) => fault)
  it('by the key of this installation, and holds', async () => {
    const record = await file()
    expect(faults(record)).toEqual([])
    expect(record.attested!.publicKey).toContain('BEGIN PUBLIC KEY')
    expect((await reviewer.bundle(jobId)).body).toMatchObject({
      broken: [],
      keyFingerprint: expect.stringMatching(/^[0-9a-f]{4} /),
    })
  })
  it('so that a tail that was cut off, and a chain that was made anew, are seen', async () => {
    const record = await file()
    expect(faults({ ...record, entries: record.entries.slice(0, -1) })).toEqual(['tail-cut'])
    const anew = record.entries.reduce<Entry[]>(
      (all, { id, kind, at, body, by, said, received }) => [
        ...all,
        linked(
          {
            id,
            kind,
            at,
            body: kind === 'observation' ? { ...body, note: 'later' } : body,
            ...(said && { said }),
            ...(received && { received }),
          } as NewEntry,
          jobId,
          by,
          all.at(-1),
          sha256,
        ),
      ],
      [],
    )
    const head = { seq: anew.length, head: anew.at(-1)!.hash }
    expect(faults({ ...record, entries: anew })).toContain('tail-cut')
    expect(faults({ ...record, entries: anew, attested: { ...record.attested!, ...head } })).toContain(
      'wrong-signature',
    )
  })
  it('so that a record whose very signature was taken out is broken, and leaves without a fresh word', async () => {
    const other = (await inspector.jobs()).find((job) => job.sealed && job.id !== jobId)!.id
    // Somebody with the file of the database at hand.
    await server.database.query('DROP TRIGGER entries_are_not_deleted')
    await server.database.query(`DELETE FROM entries WHERE jobId = ? AND kind = 'signed'`, [other])
    expect((await reviewer.bundle(other)).body.broken).toContain(
      'entries at the end are missing, or others stand in their place',
    )
    const { body } = await reviewer.json<InspectionFile>('GET', `/api/jobs/${other}/inspection.json`)
    expect(body.broken).toContain('entries at the end are missing, or others stand in their place')
    expect(faults(body)).toEqual(expect.arrayContaining(['tail-cut', 'broken-at-export']))
  })
  it('so that a seal that was written anew by another key is broken, and told with that key', async () => {
    const other = (await inspector.jobs()).find((job) => job.sealed && job.id !== jobId)!.id
    const { entries, sheets } = (await reviewer.bundle(other)).body
    const signed = { format: 'plumb-mark-inspection', version: 1, jobId: other, sheets, entries } as const
    const { attested } = stranger().attest({ ...signed, sheets: [...sheets], entries: [...entries] })
    await server.database.query('DROP TRIGGER seals_are_not_changed')
    await server.database.query(
      'UPDATE seals SET seq = ?, head = ?, publicKey = ?, signature = ? WHERE jobId = ?',
      [attested!.seq, attested!.head, attested!.publicKey, attested!.signature, other],
    )
    const { body } = await reviewer.bundle(other)
    expect(body).toMatchObject({
      broken: expect.arrayContaining([expect.stringContaining('none of this installation')]) as string[],
      signer: { kind: 'stranger' },
    })
  })
  it('and a sheet that the record does not know is told', async () => {
    const record = await file()
    const stranger = { ...record.sheets[0]!, revision: 'Z' }
    expect(faults({ ...record, sheets: [...record.sheets, stranger] })).toEqual(['sheet-unknown'])
  })
})

it('the list says that it waits for nothing, and the file that leaves judges as it did here', async () => {
  expect((await inspector.jobs()).find(({ id }) => id === jobId)).toMatchObject({
    sealed: true,
    waitingFor: 'nothing: signed and sealed',
  })
  const { body: file } = await reviewer.json<InspectionFile>('GET', `/api/jobs/${jobId}/inspection.json`)
  expect(inspect(fold(file.entries), sheetsById(file.sheets)).verdict).toBe('conforms')
})
