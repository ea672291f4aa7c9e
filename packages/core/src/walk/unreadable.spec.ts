import { SampleJob } from '../admission/sample-job.testing.js'
import type { Entry } from '../job/entry.js'
import { applied, fold } from '../job/fold.js'
import { Site, sheet } from '../requirements/site.testing.js'
import { blockers } from '../sign-off/gate.js'
import { inspect } from './inspect.js'

/** As an older program may have kept it: nobody looked what it holds. */
const kept = (job: SampleJob, kind: string, body: object): Entry =>
  ({
    id: 'bad',
    jobId: 'job',
    kind,
    body,
    at: '2026-06-01T09:00:00Z',
    by: { id: 'i', name: 'I', role: 'inspector' },
    seq: job.entries.length + 1,
    prev: '',
    hash: 'x',
  }) as unknown as Entry

describe('an entry that cannot be read', () => {
  it.each<[string, string, object, string]>([
    [
      'a string without its module',
      'string-built',
      { id: 's', label: 'S', unitId: 'u', input: 'PV1', count: 3 },
      'body.module: is required',
    ],
    [
      'a list for a module',
      'string-built',
      { id: 's', label: 'S', unitId: 'u', input: 'PV1', count: 3, module: [] },
      'body.module: must be an object, not a list',
    ],
    [
      'an obstruction that is not there',
      'obstruction-measured',
      { wallId: 'w' },
      'body.obstruction: is required',
    ],
    ['a kind of no program', 'sung', {}, 'kind: “sung” is no kind of entry'],
  ])(
    '%s changes nothing, stands in the way of a signature, and can be struck out',
    (_what, kind, body, why) => {
      const job = SampleJob.opened().answered()
      const state = applied(job.inspection.state, [kept(job, kind, body)])
      expect([state.asBuilt, state.unreadable.length]).toEqual([job.inspection.state.asBuilt, 1])
      const inspection = inspect(state, job.inspection.sheets)
      expect(blockers(inspection)).toEqual([
        expect.objectContaining({
          kind: 'entry-unreadable',
          entryId: 'bad',
          text: expect.stringContaining(why),
        }),
      ])
      const struck = applied(state, [
        { ...kept(job, 'evidence-struck', { entryId: 'bad', reason: 'unreadable' }), id: 'strike' },
      ])
      expect(blockers(inspect(struck, job.inspection.sheets))).toEqual([])
    },
  )
  it('null in it means absent', () => {
    const job = SampleJob.opened()
    const state = applied(job.inspection.state, [
      kept(job, 'part-placed', {
        id: 'p',
        label: 'P',
        kind: 'board',
        unitId: null,
        source: null,
        rating: null,
      }),
    ])
    expect(state.asBuilt.network.parts).toEqual([{ id: 'p', label: 'P', kind: 'board' }])
  })
  it('a time of no calendar counts as the earliest, and nothing fails with it', () => {
    const job = SampleJob.opened().torque('1 N·m', 1)
    const late = { ...job.entries.at(-1)!, id: 'late', at: '2026-W10-1', seq: 9 } as Entry
    expect(
      fold([...job.entries, late])
        .evidence.get('u/torque/a')!
        .map(({ id }) => id)[0],
    ).toBe('late')
  })
})

describe('a fact that no calculator takes', () => {
  const rules = sheet('H', 'installation', [
    { id: 'cables', kind: 'conductor-size', stage: 'ac' },
    { id: 'earth', kind: 'earth-size', stage: 'earthing' },
  ])
  const cable = {
    id: 'c',
    from: 'g',
    to: 'b',
    phases: 1 as const,
    voltage: 230,
    size: 16,
    length: 5,
    insulation: 'pvc' as const,
    method: 'B2' as const,
    ambient: 65,
    grouped: 1,
  }
  const wired = (header: object, more: object) =>
    new Site(header)
      .unit(rules)
      .write(
        { kind: 'part-placed', body: { id: 'g', label: 'Grid', kind: 'grid', source: 30 } },
        { kind: 'part-placed', body: { id: 'b', label: 'Board', kind: 'board', rating: 63 } },
        { kind: 'conductor-run', body: { ...cable, ...more } },
      )
  it.each<[string, object, object, string]>([
    ['a pvc cable at 65 °C', {}, {}, 'the ambient temperature of 65 °C is above what the table of pvc knows'],
    [
      'a 75 °C conductor above its table',
      { school: 'nec' },
      { ambient: 75, size: 13.3 },
      'the ambient temperature of 75 °C is above what the table of 75 °C conductors knows',
    ],
  ])('%s is not proven, says so, and where to correct it', (_what, header, more, why) => {
    const { outcome } = wired(header, more).check('H/cables/c')
    expect(outcome).toMatchObject({
      verdict: 'not-proven',
      finding: why,
      wanting: `${why}: correct it in the one-line diagram`,
    })
  })
  it.each<[string, object, object]>([
    ['a line conductor of 630 mm²', {}, { lineSize: 630 }],
    ['one of 400 mm²', {}, { lineSize: 400 }],
    ['25 kA for 1 s', { earthMethod: 'adiabatic' }, { faultCurrent: 25000, clearingTime: 1 }],
  ])('%s by the method of the job', (_what, header, more) => {
    const site = new Site(header)
      .unit(rules)
      .write(
        { kind: 'earth-part-found', body: { id: 'f', label: 'Frame', kind: 'frame', unitId: 'H' } },
        { kind: 'earth-part-found', body: { id: 'm', label: 'Main', kind: 'main-terminal' } },
        { kind: 'bond-made', body: { id: 'bond', from: 'f', to: 'm', means: 'lug', size: 16, ...more } },
      )
    expect(site.check('H/earth/bond').outcome).toMatchObject({
      verdict: 'not-proven',
      wanting: expect.stringMatching(/above the standard sizes: correct it in the bonding tree$/),
    })
  })
  it.each<[string, object]>([
    ['a mass below nothing', { mass: '-1 kg' }],
    [
      'a row of one and a half fixings',
      {
        requirements: [
          {
            id: 'f',
            kind: 'fixings',
            stage: 'identify',
            clause: '1',
            severity: 'major',
            title: 'T',
            remedy: 'R',
            count: 4,
            topRow: 1.5,
            overhang: '90 mm',
            leverArm: '400 mm',
            walls: [{ wall: 'brick', tension: '1 kN', shear: '1 kN' }],
          },
        ],
      },
    ],
    [
      'five and a half inverters',
      {
        requirements: [
          {
            id: 'b',
            kind: 'branch-limits',
            stage: 'identify',
            clause: '1',
            severity: 'major',
            title: 'T',
            remedy: 'R',
            unitCurrent: '1.6 A',
            statedMax: 5.5,
          },
        ],
      },
    ],
  ])('%s makes a sheet that is not accepted', (_what, more) => {
    expect(() => sheet('X', 'battery', [], more)).toThrow(/must/)
  })
})
