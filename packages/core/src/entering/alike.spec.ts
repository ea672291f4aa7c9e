import { SampleJob } from '../admission/sample-job.testing.js'
import { alikeTo } from './alike.js'
import { likeJob } from './like-job.js'

const module = { name: 'M', voc: 40, vocTempCoeff: -0.3, cellsInSeries: 60, bypassDiodes: 3 }
const cable = {
  phases: 3 as const,
  voltage: 400,
  size: 6,
  length: 5,
  insulation: 'pvc' as const,
  method: 'C' as const,
  ambient: 30,
  grouped: 1,
}
const job = () =>
  SampleJob.opened()
    .write('inspector', 'unit-fitted', { id: 'v', label: 'Box 2', sheetId: 'nobody-box-1' })
    .write('inspector', 'string-built', {
      id: 's',
      label: 'String A',
      unitId: 'u',
      input: 'PV1',
      module,
      count: 12,
    })
    .write('inspector', 'part-placed', { id: 'grid', label: 'Grid', kind: 'grid', source: 63 })
    .write('inspector', 'part-placed', {
      id: 'p',
      label: 'Box 1',
      kind: 'inverter',
      unitId: 'u',
      labelled: true,
    })
    .write('inspector', 'conductor-run', { id: 'c', from: 'grid', to: 'p', ...cable })
    .write('inspector', 'reading', {
      point: 'u/mains/unit',
      typed: '231',
      value: 231,
      unit: 'V',
      relation: '=',
    })

const unit = (of: SampleJob, id: string) => of.inspection.state.asBuilt.units.find((one) => one.id === id)!
const proposed = (of = job()) =>
  alikeTo(unit(of, 'u'), unit(of, 'v'), of.inspection.state.asBuilt, (id) => `${id}-2`)

describe('a second equal unit', () => {
  it('takes over strings, parts and cables under names of its own', () =>
    expect(proposed().map(({ what, change }) => [what, change.body])).toMatchObject([
      ['string', { id: 's-2', unitId: 'v', label: 'String A (Box 2)', input: 'PV1' }],
      ['part', { id: 'p-2', unitId: 'v', label: 'Box 2' }],
      ['cable', { id: 'c-2', from: 'grid', to: 'p-2' }],
    ]))
  it('never its place or its readings, and each cable names what it would hang on', () => {
    expect(JSON.stringify(proposed())).not.toMatch(/231|"place"/)
    expect(proposed().find(({ what }) => what === 'cable')!.needs).toEqual(['p'])
  })
  it('is proposed nothing that it has already, nor anything of another sheet', () => {
    const own = { id: 't', label: 'String B', unitId: 'v', input: 'PV1', module, count: 11 }
    expect(proposed(job().write('inspector', 'string-built', own)).map(({ what }) => what)).toEqual([
      'part',
      'cable',
    ])
    const { asBuilt } = job().inspection.state
    const other = { ...asBuilt.units[1]!, sheetId: 'other' }
    expect(alikeTo(asBuilt.units[0]!, other, asBuilt, (id) => id)).toEqual([])
  })
  it('is admitted as it is proposed', () => {
    const of = job()
    for (const { change } of proposed(of)) of.write('inspector', change.kind, change.body as never)
    expect(of.inspection.state.asBuilt.strings).toHaveLength(2)
    expect(of.inspection.state.asBuilt.network.conductors).toHaveLength(2)
  })
})

describe('a job like one done before', () => {
  const { asBuilt } = job().inspection.state
  it('begins with what was built, without what has to be looked at', () => {
    const changes = likeJob(asBuilt, new Set(['u', 'v']))
    expect(changes.map(({ kind }) => kind)).toEqual([
      'string-built',
      'part-placed',
      'part-placed',
      'conductor-run',
    ])
    expect(JSON.stringify(changes)).not.toContain('labelled')
  })
  it('leaves out what belongs to a unit that it does not have, and what would hang in the air', () =>
    expect(likeJob(asBuilt, new Set()).map(({ body }) => (body as { id: string }).id)).toEqual(['grid']))
})
