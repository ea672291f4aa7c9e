import { inBothSystems } from './both-systems.js'

const plain = (text: string) => text.replaceAll('\u00a0', ' ')

it.each([
  ['at least 100 mm', 'at least 100 mm (3 15/16 in)'],
  ['2.2 N·m to 2.8 N·m', '2.2 N·m (19.5 in·lb) to 2.8 N·m (24.8 in·lb)'],
  ['at most 5 m of 16 mm²', 'at most 5 m (16.4 ft) of 16 mm² (about 5 AWG)'],
  ['−25 °C to 60 °C', '−25 °C (−13 °F) to 60 °C (140 °F)'],
  ['31 kg', '31 kg (68.34 lb)'],
  ['at least 1/2 in', 'at least 1/2 in'],
  ['600 V, 12 A, 1 MΩ', '600 V, 12 A, 1 MΩ'],
  ['640 W/m² on module m1', '640 W/m² on module m1'],
])('for a reader of US units %s says %s', (words, said) =>
  expect(plain(inBothSystems(words, 'us'))).toBe(said),
)

it.each([
  ['1/2 in to 3 in', '1/2 in (12.7 mm) to 3 in (76.2 mm)'],
  ['4 1/2 in', '4 1/2 in (114.3 mm)'],
  ['17 in·lb', '17 in·lb (1.92 N·m)'],
  ['10 AWG, 2/0 AWG', '10 AWG (5.26 mm²), 2/0 AWG (67.43 mm²)'],
  ['at least 200 mm', 'at least 200 mm'],
])('for a reader of metric units %s says %s', (words, said) =>
  expect(plain(inBothSystems(words, 'metric'))).toBe(said),
)

it('a difference of temperatures is not turned into a temperature', () =>
  expect(plain(inBothSystems('inside by 39 °C, 4 mm', 'us', { difference: true }))).toBe(
    'inside by 39 °C, 4 mm (3/16 in)',
  ))
it('no line breaks between a figure and its unit', () =>
  expect(inBothSystems('at least 4 3/4 in', 'us')).toBe('at least 4\u00a03/4\u00a0in'))
