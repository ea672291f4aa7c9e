import { fold, inspect, sheetsById, type Entry, type InspectionFile, type Inspection } from '@plumb-mark/core'
import {
  AUDIENCES,
  PART_IDS,
  USUAL_PARTS,
  reportOf,
  type PartId,
  type ReportRecord,
} from '@plumb-mark/report'
import { RunningServer, entry, type Caller } from '../../testing/running-server.testing.js'
import { report, type ReportWish } from './report.js'
import { Chance, RandomJob } from '../../../../../packages/core/src/admission/random-job.testing.js'

const WISH: ReportWish = { parts: PART_IDS, paper: 'letter', letterhead: { name: '', lines: [] } }
let server: RunningServer
let inspector: Caller
const files = new Map<string, { id: string; file: InspectionFile }>()
beforeAll(async () => {
  server = await RunningServer.start()
  inspector = await server.signIn('inspector')
  for (const { id, title } of await inspector.jobs())
    files.set(title.split(' ')[0]!, {
      id,
      file: (await inspector.json<InspectionFile>('GET', `/api/jobs/${id}/inspection.json`)).body,
    })
})
afterAll(() => server.stop())

/** A job of the demo, with more entries as if they had been made since. */
function job(name: string, ...more: { kind: string; body: object }[]): Inspection {
  const { file } = files.get(name)!
  const last = file.entries.at(-1)!
  const added = more.map(
    ({ kind, body }, i) =>
      ({
        ...last,
        id: `x${i}`,
        seq: last.seq + i + 1,
        at: new Date(Date.parse(last.at) + 60_000 * (i + 1)).toISOString(),
        kind,
        body,
      }) as Entry,
  )
  return inspect(fold([...file.entries, ...added]), sheetsById(file.sheets))
}

const asReported = (inspection: Inspection, broken: string[] = []): ReportRecord => ({
  inspection,
  broken,
  keyFingerprint: 'abcd 0123',
  reworkAddress: 'https://plumb.example/jobs/1/rework',
})

/** Every word of parts of a report, in their order. */
const said = (record: ReportRecord, ...parts: PartId[]): string => words(reportOf(record, parts))

function words(piece: unknown): string {
  if (typeof piece === 'string') return piece.replaceAll('\u00a0', ' ')
  if (Array.isArray(piece)) return piece.map(words).join('\n')
  if (typeof piece !== 'object' || piece === null) return ''
  return Object.values(piece).map(words).filter(Boolean).join('\n')
}

describe('the first page', () => {
  it('says at once how the job stands, what must be done, and that an unsigned copy is none', () => {
    const page = said(asReported(job('Fallowmere')), 'front')
    expect(page).toContain('It does not conform')
    expect(page).toContain('not signed: this is a working copy')
    expect(page).toMatch(/\d+ checks: 35 do not conform, 5 not proven, \d+ not inspected/)
    expect(page).toContain('readings accepted only clear of the instrument’s uncertainty')
    expect(page).toMatch(/major: Tightening torque, .+ tighten to the middle of the window/)
    expect(page).toContain('as on the clocks of the site (Europe/London)')
  })
  it('of a sealed job names who signed, under which licence', () => {
    const page = said(asReported(job('Skerry')), 'front')
    expect(page).toMatch(/signed and sealed by .+, licence .+/)
    expect(page).not.toContain('working copy')
  })
  it('of a record that is not what was sealed says so before anything else', () =>
    expect(said(asReported(job('Skerry'), ['entry 3: changed']), 'front')).toContain(
      'BROKEN: this record is not what was sealed (entry 3: changed)',
    ))
  it('names the other school', () => expect(said(asReported(job('Juniper')), 'front')).toContain('NEC-style'))
})

it('every check stands with its clause; what was read, with what and at which test voltage, stands in the test tables', () => {
  const record = asReported(job('Fallowmere'))
  for (const text of ['Tightening torque', 'AH-8T, 6.5', 'does-not-conform'])
    expect(said(record, 'checks')).toContain(text)
  expect(said(record, 'strings')).toMatch(
    /String B, Inverter 1 PV2\n12\nfigure\n444\.0 V\nfigure\n[\d.]+ to [\d.]+ V/,
  )
  expect(said(record, 'strings')).toContain('> 550 MΩ, 500 V')
  for (const text of ['Torque driver D1', '2.5 N·m', 'Pump-house board to Pumps'])
    expect(said(record, 'readings')).toContain(text)
  expect(said(record, 'commissioning')).toMatch(/swap the transformers of channels 1 and 2/)
  expect(said(record, 'arithmetic')).toMatch(/12 × 37\.24 V = 446\.9 V/)
  expect(said(record, 'system')).toContain('Aldervane installation manual 4117, edition C')
})

