import { readFileSync } from 'node:fs'
import { v7 as uuid } from 'uuid'
import type { PlannedVisit, SheetInLibrary, SheetSummary, SignedRecords } from '@plumb-mark/contract'
import type { Instrument, JobHeader, Person } from '@plumb-mark/core'
import { RunningServer, type Caller } from '../testing/running-server.testing.js'

let server: RunningServer
let office: Caller
let inspector: Caller
let jobId: string
beforeAll(async () => {
  server = await RunningServer.start()
  office = await server.signIn('office')
  inspector = await server.signIn('inspector')
  jobId = (await inspector.firstJob()).id
})
afterAll(() => server.stop())

const DX = readFileSync('samples/sheets/aldervane-dx-4-a.yaml', 'utf8')
const fault = (answer: { status: number; body: unknown }) => [
  answer.status,
  (answer.body as { error?: { code: string } }).error?.code,
]

describe('the library of sheets', () => {
  it('tells what each revision is and how many jobs are judged by it', async () => {
    const { body } = await office.json<SheetSummary[]>('GET', '/api/sheets')
    expect(body.length).toBeGreaterThanOrEqual(12)
    expect(body.find(({ id }) => id === 'aldervane-ah-8t-c')).toMatchObject({
      revision: 'C',
      kind: 'hybrid-inverter',
      usedBy: 1,
    })
    expect(body.find(({ id }) => id === 'aldervane-ah-8t-d')).toMatchObject({ usedBy: 0 })
  })
  it('names the jobs of one', async () =>
    expect(
      (await office.json<SheetInLibrary>('GET', '/api/sheets/aldervane-ah-8t-c')).body.usedBy,
    ).toMatchObject([{ number: 'PM-2611', sealed: false }]))
  it('never changes a revision that a job uses, not even when asked to', async () => {
    const answer = await office.json('POST', '/api/sheets', {
      source: DX.replace('max: 19 in·lb', 'max: 29 in·lb'),
      replace: true,
    })
    expect(fault(answer)).toEqual([409, 'revision-used'])
    expect((await office.json<SheetInLibrary>('GET', '/api/sheets/aldervane-dx-4-a')).body.source).toBe(DX)
  })
  it('takes the change as a revision of its own, and that one may be written over until it is used', async () => {
    const next = DX.replace('revision: A', 'revision: B')
    expect((await office.json('POST', '/api/sheets', { source: next })).status).toBe(200)
    expect(
      fault(
        await office.json('POST', '/api/sheets', { source: next.replace('max: 19 in·lb', 'max: 20 in·lb') }),
      ),
    ).toEqual([409, 'revision-exists'])
    expect(
      (
        await office.json('POST', '/api/sheets', {
          source: next.replace('max: 19 in·lb', 'max: 20 in·lb'),
          replace: true,
        })
      ).status,
    ).toBe(200)
  })
  it('refuses a file with a fault, with its line, and keeps nothing of it', async () => {
    const answer = await office.json<{ error: { message: string } }>('POST', '/api/sheets', {
      source: DX.replace('severity: minor', 'severity: grave').replace('model: DX-4', 'model: DX-9'),
    })
    expect(answer.body.error.message).toMatch(/^line \d+: .*must be one of stop, major, minor, note/)
    expect(
      (await office.json<SheetSummary[]>('GET', '/api/sheets')).body.some(({ model }) => model === 'DX-9'),
    ).toBe(false)
  })
  it('refuses a field that would be passed over, so that no misspelt condition is lost', async () =>
    expect(
      fault(
        await office.json('POST', '/api/sheets', {
          source: DX.replace('model: DX-4', 'model: DX-9').replace(
            'severity: minor',
            'severity: minor\n    wen: { outdoors: true }',
          ),
        }),
      ),
    ).toEqual([400, 'unknown-field']))
  it('is closed to installers', async () =>
    expect((await (await server.signIn('installer')).json('GET', '/api/sheets')).status).toBe(403))
})

