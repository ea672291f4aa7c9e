import { SampleJob } from '../admission/sample-job.testing.js'
import { blockers } from '../sign-off/gate.js'
import { statedAbsences } from '../sign-off/stated-absences.js'
import { Site, TAPE, sheet } from '../requirements/site.testing.js'

const TORQUE = { point: 'u/torque/a', checkId: 'u/torque/a', reason: 'the input is idle and capped' }
const refusal = (job: SampleJob, body: object = {}) => {
  const answer = job.admits('inspector', 'not-applicable', { ...TORQUE, ...body })
  return answer.ok ? 'admitted' : answer.code
}
const said = () => SampleJob.opened().answered().write('inspector', 'not-applicable', TORQUE)

it('a check that was said not to apply is asked no longer, and whoever signs reads why and by whom', () => {
  const job = said()
  expect(job.check('u/torque/a').outcome).toMatchObject({
    verdict: 'not-applicable',
    because: TORQUE.reason,
    said: { by: { name: 'inspector' } },
  })
  expect(blockers(job.inspection)).toEqual([])
  expect(statedAbsences(job.inspection)).toMatchObject([
    { checkId: 'u/torque/a', reason: TORQUE.reason, by: { name: 'inspector' } },
  ])
})

it.each([
  ['an unknown check', { checkId: 'u/nothing/a' }, 'unknown-check'],
  ['another point than its own', { point: 'u/tug/b' }, 'unknown-check'],
  ['what is read off the wall', { point: 'u/clear/left', checkId: 'u/clear/left' }, 'derived'],
  ['no reason', { reason: '?' }, 'reason-missing'],
  ['a word for a reason', { reason: 'unnecessary' }, 'reason-missing'],
])('is not taken of %s', (_what, body, code) => expect(refusal(SampleJob.opened(), body)).toBe(code))

it('a failure is raised or struck out, and never said not to apply', () =>
  expect(refusal(SampleJob.opened().torque('1 N·m', 1))).toBe('fails'))

it('only an inspector says so', () => {
  const admission = SampleJob.opened().admits('installer', 'not-applicable', TORQUE)
  expect(admission).toMatchObject({ ok: false, code: 'not-your-entry' })
})

it('a later reading counts again, and fails as it must', () =>
  expect(said().torque('1 N·m', 1).check('u/torque/a').outcome.verdict).toBe('does-not-conform'))

it('struck out, the reading of before is in force again', () => {
  const job = said()
  const entryId = job.entries.at(-1)!.id
  job.write('inspector', 'evidence-struck', { entryId, reason: 'the input is used after all' })
  expect(job.check('u/torque/a').outcome.verdict).toBe('conforms')
})

describe('two checks at one point', () => {
  const limits = (id: string, max: string) => ({
    id,
    kind: 'limits',
    title: 'Depth',
    point: 'depth',
    dimension: 'length',
    min: '60 mm',
    max,
  })
  const two = () =>
    new Site()
      .unit(sheet('U', 'hybrid-inverter', [limits('a', '80 mm'), limits('b', '90 mm')]), { label: 'Box' })
      .write({
        kind: 'reading',
        body: {
          point: 'U/depth/unit',
          typed: '70 mm',
          value: 70,
          unit: 'mm',
          relation: '=',
          instrument: TAPE,
        },
      })
  const without = two().write({
    kind: 'not-applicable',
    body: { point: 'U/depth/unit', checkId: 'U/a/unit', reason: 'it stands on the floor' },
  })
  it('are answered each for itself', () => {
    expect(without.check('U/a/unit').outcome.verdict).toBe('not-applicable')
    expect(without.check('U/b/unit').outcome.verdict).toBe('conforms')
  })
  it('show each its own history', () =>
    expect(
      [without.check('U/a/unit'), without.check('U/b/unit')].map(({ history }) => history.length),
    ).toEqual([2, 1]))
})

it('a serial that was read stays read when its check is said not to apply: one on two plates is found all the same', () => {
  const serials = (unit: string) => [
    { kind: 'unit-fitted' as const, body: { id: unit, label: unit, sheetId: 'nobody-u-1' } },
    {
      kind: 'record' as const,
      body: { point: `${unit}/plate/unit`, answer: { values: { serial: { typed: 'A-1' } } } },
    },
  ]
  const plate = { id: 'plate', kind: 'nameplate', title: 'Nameplate', stage: 'identify' }
  const site = new Site()
    .unit(sheet('U', 'hybrid-inverter', [plate]), { label: 'U' })
    .write(...serials('U'), ...serials('V'))
  const having = (at: Site) => at.inspection.context.unitsWithSerial('a1').map(({ id }) => id)
  expect(having(site)).toEqual(['U', 'V'])
  site.write({
    kind: 'not-applicable',
    body: { point: 'U/plate/unit', checkId: 'U/plate/unit', reason: 'it hangs behind the rack' },
  })
  expect(having(site)).toEqual(['U', 'V'])
})

it('another unit in its place is asked anew', () => {
  const serial = (text: string) => ({
    kind: 'unit-fitted' as const,
    body: { id: 'U', label: 'Box', sheetId: 'nobody-u-1', serial: text },
  })
  const depth = { id: 't', kind: 'limits', title: 'Depth', dimension: 'length', min: '60 mm', max: '80 mm' }
  const site = new Site()
    .unit(sheet('U', 'hybrid-inverter', [depth]), { label: 'Box', serial: 'A-1' })
    .write({
      kind: 'not-applicable',
      body: { point: 'U/t/unit', checkId: 'U/t/unit', reason: 'it stands on the floor' },
    })
  expect(site.check('U/t/unit').outcome.verdict).toBe('not-applicable')
  expect(site.write(serial('B-2')).check('U/t/unit').outcome).toMatchObject({ verdict: 'not-inspected' })
})

describe('a failure that whoever said so did not know of', () => {
  const depth = { id: 't', kind: 'limits', title: 'Depth', dimension: 'length', min: '60 mm', max: '80 mm' }
  const read = (mm: number) => ({
    kind: 'reading' as const,
    body: {
      point: 'U/t/unit',
      typed: `${mm} mm`,
      value: mm,
      unit: 'mm',
      relation: '=' as const,
      instrument: TAPE,
    },
  })
  const reason = 'it stands on the floor'
  // As it arrives from a device without signal: admitted where it was done, after the reading of somebody else.
  const late = () =>
    new Site()
      .unit(sheet('U', 'hybrid-inverter', [depth]), { label: 'Box' })
      .write(read(50), { kind: 'not-applicable', body: { point: 'U/t/unit', checkId: 'U/t/unit', reason } })
  const verdict = (site: Site) => site.check('U/t/unit').outcome.verdict
  it('is not hidden: the check fails, stands in the way, and is no stated absence', () => {
    const site = late()
    expect(verdict(site)).toBe('does-not-conform')
    expect(blockers(site.inspection).map(({ checkId }) => checkId)).toContain('U/t/unit')
    expect(statedAbsences(site.inspection)).toEqual([])
  })
  it('is settled when it is read again and conforms, or struck out', () => {
    expect(verdict(late().write(read(70)))).toBe('conforms')
    const site = late()
    const [failed] = site.check('U/t/unit').history
    site.write({ kind: 'evidence-struck', body: { entryId: failed!.id, reason: 'the wrong box was read' } })
    expect(site.check('U/t/unit').outcome).toMatchObject({ verdict: 'not-applicable', because: reason })
  })
})
