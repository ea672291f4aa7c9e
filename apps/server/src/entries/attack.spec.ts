import type { JobPage } from '@plumb-mark/contract'
import { connect } from 'node:net'
import { v7 as uuid } from 'uuid'
import sharp from 'sharp'
import { fold, inspect, sheetsById, type ErrorShape } from '@plumb-mark/core'
import { Caller, RunningServer, entry } from '../testing/running-server.testing.js'

let server: RunningServer
let inspector: Caller
let office: Caller
let jobId: string

beforeAll(async () => {
  server = await RunningServer.start()
  inspector = await server.signIn('inspector')
  office = await server.signIn('office')
  jobId = (await inspector.firstJob()).id
})
afterAll(() => server.stop())

/** Whatever was sent: no fault of ours, and everybody still gets an answer. */
async function answered(sent: Promise<Response>): Promise<{ status: number; error: ErrorShape['error'] }> {
  const response = await sent
  const { error } = (await response.json()) as ErrorShape
  return { status: response.status, error }
}
const refusedAs = (status: number, code: string) => ({
  status,
  error: expect.objectContaining({ code, requestId: expect.any(String) }),
})
const post = (body: unknown, path = `/api/jobs/${jobId}/entries`) =>
  answered(inspector.call('POST', path, body))
const visit = (more: object) => ({
  jobId,
  start: '2031-06-01T08:00:00Z',
  end: '2031-06-01T10:00:00Z',
  people: [{ id: 'a', name: 'A' }],
  purpose: 'look',
  ...more,
})
const keepVisit = (more: object) => answered(office.call('PUT', `/api/visits/${uuid()}`, visit(more)))

describe('facts beyond what calculators take are kept, judged as not proven, and hide nothing', () => {
  const UNIT = 'inv-1'
  const cable = (id: string, more: object) =>
    entry('conductor-run', {
      id,
      from: 'pumps',
      to: 'board',
      phases: 3,
      voltage: 400,
      size: 16,
      length: 5,
      insulation: 'pvc',
      method: 'B2',
      ambient: 30,
      grouped: 1,
      ...more,
    })
  let parts: { id: string }[]
  beforeAll(async () => {
    parts = [
      entry('earth-part-found', { id: 'x-frame', label: 'Frame', kind: 'frame', unitId: UNIT }),
      entry('earth-part-found', { id: 'x-main', label: 'Main', kind: 'main-terminal' }),
      entry('part-placed', { id: 'pumps', label: 'P', kind: 'load' }),
      entry('part-placed', { id: 'board', label: 'B', kind: 'board', unitId: UNIT }),
    ]
    expect((await inspector.append(jobId, ...parts)).status).toBe(200)
  })
  it.each<[string, object]>([
    [
      'a line conductor of 630 mm²',
      entry('bond-made', { id: 'x1', from: 'x-frame', to: 'x-main', means: 'lug', size: 16, lineSize: 630 }),
    ],
    [
      'one of 400 mm²',
      entry('bond-made', { id: 'x1', from: 'x-frame', to: 'x-main', means: 'lug', size: 16, lineSize: 400 }),
    ],
    [
      '25 kA for 1 s',
      entry('bond-made', {
        id: 'x1',
        from: 'x-frame',
        to: 'x-main',
        means: 'lug',
        size: 16,
        faultCurrent: 25000,
        clearingTime: 1,
      }),
    ],
    ['a pvc cable at 65 °C', cable('x2', { ambient: 65 })],
    [
      'a wall with a right corner and no width',
      entry('wall-measured', { id: 'x3', title: 'W', leftCorner: true, rightCorner: true, uncertainty: 0 }),
    ],
    ['one serial twice', entry('serials-reported', { unitId: UNIT, serials: ['A', 'A'] })],
  ])('%s', async (_what, sent) => {
    expect((await inspector.append(jobId, sent)).status).toBe(200)
    const { status, body } = await inspector.json<JobPage>('GET', '/api/jobs')
    expect([status, body.total, body.jobs.some(({ problem }) => problem)]).toEqual([200, 3, false])
    expect((await inspector.call('GET', `/api/jobs/${jobId}/report.pdf`)).status).toBe(200)
  })
  it('a method that is chosen later meets them all the same', async () => {
    expect(
      (await inspector.append(jobId, entry('job-amended', { earthMethod: 'adiabatic', school: 'nec' })))
        .status,
    ).toBe(200)
    expect((await inspector.call('GET', '/api/jobs')).status).toBe(200)
    await inspector.append(jobId, entry('job-amended', { earthMethod: 'table', school: 'iec' }))
  })
})