describe('adopting a revision', () => {
  const pinned = async (id: string) => {
    const { sheet, fingerprint } = (await office.json<SheetInLibrary>('GET', `/api/sheets/${id}`)).body
    return { id, maker: sheet.maker, model: sheet.model, revision: sheet.revision, fingerprint }
  }
  const adopt = async (id: string, replaces: string, change: object = {}) =>
    inspector.append(jobId, {
      id: uuid(),
      kind: 'sheet-adopted',
      at: new Date().toISOString(),
      body: { sheet: { ...(await pinned(id)), ...change }, replaces },
    } as never)
  it('is refused for a sheet that says something else, or of another model', async () => {
    expect(
      fault(await adopt('aldervane-ah-8t-d', 'aldervane-ah-8t-c', { fingerprint: '0'.repeat(64) })),
    ).toEqual([409, 'unknown-sheet'])
    expect(fault(await adopt('aldervane-as-5-b', 'aldervane-ah-8t-c'))).toEqual([409, 'other-model'])
  })
  it('turns every unit over, and the readings stay', async () => {
    expect((await adopt('aldervane-ah-8t-d', 'aldervane-ah-8t-c')).status).toBe(200)
    const { entries, sheets } = (await inspector.bundle(jobId)).body
    expect(sheets.map(({ model, revision }) => `${model} ${revision}`)).toContain('AH-8T D')
    expect(entries.filter(({ kind }) => kind === 'reading').length).toBeGreaterThan(10)
    expect(
      (await office.json<SheetInLibrary>('GET', '/api/sheets/aldervane-ah-8t-d')).body.usedBy,
    ).toHaveLength(1)
  })
})

describe('a revision that came after a record was signed', () => {
  const signedUnder = async (id: string) =>
    (await inspector.json<SignedRecords>('GET', `/api/sheets/${id}/signed`)).body
  const revised = async (revision: string, change: (source: string) => string) => {
    const before = await (await office.call('GET', '/api/sheets/aldervane-as-5-b/file')).text()
    const source = change(before)
      .replace('revision: B', `revision: ${revision}`)
      .replace('date: 2024-09-30', 'date: 2026-12-24')
    return (await office.json<{ id: string }>('POST', '/api/sheets', { source })).body.id
  }
  it('tells which of them it would judge otherwise, check by check, and changes none', async () => {
    const tighter = await revised('T', (source) =>
      source.replaceAll('torque: { min: 1.2 N·m, max: 1.5 N·m }', 'torque: { min: 2.2 N·m, max: 2.5 N·m }'),
    )
    const { records, looked, left } = await signedUnder(tighter)
    expect([looked, left, records.map(({ revision }) => revision)]).toEqual([1, 0, ['B']])
    expect(records[0]!.checks).toContainEqual(
      expect.objectContaining({ title: expect.stringContaining('Tightening torque'), before: 'conforms' }),
    )
    const sealed = (await inspector.jobs()).find(({ id }) => id === records[0]!.jobId)!
    expect(sealed.sealed).toBe(true)
  })
  it('that asks the same says so', async () => {
    const same = await revised('S', (source) => source)
    expect(await signedUnder(same)).toMatchObject({ records: [], looked: 1 })
  })
  it('has nothing to tell where nobody signed by an earlier one', async () =>
    expect(await signedUnder('aldervane-dx-4-a')).toEqual({ records: [], looked: 0, left: 0 }))
})