it('what was seen on one walk is said so, and not as one look at each', () => {
  const inspection = job('Juniper')
  const points = inspection.checks
    .filter(({ check }) => check.requirement.id === 'label')
    .map(({ check }) => check.point)
  const walked = job('Juniper', { kind: 'walked-over', body: { points } })
  expect(said(asReported(walked), 'checks')).toContain('seen on a walk over all 22')
  expect(said(asReported(inspection), 'checks')).not.toContain('on a walk')
})

it('a defect stands with its way, its clause and its remedy, and the installer finds the way to answer', () => {
  const record = asReported(job('Fallowmere'))
  const [defect] = record.inspection.defects
  for (const part of ['defects', 'rework'] as const) {
    expect(said(record, part)).toContain(`raised by ${defect!.raised.by.name}`)
    expect(said(record, part)).toContain(defect!.remedy)
  }
  expect(said(record, 'rework')).toContain('https://plumb.example/jobs/1/rework')
  expect(reportOf(asReported(job('Skerry')), ['defects'])).toEqual([])
})

it('a calculation is worked out again from what was put in', () => {
  const page = said(
    asReported(
      job('Fallowmere', {
        kind: 'calculation-kept',
        body: {
          calculator: 'string-cold-limit',
          title: 'Coldest morning',
          input: {
            module: { voc: 40, vocTempCoeff: -0.3 },
            count: 12,
            minTemperature: -10,
            inverterMax: 600,
            method: 'coefficient',
          },
        },
      }),
    ),
    'calculations',
  )
  expect(page).toContain('Coldest morning')
  expect(page).toContain('conforms')
  expect(page).toContain('12 × 40 V × 1.105 = 530.4 V')
})

describe('the last page', () => {
  it('without a signature counts what stands in its way', () => {
    const page = said(asReported(job('Fallowmere')), 'signature')
    expect(page).toContain('What stands in the way:')
    expect(page).toMatch(/open defects: \d+/)
  })
  it('with one carries statement, licence and the end of the chain', () => {
    const sealed = job('Skerry')
    const page = said(asReported(sealed), 'signature')
    expect(page).toContain(sealed.state.seal!.body.statement)
    expect(page).toContain(sealed.state.head!.hash)
    expect(page).toContain('abcd 0123')
  })
})

describe('how reports look', () => {
  const look = (change: object) => ({
    paper: 'letter',
    letterhead: { name: 'Marsh & Quill', lines: ['4 Weir Lane'] },
    parts: USUAL_PARTS,
    ...change,
  })
  it('is chosen by the office, and a picture that is none is refused', async () => {
    const office = await server.signIn('office')
    expect((await inspector.json('PUT', '/api/office/report', look({}))).status).toBe(403)
    const logo = `data:image/png;base64,${Buffer.alloc(60, 7).toString('base64')}`
    const refused = await office.json(
      'PUT',
      '/api/office/report',
      look({ letterhead: { name: 'M', lines: [], logo } }),
    )
    expect(refused).toMatchObject({
      status: 400,
      body: { error: { code: 'not-a-picture', path: 'letterhead.logo' } },
    })
    expect(
      (
        await office.json(
          'PUT',
          '/api/office/report',
          look({ parts: { ...USUAL_PARTS, customer: ['dance'] } }),
        )
      ).status,
    ).toBe(400)
    expect((await office.json('PUT', '/api/office/report', look({}))).status).toBe(200)
    expect((await inspector.json('GET', '/api/office/report')).body).toMatchObject(look({}))
  })
  it.each(AUDIENCES)('for %s it leaves as a PDF with bookmarks, on the paper asked for', async (audience) => {
    const { id } = files.get('Fallowmere')!
    const answer = await inspector.call('GET', `/api/jobs/${id}/report.pdf?for=${audience}&paper=a4`)
    const pdf = Buffer.from(await answer.arrayBuffer()).toString('latin1')
    expect(pdf).toContain('/Outlines')
    expect(pdf).toMatch(/MediaBox \[0 0 595\.28 841\.89\]/)
  })
})

