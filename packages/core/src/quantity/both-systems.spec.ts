import { inBothSystems, inCustomary } from './both-systems.js'
import { apart, figure, mm } from './figure.js'
import { msg, sameMessage } from './message.js'

const plain = (text: string) => text.replaceAll('\u00a0', ' ')
const torque = (value: number) => figure(value, 'torque')

it.each([
  [msg`at least ${mm(100)}`, 'at least 100 mm (3 15/16 in)'],
  [msg`${torque(2.2)} to ${torque(2.8)}`, '2.2 N·m (19.5 in·lb) to 2.8 N·m (24.8 in·lb)'],
  [
    msg`${figure(5, 'cable-length')} of ${figure(16, 'conductor-size')}`,
    '5 m (16.4 ft) of 16 mm² (about 5 AWG)',
  ],
  [msg`${figure(-25, 'temperature')} to ${figure(60, 'temperature')}`, '−25 °C (−13 °F) to 60 °C (140 °F)'],
  [msg`at least ${figure(12.7, 'length', 'in')}`, 'at least 0.5 in'],
  [msg`${figure(600, 'voltage')}, ${figure(12, 'current')}`, '600 V, 12 A'],
  ['words of their own: 5 mm', 'words of their own: 5 mm'],
])('for a reader of US units %s says %s', (words, said) =>
  expect(plain(inBothSystems(words, 'us'))).toBe(said),
)

it.each([
  [msg`${figure(12.7, 'length', 'in')}`, '0.5 in (12.7 mm)'],
  [msg`${figure(5.2612, 'conductor-size', 'AWG')}`, '10 AWG (5.26 mm²)'],
  [msg`at least ${mm(200)}`, 'at least 200 mm'],
])('for a reader of metric units %s says %s', (words, said) =>
  expect(plain(inBothSystems(words, 'metric'))).toBe(said),
)

it('a difference is a difference in either system', () => {
  const words = msg`inside by ${apart(5, 'temperature')}, ± ${apart(1, 'temperature', '°F')}`
  expect(plain(inBothSystems(words, 'us'))).toBe('inside by 5 °C (9 °F), ± 1.8 °F')
})
it('figures have no more digits than an instrument', () => {
  const shown = [446.88, 41.203, 5.2, 0.31416, 12345.6].map((volt) => figure(volt, 'voltage').toString())
  expect(shown).toEqual(['446.9 V', '41.2 V', '5.2 V', '0.314 V', '12346 V'])
})
it('no line breaks between a figure and its unit', () =>
  expect(inBothSystems(msg`at least ${mm(120)}`, 'metric')).toBe('at least 120\u00a0mm'))
it('what reads alike need not be alike', () => {
  expect(sameMessage(msg`${figure(446.88, 'voltage')}`, msg`${figure(446.91, 'voltage')}`)).toBe(false)
  expect(sameMessage(msg`${mm(5)}`, msg`${mm(5)}`)).toBe(true)
})

it.each([
  [2.2, 'torque', '19.5 in·lb'],
  [200, 'length', '7 7/8 in'],
  [16, 'conductor-size', 'about 5 AWG'],
  [600, 'voltage', undefined],
] as const)('%d of %s is %s in the other system', (value, dimension, said) =>
  expect(inCustomary(value, dimension)).toBe(said),
)