describe('visits', () => {
  const people = async (role: string) =>
    (await office.json<Person[]>('GET', '/api/people')).body
      .filter((person) => person.role === role)
      .map(({ id, name }) => ({ id, name }))
  const book = async (start: string, end: string, role = 'inspector', id = uuid()) =>
    office.json('PUT', `/api/visits/${id}`, {
      jobId,
      start,
      end,
      people: await people(role),
      purpose: 'look',
    })
  it('are booked, and nobody is sent to two places', async () => {
    expect((await book('2027-01-11T08:00:00Z', '2027-01-11T10:00:00Z')).status).toBe(200)
    expect(fault(await book('2027-01-11T09:30:00Z', '2027-01-11T11:00:00Z'))).toEqual([409, 'double-booked'])
    expect((await book('2027-01-11T09:30:00Z', '2027-01-11T11:00:00Z', 'reviewer')).status).toBe(200)
    expect((await book('2027-01-11T10:00:00Z', '2027-01-11T11:00:00Z')).status).toBe(200)
  })
  it('asked for by two at the same moment, one is refused', async () => {
    const answers = await Promise.all(
      [1, 2, 3].map(() => book('2027-02-01T08:00:00Z', '2027-02-01T10:00:00Z')),
    )
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409, 409])
  })
  it('are moved and cancelled', async () => {
    const id = uuid()
    await book('2027-03-01T08:00:00Z', '2027-03-01T10:00:00Z', 'inspector', id)
    expect((await book('2027-03-01T09:00:00Z', '2027-03-01T11:00:00Z', 'inspector', id)).status).toBe(200)
    expect((await office.call('DELETE', `/api/visits/${id}`)).status).toBe(204)
    expect((await office.json<PlannedVisit[]>('GET', '/api/visits?from=2027-03-01T00:00:00Z')).body).toEqual(
      [],
    )
  })
  it('that end before they begin, or send nobody, are refused', async () => {
    expect(fault(await book('2027-04-01T10:00:00Z', '2027-04-01T08:00:00Z'))).toEqual([
      400,
      'ends-before-start',
    ])
    expect((await book('2027-04-01T08:00:00Z', '2027-04-01T10:00:00Z', 'nobody')).status).toBe(400)
  })
  it('leave as iCalendar', async () => {
    const text = await (await office.call('GET', `/api/jobs/${jobId}/visits.ics`)).text()
    expect(text).toMatch(/^BEGIN:VCALENDAR\r\n/)
    expect(text).toContain('DTSTART:20270111T080000Z')
    expect(text.replace(/\r\n /g, '')).toContain(
      'LOCATION:Fallowmere Trout Hatchery\\, Lower Weir Lane\\, pump house',
    )
  })
})

describe('what the office keeps', () => {
  it('a calibration renewed holds for new readings; only the office writes it', async () => {
    const { body } = await office.json<Instrument[]>('GET', '/api/instruments')
    const expired = body.find(({ id }) => id === 'driver-2')!
    expect((await inspector.json('PUT', '/api/instruments/driver-2', expired)).status).toBe(403)
    expect(
      (await office.json('PUT', '/api/instruments/driver-2', { ...expired, calibratedUntil: '2027-12-31' }))
        .status,
    ).toBe(200)
    expect(
      (await office.json<Instrument[]>('GET', '/api/instruments')).body.find(({ id }) => id === 'driver-2'),
    ).toMatchObject({ calibratedUntil: '2027-12-31' })
  })
  it('an instrument that states no uncertainty is not kept, and none of a file with one', async () => {
    const [first, second] = (await office.json<Instrument[]>('GET', '/api/instruments')).body
    const unstated = { ...first!, accuracy: [{ dimension: 'voltage', percent: 0, plus: 0 }] }
    const missing = { status: 400, body: { error: { code: 'uncertainty-missing' } } }
    expect(await office.json('PUT', `/api/instruments/${first!.id}`, unstated)).toMatchObject(missing)
    const file = { instruments: [{ ...second!, name: 'renamed' }, unstated] }
    expect(await office.json('POST', '/api/instruments/import', file)).toMatchObject(missing)
    expect((await office.json<Instrument[]>('GET', '/api/instruments')).body.slice(0, 2)).toEqual([
      first,
      second,
    ])
  })
  it('minutes of each kind of check, and nothing that is no kind', async () => {
    expect((await office.json('PUT', '/api/office/minutes', { limits: 3.5 })).status).toBe(200)
    expect((await inspector.json('GET', '/api/office/minutes')).body).toEqual({ limits: 3.5 })
    expect((await office.json('PUT', '/api/office/minutes', { dancing: 3 })).status).toBe(400)
    expect((await office.json('PUT', '/api/office/minutes', { limits: -1 })).status).toBe(400)
  })
  it('a job number is given once', async () => {
    const header = (await inspector.bundle(jobId)).body.entries[0]!.body as JobHeader
    expect(
      fault(
        await office.append(uuid(), {
          id: uuid(),
          kind: 'job-opened',
          at: new Date().toISOString(),
          body: header,
        } as never),
      ),
    ).toEqual([409, 'number-taken'])
  })
})