describe('what is no entry is refused and not kept', () => {
  it.each<[string, string, object, string]>([
    [
      'a string without its module',
      'string-built',
      { id: 's', label: 'S', unitId: 'inv-1', input: 'PV1', count: 3 },
      'module',
    ],
    [
      'a list for a module',
      'string-built',
      { id: 's', label: 'S', unitId: 'inv-1', input: 'PV1', count: 3, module: [] },
      'module',
    ],
    ['an obstruction that is not there', 'obstruction-measured', { wallId: 'w' }, 'obstruction'],
    ['a blank label', 'unit-fitted', { id: 'u', label: '  ', sheetId: 'aldervane-ah-8t-c' }, 'label'],
    ['a blank serial', 'serials-reported', { unitId: 'inv-1', serials: [' '] }, 'serials'],
    [
      'anything in a place that was typed',
      'unit-fitted',
      {
        id: 'u',
        label: 'U',
        sheetId: 's',
        place: { wallId: 'w', x: 0, y: 0, w: 1, h: 1, typed: { z: '1' } },
      },
      'place.typed.z',
    ],
  ])('%s', async (_what, kind, body, path) => {
    expect(await post({ entries: [entry(kind as 'reading', body)] })).toEqual({
      status: 400,
      error: expect.objectContaining({ path: `entries[0].body.${path}` }),
    })
  })
  it('null means absent, everywhere', async () => {
    const part = {
      id: 'n',
      label: 'N',
      kind: 'board',
      unitId: null,
      source: null,
      rating: null,
      residual: null,
      surge: null,
    }
    const { status, body } = await inspector.append(jobId, entry('part-placed', part))
    expect([status, body.entries[0]!.body]).toEqual([200, { id: 'n', label: 'N', kind: 'board' }])
  })
  it('an obstruction with the name of a unit', async () => {
    const wall = { id: 'aw', title: 'W', leftCorner: false, rightCorner: false, uncertainty: 0 }
    await inspector.append(jobId, entry('wall-measured', wall))
    const obstruction = { id: 'inv-1', label: 'O', class: 'pipe', x: 0, y: 0, w: 10, h: 10 }
    expect(await post({ entries: [entry('obstruction-measured', { wallId: 'aw', obstruction })] })).toEqual(
      refusedAs(409, 'id-taken'),
    )
  })
  it('one id twice in a batch', async () => {
    const one = entry('part-placed', { id: 'z', label: 'Z', kind: 'board' })
    expect(await post({ entries: [one, one] })).toEqual(refusedAs(400, 'duplicate-id'))
  })
  it.each(['2026-W10-1', '2026-06-01', '2026-06-01T08:00:00', '2026-06-31T08:00:00Z', '2026-06-01T08:00Z'])(
    'the time %s',
    async (at) => {
      const { status, error } = await post({ entries: [{ ...entry('job-amended', { title: 'T' }), at }] })
      expect([status, error.path]).toEqual([400, 'entries[0].at'])
    },
  )
  it('a person who is not here, or not by this name', async () => {
    const known = await inspector.somebody('installer')
    for (const person of [
      { ...known, id: uuid() },
      { ...known, name: 'Another' },
      { ...known, role: 'office' },
    ])
      expect(await post({ entries: [entry('shared', { person })] })).toEqual(refusedAs(409, 'unknown-person'))
  })
  it('a photo in an answer that nobody sent', async () => {
    const { body } = await inspector.bundle(jobId)
    const { checks } = inspect(fold(body.entries), sheetsById(body.sheets))
    const [{ point, wanted } = { point: '', wanted: '' }] = checks.flatMap(({ check: { point, ask } }) =>
      ask.kind === 'record' && ask.form === 'photos' ? [{ point, wanted: ask.wanted[0]!.id }] : [],
    )
    const photo = { id: uuid(), sha256: 'a'.repeat(64) }
    const answer = { taken: { [wanted]: photo } }
    expect(await post({ entries: [entry('record', { point, answer })] })).toEqual(
      refusedAs(409, 'unknown-photo'),
    )
  })
  it.each<[string, string]>([
    [
      'text for a picture',
      `data:image/png;base64,${Buffer.from('a signature, long enough to be taken for one').toString('base64')}`,
    ],
    ['an empty picture', ''],
  ])('a signature that is %s', async (_what, drawing) => {
    const blank =
      drawing ||
      `data:image/png;base64,${(
        await sharp({ create: { width: 300, height: 90, channels: 4, background: '#fff0' } })
          .png()
          .toBuffer()
      ).toString('base64')}`
    const reviewer = await server.signIn('reviewer')
    const sealed = { licence: 'L', statement: 'S', drawing: blank, sealedHead: 'a'.repeat(64) }
    const { status } = await answered(
      reviewer.call('POST', `/api/jobs/${jobId}/entries`, { entries: [entry('signed', sealed)] }),
    )
    expect([400, 409]).toContain(status)
  })
})

