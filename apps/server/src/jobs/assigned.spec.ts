import { v7 as uuid } from 'uuid'
import type { DefectPage, JobBundle, JobPage } from '@plumb-mark/contract'
import type { Role } from '@plumb-mark/core'
import { RunningServer, entry, torque, type Caller } from '../testing/running-server.testing.js'

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

const wish = (more: object = {}) => ({
  number: 'PM-9001',
  title: 'Barn',
  site: 'Mill Lane',
  customer: 'Nobody',
  school: 'iec',
  units: [],
  people: [],
  ...more,
})
const imports = (...jobs: object[]) =>
  office.call('POST', '/api/jobs/import', { jobs, timeZone: 'Europe/London' })
const found = async (q: string) => (await office.json<JobPage>('GET', `/api/jobs?q=${q}`)).body.jobs

describe('jobs of a file', () => {
  it('are opened with units, people and their day, and only by the office', async () => {
    const { id } = await office.somebody('inspector')
    const units = [{ sheetId: 'thrumcap-tb-10-b', label: 'TB-10', count: 2 }]
    expect((await imports(wish({ units, people: [id], due: '2026-12-04' }))).status).toBe(204)
    const [job] = await found('PM-9001')
    expect(job).toMatchObject({ number: 'PM-9001', due: '2026-12-04' })
    const { entries } = (await office.bundle(job!.id)).body
    expect(entries.map(({ kind }) => kind)).toEqual(['job-opened', 'shared', 'unit-fitted', 'unit-fitted'])
    expect((await inspector.call('POST', '/api/jobs/import', { jobs: [wish()] })).status).toBe(403)
  })
  it.each([
    ['a number that is taken', wish(), 'number-taken'],
    ['a number that stands twice', wish({ number: 'PM-9002' }), 'number-taken'],
    ['somebody who is not here', wish({ number: 'PM-9003', people: [uuid()] }), 'unknown-person'],
    [
      'a sheet that is not here',
      wish({ number: 'PM-9003', units: [{ sheetId: 'none', label: 'N', count: 1 }] }),
      'unknown-sheet',
    ],
  ])('with %s none of them is opened, and the row is named', async (_what, bad, code) => {
    const answer = await imports(wish({ number: 'PM-9002' }), bad)
    const { error } = (await answer.json()) as { error: { code: string; path: string } }
    expect(error.code).toBe(code)
    expect(error.path).toMatch(/^jobs\[1\]/)
    expect(await found('PM-9002')).toEqual([])
  })
})

describe('where an inspector enters only into their own jobs', () => {
  const want = (wanted: boolean) => office.call('PUT', '/api/office/assigned-only', { wanted })
  const refusal = async (by: Caller, job = jobId) => (await by.append(job, torque())).body.error?.code
  const other = async (): Promise<Caller> => {
    const email = `${uuid()}@plumb.example`
    const password = 'three brass bobs'
    const made = await office.json<{ link: { token: string } }>('POST', '/api/office/people', {
      name: 'Una Other',
      email,
      role: 'inspector' satisfies Role,
    })
    await server.stranger().call('POST', '/api/welcome', { token: made.body.link.token, password })
    return server.signInAs({ email, password })
  }
  afterAll(() => want(false))
  it('whoever opened it, or is assigned, enters; others read, and are told why', async () => {
    const una = await other()
    expect(await refusal(una)).toBeUndefined()
    expect((await want(true)).status).toBe(200)
    expect(await refusal(una)).toBe('not-assigned')
    const photo = new FormData()
    photo.append('photo', new Blob([new Uint8Array(64)], { type: 'image/jpeg' }), 'a.jpg')
    expect((await una.call('PUT', `/api/jobs/${jobId}/photos/${uuid()}`, photo)).status).toBe(403)
    expect((await una.bundle(jobId)).body as JobBundle).toMatchObject({
      readOnly: expect.stringContaining('assigned'),
    })
    expect(await refusal(inspector)).toBeUndefined()
    const people = (await office.json<{ id: string; name: string }[]>('GET', '/api/people')).body
    const { id, name } = people.find((one) => one.name === 'Una Other')!
    await office.append(jobId, entry('shared', { person: { id, name, role: 'inspector' } }))
    expect(await refusal(una)).toBeUndefined()
    expect((await una.bundle(jobId)).body.readOnly).toBeUndefined()
  })
  it('what was kept before is answered as kept when it is sent again, also by who may enter no longer', async () => {
    await want(false)
    const una = await other()
    const once = torque('2.4 N·m', 2.4)
    expect((await una.append(jobId, once)).status).toBe(200)
    await want(true)
    expect((await una.append(jobId, once)).status).toBe(200)
    expect(await refusal(una)).toBe('not-assigned')
  })
  it('nobody assigns themselves', async () => {
    await want(true)
    const una = await other()
    const { id } = (await una.json<{ person: { id: string } }>('GET', '/api/session')).body.person
    const share = entry('shared', { person: { id, name: 'Una Other', role: 'inspector' } })
    expect((await una.append(jobId, share)).body.error?.code).toBe('not-assigned')
  })
})

it('what is overdue stands first among the defects of all jobs, with who raised it', async () => {
  const list = async () => (await office.json<DefectPage>('GET', '/api/defects')).body.defects
  const last = (await list()).at(-1)!
  const due = entry('defect-amended', { defectId: last.id, due: '2026-01-02', responsible: 'Roof crew' })
  expect((await office.append(last.jobId, due)).status).toBe(200)
  const [first, ...others] = await list()
  expect(first).toMatchObject({ id: last.id, due: '2026-01-02', overdue: true, responsible: 'Roof crew' })
  expect(others.filter(({ due, overdue }) => overdue && due === '')).toEqual([])
  expect(first!.raisedBy).not.toBe('')
  const calendar = await (await office.call('GET', '/api/visits.ics')).text()
  expect(calendar).toContain('20260102')
})