describe('a record of several parts', () => {
  const record = (point: string, answer: object) =>
    inspector.append(jobId, {
      id: uuid(),
      kind: 'record',
      at: new Date().toISOString(),
      body: { point, answer },
    } as never)
  it('is kept when it fits what its check asks', async () =>
    expect(
      (await record('meter-1/bank/unit', { positions: { s1: 'on', s2: 'off', s3: 'off', s4: 'on' } })).status,
    ).toBe(200))
  it('is refused when it names what is not offered, or a figure that was not typed', async () => {
    expect(fault(await record('meter-1/bank/unit', { positions: { s9: 'on' } }))).toEqual([
      409,
      'answer-differs',
    ])
    expect(
      fault(await record('meter-1/transformers/unit', { values: { ct: { typed: '3', value: 4 } } })),
    ).toEqual([409, 'answer-differs'])
    expect(fault(await record('meter-1/nothing/unit', { positions: {} }))).toEqual([409, 'unknown-point'])
  })
})

describe('four eyes', () => {
  const source = DX.replace('revision: A', 'revision: F')
  const id = 'aldervane-dx-4-f'
  const notReleased = async () =>
    (await office.json<SheetSummary[]>('GET', '/api/sheets')).body.flatMap((sheet) =>
      sheet.notReleased ? [sheet.id] : [],
    )
  const want = (wanted: boolean) => office.json('PUT', '/api/office/four-eyes', { wanted })

  it('where the office wants them, a sheet written here waits for another person', async () => {
    await inspector.json('POST', '/api/sheets', { source })
    expect(await notReleased()).toEqual([])
    await want(true)
    expect(await notReleased()).toContain(id)
    expect(fault(await inspector.json('POST', `/api/sheets/${id}/release`))).toEqual([403, 'own-sheet'])
    const { body } = await office.json<SheetInLibrary>('POST', `/api/sheets/${id}/release`)
    expect(body).toMatchObject({ writtenBy: { name: 'Ottilie Marsh' }, releasedBy: { name: 'Corin Wakely' } })
    expect(await notReleased()).not.toContain(id)
  })

  it('another content under the same name is another sheet, and waits again', async () => {
    await inspector.json('POST', '/api/sheets', {
      source: source.replace('max: 19 in·lb', 'max: 18 in·lb'),
      replace: true,
    })
    expect(await notReleased()).toContain(id)
  })

  it('whoever writes over a sheet is its writer, and does not release it', async () => {
    await office.json('POST', '/api/sheets', {
      source: source.replace('max: 19 in·lb', 'max: 17 in·lb'),
      replace: true,
    })
    expect(fault(await office.json('POST', `/api/sheets/${id}/release`))).toEqual([403, 'own-sheet'])
    const { body } = await inspector.json<SheetInLibrary>('POST', `/api/sheets/${id}/release`)
    expect(body).toMatchObject({ writtenBy: { name: 'Corin Wakely' }, releasedBy: { name: 'Ottilie Marsh' } })
    await office.json('POST', '/api/sheets', { source, replace: true })
  })

  it('no job is signed by it until then', async () => {
    const reviewer = await server.signIn('reviewer')
    const sealed = await reviewer.json<{ jobs: unknown }>('GET', `/api/sheets/${id}`)
    expect(sealed.body).toMatchObject({ notReleased: true })
    await want(false)
    expect(await notReleased()).toEqual([])
    expect(fault(await inspector.json('PUT', '/api/office/four-eyes', { wanted: true }))[0]).toBe(403)
  })
})
