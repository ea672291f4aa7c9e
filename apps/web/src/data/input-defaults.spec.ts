import type { Instrument } from '@plumb-mark/core'
import { choiceOf, useInputDefaults } from './input-defaults.js'

const of = (id: string, ...dimensions: ('voltage' | 'length')[]): Instrument => ({
  id,
  name: id,
  kind: 'multimeter',
  serial: '1',
  calibratedUntil: '2099-01-01',
  accuracy: dimensions.map((dimension) => ({ dimension, percent: 1, plus: 0 })),
})
const ALL = [of('a', 'voltage'), of('b', 'voltage', 'length'), of('t', 'length')]

it('only what measures a dimension is offered for it; the only one at once', () => {
  expect(choiceOf(ALL, 'voltage', undefined)).toMatchObject({
    fitting: [{ id: 'a' }, { id: 'b' }],
    offered: undefined,
  })
  expect(choiceOf(ALL.slice(0, 1), 'voltage', undefined).offered?.id).toBe('a')
  expect(choiceOf(ALL, 'torque', undefined)).toEqual({ fitting: [], offered: undefined })
})
it('the one that was used last is offered again, unless it is gone', () => {
  expect(choiceOf(ALL, 'voltage', 'b').offered?.id).toBe('b')
  expect(choiceOf(ALL, 'voltage', 't').offered).toBeUndefined()
})
it('each dimension and each condition is remembered for itself', () => {
  useInputDefaults.getState().useInstrument('voltage', 'a')
  useInputDefaults.getState().useInstrument('length', 't')
  useInputDefaults.getState().note('irradiance', '640')
  expect(useInputDefaults.getState()).toMatchObject({
    instruments: { voltage: 'a', length: 't' },
    conditions: { irradiance: '640' },
  })
})
