import { sayWritten, typedWindow } from './typed-window.js'

it.each([
  ['2.2–2.8 N·m', 'torque', { min: '2.2 N·m', max: '2.8 N·m' }],
  ['2.2 - 2.8 N·m', 'torque', { min: '2.2 N·m', max: '2.8 N·m' }],
  ['20 to 25 in·lb', 'torque', { min: '20 in·lb', max: '25 in·lb' }],
  ['2.5 N·m ± 6 %', 'torque', { nominal: '2.5 N·m', tolerancePercent: 6 }],
  ['2.5 N·m', 'torque', { nominal: '2.5 N·m' }],
  ['at least 11 mm', 'length', { min: '11 mm' }],
  ['≤ 6 mm²', 'conductor-size', { max: '6 mm²' }],
  ['up to 10 AWG', 'conductor-size', { max: '10 AWG' }],
  ['14 AWG to 10 AWG', 'conductor-size', { min: '14 AWG', max: '10 AWG' }],
  ['6 mm²', 'conductor-size', { min: '6 mm²', max: '6 mm²' }],
  ['3/8 in – 1/2 in', 'length', { min: '3/8 in', max: '1/2 in' }],
] as const)('%s is read', (typed, dimension, window) => expect(typedWindow(typed, dimension)).toEqual(window))

it.each([
  ['2.2–2.8', 'torque'],
  ['2.2', 'torque'],
  ['tight', 'torque'],
  ['-2 N·m', 'torque'],
  ['2.2–2.8 mm', 'torque'],
  ['', 'length'],
] as const)('%s is not a window of %s', (typed, dimension) =>
  expect(typedWindow(typed, dimension)).toBeUndefined(),
)

it('a decimal comma is written as the point', () =>
  expect(typedWindow('2,2–2,8 N·m', 'torque', { decimal: 'comma' })).toEqual({
    min: '2.2 N·m',
    max: '2.8 N·m',
  }))

it.each(['2.2–2.8 N·m', '2.5 N·m ± 6 %', '≥ 11 mm', '≤ 6 mm²', '6 mm²', '3/8 in – 1/2 in', '2.5 N·m'])(
  '%s is said as it is typed',
  (typed) => {
    const dimension = /N·m/.test(typed) ? 'torque' : /²/.test(typed) ? 'conductor-size' : 'length'
    expect(sayWritten(typedWindow(typed, dimension))).toBe(typed)
  },
)

it('what is said with a comma is read with a comma', () => {
  const window = { min: '2.2 N·m', max: '2.8 N·m' }
  expect(sayWritten(window, { decimal: 'comma' })).toBe('2,2–2,8 N·m')
  expect(typedWindow('2,2–2,8 N·m', 'torque', { decimal: 'comma' })).toEqual(window)
})

it('what is no window stands as it is written', () => {
  expect(sayWritten('tight')).toBe('tight')
  expect(sayWritten(undefined)).toBe('')
  expect(sayWritten(null)).toBe('')
})