describe('one hostile request does not stop the server', () => {
  const quick = async (sent: () => Promise<{ status: number }>) => {
    const began = performance.now()
    const { status } = await sent()
    expect(status).toBeGreaterThanOrEqual(400)
    expect(status).toBeLessThan(500)
    return performance.now() - began
  }
  it('a field named like a pattern', async () => {
    const nasty = '(a+)+$'.repeat(20)
    const stranger = new Caller(server.address, '')
    expect(
      await quick(() =>
        answered(
          stranger.call('POST', '/api/session', { email: 'a', password: 'b', [nasty]: 'a'.repeat(5000) }),
        ),
      ),
    ).toBeLessThan(2000)
  })
  it.each<[string, (i: number) => string]>([
    ['30 000 keys', (i) => `k${i}: 1\n`],
    ['a list within a list, without end', () => '['],
    ['a dash within a dash', () => '- '],
  ])('a sheet of %s', async (_what, part) => {
    const source = Array.from({ length: 30_000 }, (_, i) => part(i)).join('')
    expect(await quick(() => answered(inspector.call('POST', '/api/sheets', { source })))).toBeLessThan(5000)
  })
  it('an alias of nothing', async () => {
    expect(await answered(inspector.call('POST', '/api/sheets', { source: 'a: *nobody' }))).toEqual(
      refusedAs(400, 'not-yaml'),
    )
  })
  it.each(['clearance-rework', 'clearance'])('a %s of a whole street', async (calculator) => {
    const items = Array.from({ length: 5000 }, (_, i) => ({
      id: `u${i}`,
      kind: 'unit',
      x: 0,
      y: 0,
      w: 100,
      h: 100,
      clear: { left: 9, right: 9, top: 9, bottom: 9 },
    }))
    expect(
      await quick(() =>
        post({
          entries: [entry('calculation-kept', { calculator, title: 'T', input: { wall: {}, items } })],
        }),
      ),
    ).toBeLessThan(8000)
  })
  it('members of every object, and nesting without end', async () => {
    expect(await post('{"entries":[{"constructor":{"name":"x"}}]}')).toEqual(refusedAs(400, 'invalid'))
    expect(await post(`{"entries":${'['.repeat(5000)}${']'.repeat(5000)}}`)).toEqual(
      refusedAs(400, 'too-deep'),
    )
  })
  it('a cookie that claims to hold data, a lone surrogate in an address', async () => {
    const strange = new Caller(server.address, 'plumb_session=j:{}')
    expect(await answered(strange.call('GET', '/api/jobs'))).toEqual(refusedAs(401, 'not-signed-in'))
    expect(
      await answered(strange.call('POST', '/api/session', '{"email":"\\ud800","password":"x"}')),
    ).toEqual(refusedAs(400, 'not-text'))
  })
  it('what is no HTTP gets the one error shape', async () => {
    const { port, hostname } = new URL(server.address)
    const said = await new Promise<string>((resolve) => {
      let text = ''
      const socket = connect(Number(port), hostname, () => socket.write('hello there\r\n\r\n'))
      socket.on('data', (data) => (text += data.toString())).on('close', () => resolve(text))
    })
    expect(said).toMatch(/^HTTP\/1.1 400 .*"code":"bad-request"/s)
  })
})

