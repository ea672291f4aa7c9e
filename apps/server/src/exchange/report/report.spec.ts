import type { Content } from 'pdfmake/interfaces.js'
import { fold, inspect, sheetsById, type Entry, type InspectionFile, type Inspection } from '@plumb-mark/core'
import { RunningServer, entry, type Caller } from '../../testing/running-server.testing.js'
import { calculationPages } from './calculations.js'
import { checkPages } from './checks.js'
import { defectPages } from './defects.js'
import { frontPage } from './front.js'
import { report } from './report.js'
import { Chance, RandomJob } from '../../../../../packages/core/src/admission/random-job.testing.js'
import { signaturePage } from './signature.js'

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

const asReported = (inspection: Inspection) => ({ inspection, broken: [], keyFingerprint: 'abcd 0123' })

/** Every word of a page, in its order. */
function words(content: unknown): string {
  if (typeof content === 'string' || typeof content === 'number')
    return String(content).replaceAll('\u00a0', ' ')
  if (Array.isArray(content)) return content.map(words).join('\n')
  if (typeof content !== 'object' || content === null) return ''
  const { text, stack, columns, ul, table } = content as Record<string, unknown> & {
    table?: { body: unknown }
  }
  return [text, stack, columns, ul, table?.body].map(words).filter(Boolean).join('\n')
}

describe('the first page', () => {
  it('says at once how the job stands, and that an unsigned copy is none', () => {
    const page = words(frontPage(asReported(job('Fallowmere'))))
    expect(page).toContain('not signed: this is a working copy')
    expect(page).toMatch(/\d+ checks: 27 does not conform, 5 not proven, \d+ not inspected/)
    expect(page).toContain('Aldervane installation manual 4117, edition C')
    expect(page).toContain('readings accepted only clear of the instrument’s uncertainty')
  })
  it('of a sealed job names who signed, under which licence', () => {
    const page = words(frontPage(asReported(job('Skerry'))))
    expect(page).toMatch(/signed and sealed by .+, licence .+/)
    expect(page).not.toContain('working copy')
  })
  it('of a record that is not what was sealed says so before anything else', () => {
    const page = words(frontPage({ inspection: job('Skerry'), broken: ['entry 3: changed'] }))
    expect(page).toContain('BROKEN: this record is not what was sealed (entry 3: changed)')
  })
  it('names the other school', () =>
    expect(words(frontPage(asReported(job('Juniper'))))).toContain('NEC-style'))
})

it('every check stands with clause, reading, instrument and arithmetic', () => {
  const pages = words(checkPages(job('Fallowmere')) as Content)
  for (const said of ['Tightening torque', 'Torque driver D1', '2.5 N·m', 'AH-8T C, 6.5'])
    expect(pages).toContain(said)
  expect(pages).toMatch(/12 × 37\.24 V = 446\.9 V/)
})

it('a defect stands with its way and its remedy', async () => {
  const { defects } = job('Fallowmere')
  const page = words(
    await defectPages(
      {
        defects: defects.map((defect) => ({
          ...defect,
          raised: { ...defect.raised, body: { ...defect.raised.body, photos: [] } },
          steps: defect.steps.map((step) => ({ ...step, body: { ...step.body, photos: [] } })),
        })),
      } as unknown as Inspection,
      async () => '',
    ),
  )
  expect(page).toContain(`raised by ${defects[0]!.raised.by.name}`)
  expect(page).toContain(`Remedy: ${defects[0]!.remedy}`)
  expect(await defectPages({ defects: [] } as unknown as Inspection, async () => '')).toBe('')
})

it('a calculation is worked out again from what was put in', () => {
  const page = words(
    calculationPages(
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
  )
  expect(page).toContain('Coldest morning')
  expect(page).toContain('conforms')
  expect(page).toContain('12 × 40 V × 1.105 = 530.4 V')
})

describe('the last page', () => {
  it('without a signature lists what stands in its way', async () => {
    const page = words(await signaturePage(asReported(job('Fallowmere'))))
    expect(page).toContain('What stands in the way:')
    expect(page).toContain('String C')
  })
  it('with one carries statement, licence and the end of the chain', async () => {
    const sealed = job('Skerry')
    const page = words(await signaturePage(asReported(sealed)))
    expect(page).toContain(sealed.state.seal!.body.statement)
    expect(page).toContain(sealed.state.head!.hash)
    expect(page).toContain('abcd 0123')
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

it('of whatever core admits a report can be made', async () => {
  for (const seed of [3, 77, 412, 5001]) {
    const random = new RandomJob(new Chance(seed))
    for (let step = 0; step < 120; step++) random.grow()
    const pdf = await report(asReported(random.inspection), () => Promise.resolve('/no/such/photo'))
    expect(pdf.subarray(0, 5).toString()).toBe('%PDF-')
  }
}, 60_000)
