import { mergedOrder, type OrderOfUnit } from './merged-order.js'

const order = (unit: string, ...steps: [thing: string, after?: string[], wait?: number][]): OrderOfUnit => ({
  unitId: unit,
  unit,
  steps: steps.map(([thing, after = [], wait]) => ({ id: thing, label: thing, after, wait, thing })),
})
const keys = (...orders: OrderOfUnit[]) => mergedOrder(orders).steps.map(({ key }) => key)

it('what several sheets name is one step, with the longest wait and all that comes before it', () => {
  const { steps, conflicts } = mergedOrder([
    order('inverter', ['mains'], ['dc', ['mains'], 30], ['inverter', ['dc'], 10]),
    order('battery', ['isolator'], ['inverter', ['isolator'], 20]),
  ])
  expect(steps.map(({ key }) => key)).toEqual(['mains', 'dc', 'isolator', 'inverter'])
  expect(steps.at(-1)).toMatchObject({ wait: 20, after: ['dc', 'isolator'] })
  expect(steps.at(-1)!.of.map(({ unit }) => unit)).toEqual(['inverter', 'battery'])
  expect(conflicts).toEqual([])
})
it('nothing comes before what it waits for, in whatever order the sheets are read', () => {
  const a = order('a', ['y'], ['z', ['y']])
  const b = order('b', ['x'], ['y', ['x']])
  expect([keys(a, b), keys(b, a)]).toEqual([
    ['x', 'y', 'z'],
    ['x', 'y', 'z'],
  ])
})
it('steps that name no thing stay those of their unit', () => {
  const own = { unitId: 'u', unit: 'U', steps: [{ id: 'button', label: 'B', after: [] }] }
  expect(keys(own, { ...own, unitId: 'v', unit: 'V' })).toEqual(['u/button', 'v/button'])
})
it('two sheets that want opposite orders are told with who wants which, and no step is dropped', () => {
  const { steps, conflicts } = mergedOrder([
    order('inverter', ['mains'], ['dc', ['mains']]),
    order('isolator', ['dc'], ['mains', ['dc']]),
  ])
  expect(conflicts).toEqual([{ first: 'mains', then: 'dc', says: ['inverter'], denies: ['isolator'] }])
  expect(steps).toHaveLength(2)
})
it('a contradiction that takes a third sheet to see is told too', () => {
  const { conflicts } = mergedOrder([
    order('a', ['x'], ['y', ['x']]),
    order('b', ['y'], ['z', ['y']]),
    order('c', ['z'], ['x', ['z']]),
  ])
  expect(conflicts.length).toBeGreaterThan(0)
})
