import { v7 as uuid } from 'uuid'
import type { JobSummary } from '@plumb-mark/contract'
import type { EntryKind } from '@plumb-mark/core'
import { RunningServer, type Caller } from '../testing/running-server.testing.js'

let server: RunningServer
let inspector: Caller
let jobs: JobSummary[]
beforeAll(async () => {
  server = await RunningServer.start()
  inspector = await server.signIn('inspector')
  jobs = await inspector.jobs()
})
afterAll(() => server.stop())

const jobOf = (title: string) => jobs.find((job) => job.title.startsWith(title))!.id
const write = async (caller: Caller, title: string, kind: EntryKind, body: object) => {
  const { status, body: answer } = await caller.append(jobOf(title), {
    id: uuid(),
    kind,
    at: new Date().toISOString(),
    body,
  } as never)
  return status === 200 ? 'kept' : (answer as unknown as { error: { code: string } }).error.code
}
const cable = {
  id: 'x',
  from: 'n-board',
  to: 'n-q1',
  phases: 3,
  voltage: 400,
  size: 6,
  length: 1,
  insulation: 'pvc',
  method: 'C',
  ambient: 30,
  grouped: 1,
}

it.each<[string, EntryKind, object, string]>([
  [
    'a plane of modules that are not there',
    'plane-built',
    {
      id: 'p',
      label: 'P',
      unitId: 'nobody',
      rows: 1,
      columns: 1,
      orientation: 'portrait',
      gap: 0,
      empty: [],
    },
    'unknown-unit',
  ],
  [
    'a box on a plane that is not there',
    'devices-fitted',
    {
      devices: [{ id: 'd', unitId: 'modules', at: 'nowhere.r1c1', feeds: [], idlePorts: 0, cappedPorts: 0 }],
    },
    'unknown-place',
  ],
  [
    'a bond to a part that is not there',
    'bond-made',
    { id: 'b', from: 'bar', to: 'nowhere', means: 'lug' },
    'unknown-part',
  ],
  [
    'a bond from a part to itself',
    'bond-made',
    { id: 'b', from: 'bar', to: 'bar', means: 'lug' },
    'to-itself',
  ],
  ['a cable from a part that is not there', 'conductor-run', { ...cable, from: 'nowhere' }, 'unknown-part'],
  ['a cable that ends where it begins', 'conductor-run', { ...cable, to: 'n-board' }, 'to-itself'],
  [
    'a gap on a wall that is not there',
    'gap-measured',
    { wallId: 'nowhere', gap: { id: 'g', from: 'a', to: 'b', axis: 'up', value: 1, typed: '1 mm' } },
    'unknown-wall',
  ],
  ['a cable that is in order', 'conductor-run', cable, 'kept'],
])('%s: %s', async (_what, kind, body, code) =>
  expect(await write(inspector, 'Fallowmere', kind, body)).toBe(code),
)

it('an installer builds nothing, and a reviewer neither', async () => {
  for (const role of ['installer', 'reviewer'] as const)
    expect(await write(await server.signIn(role), 'Fallowmere', 'conductor-run', { ...cable, id: 'y' })).toBe(
      'not-your-entry',
    )
})
it('nothing is built into a sealed job, whatever it is', async () => {
  for (const [kind, body] of [
    ['conductor-run', cable],
    ['job-amended', { coldest: -20 }],
    ['plane-removed', { planeId: 'loft' }],
    ['record', { point: 'meter/balance/unit', answer: { values: {} } }],
  ] as [EntryKind, object][])
    expect(await write(inspector, 'Skerry', kind, body)).toBe('sealed')
})
it('a defect of the one-line diagram closes when the diagram is put right', async () => {
  const check = 'rules/cables/c-pumps'
  const defectId = uuid()
  const raised = {
    defectId,
    checkId: check,
    severity: 'stop',
    title: 'Cable',
    place: 'Pumps',
    finding: 'too small',
    remedy: 'larger',
  }
  expect(await write(inspector, 'Fallowmere', 'defect-raised', raised)).toBe('kept')
  expect(
    await write(await server.signIn('installer'), 'Fallowmere', 'defect-step', {
      defectId,
      step: 'reworked',
      note: 'pulled 50 mm²',
    }),
  ).toBe('kept')
  expect(
    await write(inspector, 'Fallowmere', 'conductor-run', {
      ...cable,
      id: 'c-pumps',
      from: 'n-board',
      to: 'n-pumps',
      size: 50,
      length: 18,
      method: 'B2',
    }),
  ).toBe('kept')
  const after = (await inspector.jobs()).find(({ id }) => id === jobOf('Fallowmere'))!
  expect(after.open.stop).toBe(0)
})