describe('visits that cannot be', () => {
  it.each<[string, object]>([
    [
      'the same person twice',
      {
        people: [
          { id: 'a', name: 'A' },
          { id: 'a', name: 'A' },
        ],
      },
    ],
    ['a week for a day', { start: '2031-W10-1' }],
    ['a list for a person', { people: [[]] }],
  ])('%s', async (_what, more) => expect(await keepVisit(more)).toEqual(refusedAs(400, 'invalid')))
  it('from two days at once', async () => {
    expect(await answered(office.call('GET', '/api/visits?from=a&from=b'))).toEqual(refusedAs(400, 'invalid'))
  })
})

describe('photos', () => {
  const send = (content: Buffer, id = uuid()) => {
    const form = new FormData()
    form.append('photo', new Blob([new Uint8Array(content)]), 'p.jpg')
    return inspector.call('PUT', `/api/jobs/${jobId}/photos/${id}`, form)
  }
  const picture = () =>
    sharp({ create: { width: 400, height: 300, channels: 3, background: '#447' } })
      .jpeg()
      .toBuffer()
  it('that are empty or cut off are none', async () => {
    const whole = await picture()
    for (const content of [Buffer.alloc(0), whole.subarray(0, whole.length >> 1)])
      expect(await answered(send(content))).toEqual(refusedAs(400, 'not-a-photo'))
  })
  it('sent twice at once are kept once', async () => {
    const [content, id] = [await picture(), uuid()]
    const sent = await Promise.all([send(content, id), send(content, id)])
    expect(sent.map(({ status }) => status)).toEqual([200, 200])
  })
})

it('a database that holds what an older program took starts, shows every job, and the one can be opened, corrected and exported', async () => {
  const db = server.database
  const { entries } = (await inspector.bundle(jobId)).body
  const seq = entries.length + 1
  const bodies = [
    ['string-built', { id: 'old', label: ' ', unitId: 'inv-1', input: 'PV1', count: 3 }],
    ['obstruction-measured', { wallId: 'w' }],
    ['part-placed', { id: 'old', label: 'P', kind: 'board', unitId: null, rating: null }],
  ] as const
  for (const [i, [kind, body]] of bodies.entries())
    await db.query('INSERT INTO entries VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, NULL, NULL)', [
      uuid(),
      jobId,
      seq + i,
      kind,
      '2026-06-01T08:00:00Z',
      JSON.stringify(entries[0]!.by),
      JSON.stringify(body),
      'p',
      'h',
    ])
  await db.query('INSERT INTO sheets VALUES (?, ?, ?, ?, ?, ?, NULL, NULL, NULL)', [
    'old',
    'M',
    'X',
    '1',
    'format: plumb-mark-sheet\nmass: -1 kg',
    'f',
  ])
  await server.restart()
  inspector = await server.signIn('inspector')
  expect(await inspector.jobs()).toHaveLength(3)
  expect(
    (await inspector.json<{ id: string; problem?: string }[]>('GET', '/api/sheets')).body.find(
      ({ id }) => id === 'old',
    )?.problem,
  ).toMatch(/./)
  for (const path of ['', '/report.pdf', '/inspection.json'])
    expect((await inspector.call('GET', `/api/jobs/${jobId}${path}`)).status).toBe(200)
  const { body } = await inspector.bundle(jobId)
  const unreadable = body.entries.find((one) => one.seq === seq)!
  const strike = entry('evidence-struck', { entryId: unreadable.id, reason: 'cannot be read' })
  expect((await inspector.append(jobId, strike)).status).toBe(200)
})