it('leaves as a PDF, also when a calculation is kept with it', async () => {
  const { id } = files.get('Juniper')!
  await inspector.append(
    id,
    entry('calculation-kept', {
      calculator: 'reserve',
      title: 'Reserve',
      input: { capacityKwh: 10, reservePercent: 30, loadKw: 1, inverterKw: 5 },
    }),
  )
  const answer = await inspector.call('GET', `/api/jobs/${id}/report.pdf`)
  expect([answer.status, answer.headers.get('content-type')]).toEqual([200, 'application/pdf'])
  expect(
    Buffer.from(await answer.arrayBuffer())
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-')
})

describe('facts that no table knows', () => {
  /** What such facts can spoil on paper is what is drawn and calculated of them; the rest is set as ever. */
  const DRAWN: ReportWish = { ...WISH, parts: ['one-line', 'array', 'readings'] }
  const cable = (change: object) => ({
    kind: 'conductor-run',
    body: { ...job('Skerry').state.asBuilt.network.conductors[0]!, ...change },
  })
  const canopy = () => job('Juniper').state.asBuilt.array
  it.each<[string, string, () => { kind: string; body: object }[]]>([
    ['pvc at 65 °C', 'Fallowmere', () => [cable({ insulation: 'pvc', ambient: 65 })]],
    [
      '80 °C by the tables of the NEC',
      'Fallowmere',
      () => [{ kind: 'job-amended', body: { school: 'nec' } }, cable({ ambient: 80 })],
    ],
    ['five hundred circuits side by side', 'Fallowmere', () => [cable({ grouped: 500 })]],
    ['a size of a hair', 'Fallowmere', () => [cable({ size: 0.01 })]],
    [
      'two devices at one place',
      'Juniper',
      () => {
        const [device] = canopy().devices
        return [{ kind: 'devices-fitted', body: { devices: [{ ...device!, id: 'again' }] } }]
      },
    ],
    [
      'a plane of 100 by 200',
      'Juniper',
      () => {
        const [plane] = canopy().planes
        return [{ kind: 'plane-built', body: { ...plane!, rows: 100, columns: 200 } }]
      },
    ],
  ])('%s: the report says what it can, and never fails', async (_what, name, facts) => {
    const inspection = job(name, ...facts())
    expect(reportOf(asReported(inspection), PART_IDS).length).toBeGreaterThan(10)
    const pdf = await report(asReported(inspection), DRAWN, () => Promise.resolve('/no/such/photo'))
    expect(pdf.subarray(0, 5).toString()).toBe('%PDF-')
  })
  it('a plane with more places than can be drawn is refused where it is entered', async () => {
    const { id } = files.get('Juniper')!
    const [plane] = canopy().planes
    const answer = await inspector.append(id, entry('plane-built', { ...plane!, rows: 100, columns: 200 }))
    expect([answer.status, answer.body.error?.code]).toEqual([409, 'too-large'])
  })
})

it('what somebody else made void stands in the notes of judgement, with who and when', () => {
  const reading = job('Fallowmere')
    .checks.flatMap(({ history }) => history)
    .find(({ kind }) => kind === 'reading')!
  const { body } = reading
  const unitId = body.point.split('/')[0]!
  const told = said(
    asReported(job('Fallowmere', { kind: 'unit-removed', body: { unitId } }, { kind: 'reading', body })),
    'judgement',
  )
  expect(told).toContain('Entered, and without effect since')
  expect(told).toMatch(/reading: .+, Inverter 1\n(.*\n){1,2}unit removed/)
})

it('of whatever core admits a report can be made', async () => {
  for (const seed of [3, 77, 412, 5001]) {
    const random = new RandomJob(new Chance(seed))
    for (let step = 0; step < 120; step++) random.grow()
    // Judged by the core that the report is made with, not by the one that made it up.
    const { state, sheets } = random.inspection
    const inspection = inspect(fold(state.entered as readonly Entry[]), sheets)
    const pdf = await report(asReported(inspection), WISH, () => Promise.resolve('/no/such/photo'))
    expect(pdf.subarray(0, 5).toString()).toBe('%PDF-')
  }
}, 60_000)
