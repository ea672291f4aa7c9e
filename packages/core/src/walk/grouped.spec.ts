import { SampleJob } from '../admission/sample-job.testing.js'
import { checksOf, listed, placeIn, LIST_ORDERS } from './grouped.js'

const job = () =>
  SampleJob.opened().write('inspector', 'unit-fitted', { id: 'v', label: 'Box 2', sheetId: 'nobody-box-1' })
const dc = (of = job()) => of.inspection.checks.filter(({ check }) => check.stage === 'dc')

it('by requirement the places of equal units stand together, questions by what is asked and readings by the thing', () => {
  const items = listed(dc(), 'requirement')
  expect(
    items.map((item) => (item.kind === 'group' ? `${item.group.together}: ${item.group.title}` : item.kind)),
  ).toEqual(['heading', 'reading: Torque', 'observation: Tug'])
  const [, torque] = items
  if (torque?.kind !== 'group') throw new Error('no group')
  expect(torque.group.checks.map((judged) => placeIn(torque.group, judged))).toEqual(['Box 1, A', 'Box 2, A'])
})

it('by place what is done at one thing stands together; the worst first knows no groups', () => {
  const order = (of: 'place' | 'worst', from = dc()) =>
    checksOf(listed(from, of)).map(({ check }) => check.id)
  expect(order('place')).toEqual(['u/torque/a', 'u/tug/b', 'v/torque/a', 'v/tug/b'])
  const wrong = job().write('inspector', 'observation', { point: 'v/tug/b', seen: false })
  expect(order('worst', dc(wrong))[0]).toBe('v/tug/b')
})

it.each(LIST_ORDERS)('no check is lost or shown twice, %s', (order) => {
  const all = job().inspection.checks
  const shown = checksOf(listed(all, order)).map(({ check }) => check.id)
  expect([...shown].sort()).toEqual(all.map(({ check }) => check.id).sort())
})

describe('a walk over several places', () => {
  const points = ['u/tug/b', 'v/tug/b']
  const walked = () => job().write('inspector', 'walked-over', { points })
  const verdicts = (of: SampleJob) =>
    dc(of)
      .filter(({ check }) => check.requirement.id === 'tug')
      .map(({ outcome }) => outcome.verdict)

  it('answers each of them as one act', () => {
    const after = walked()
    expect(verdicts(after)).toEqual(['conforms', 'conforms'])
    expect(after.inspection.state.evidence.get('v/tug/b')![0]!.walkedOver).toEqual(points)
  })
  it('leaves a place that was looked at by itself to what was seen there later', () =>
    expect(verdicts(walked().write('inspector', 'observation', { point: 'v/tug/b', seen: false }))).toEqual([
      'conforms',
      'does-not-conform',
    ]))
  it('counts for none of them once it is struck out', () => {
    const after = walked()
    const entryId = after.entries.at(-1)!.id
    expect(
      verdicts(after.write('inspector', 'evidence-struck', { entryId, reason: 'taken back at once' })),
    ).toEqual(['not-inspected', 'not-inspected'])
  })
  it.each([
    ['a place that asks nothing', ['u/tug/b', 'u/torque/a'], 'unknown-point'],
    ['a place twice', ['u/tug/b', 'u/tug/b'], 'listed-twice'],
  ])('is refused with %s', (_what, these, code) =>
    expect(job().admits('inspector', 'walked-over', { points: these })).toMatchObject({ ok: false, code }),
  )
})
