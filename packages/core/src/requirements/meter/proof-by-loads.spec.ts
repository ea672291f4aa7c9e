import type { DevicePoint } from '../../device/point.js'
import { channelsRead, proofByLoads } from './proof-by-loads.js'

const at = (active: number, reactive = 0) => ({ voltage: 230, active, reactive })
const BEFORE = [at(500), at(-900), at(0)]
const NOW = [at(2500), at(-900, 20), at(1500)]

it('what known loads changed is the answer, with the loads as they were typed', () => {
  const { answer, problems } = proofByLoads(BEFORE, NOW, ['2 kW', '', '1500'])
  expect(problems).toEqual([undefined, undefined, undefined])
  expect(answer!.values).toMatchObject({
    v1: { typed: '230 V', value: 230 },
    p1: { typed: '2000 W', value: 2000 },
    r1: { value: 2000 },
    p2: { value: 0 },
    q2: { typed: '20 var', value: 20 },
    p3: { value: 1500 },
  })
})

it.each(['about 2', '2 A', '2,,0', '--'])(
  'a load of “%s” is told and answers nothing: it is not zero',
  (typed) => {
    const { answer, change, problems } = proofByLoads(BEFORE, NOW, ['2 kW', typed, ''])
    expect([answer, problems[0], problems[1]]).toEqual([undefined, undefined, expect.any(String)])
    expect(change).toHaveLength(3)
  },
)

it('a channel that is not there at one of the moments answers nothing', () => {
  expect(proofByLoads([at(1), undefined, at(1)], NOW, []).answer).toBeUndefined()
  expect(proofByLoads(BEFORE, [], []).answer).toEqual({ values: {} })
})

it('a channel of which one figure was not read is not read', () => {
  const point = (name: string) => ({ model: 203, point: name }) as DevicePoint
  const from = [{ voltage: point('PhVphA'), active: point('WphA'), reactive: point('VARphA') }]
  const read = (value: number | string) => ({ register: 1, raw: 1, exponent: 0, value })
  const points = { '203.PhVphA': read(230), '203.WphA': read(10), '203.VARphA': read(3) }
  expect(channelsRead({ from }, points)).toEqual([at(10, 3)])
  expect(channelsRead({ from }, { ...points, '203.VARphA': undefined })).toEqual([undefined])
  expect(channelsRead({ from }, { ...points, '203.WphA': read('') })).toEqual([undefined])
  expect(channelsRead({}, points)).toEqual([])
})
