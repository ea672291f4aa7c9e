import { addressesBetween, inNetwork, isPrivateAddress, isPrivateNetwork } from './address.js'
import { rawNumber, rawText, scaleFactor, scaled } from './decode.js'
import { OPEN_MODELS } from './open-models.js'
import { meant, pointShape, readPoint, registersOf, type DevicePoint } from './point.js'

const point = (said: object): DevicePoint => pointShape.read(said, 'from')
/** A device whose model 103 begins at 40070, and some registers of the maker. */
const device = (words: Record<number, number>) => ({
  startOf: (model: number) => (model === 103 ? 40_070 : undefined),
  at: (register: number) => words[register],
})

it.each`
  type     | words               | value
  ${'u16'} | ${[65_534]}         | ${65_534}
  ${'u16'} | ${[0xffff]}         | ${undefined}
  ${'s16'} | ${[0xfffe]}         | ${-2}
  ${'s16'} | ${[0x8000]}         | ${undefined}
  ${'u32'} | ${[1, 2]}           | ${65_538}
  ${'u32'} | ${[0xffff, 0xffff]} | ${undefined}
  ${'u32'} | ${[1]}              | ${undefined}
  ${'a32'} | ${[0xffff, 0xffff]} | ${4_294_967_295}
`('registers $words as $type hold $value', ({ type, words, value }) => {
  expect(rawNumber(type, words)).toBe(value)
})

it('text ends at the first empty character, and a scale that nobody would mean is none', () => {
  expect(rawText([0x4148, 0x2d38, 0x5400, 0x5800])).toBe('AH-8T')
  expect([scaleFactor([0xfffe]), scaleFactor([0x8000]), scaleFactor([40])]).toEqual([
    -2,
    undefined,
    undefined,
  ])
  expect([scaled(2397, -2), scaled(5, 3), scaled(60, -1)]).toEqual([23.97, 5000, 6])
})

describe('a point', () => {
  it('of an open model is read with the scale that the device gives', () => {
    const voltage = point({ model: 103, point: 'DCV' })
    expect(readPoint(voltage, device({ 40_099: 3731, 40_100: 0xffff }))).toEqual({
      register: 40_099,
      raw: 3731,
      exponent: -1,
      value: 373.1,
    })
    expect(registersOf(voltage, device({}))).toEqual([40_099, 40_100])
  })
  it.each([
    ['whose scale is not there', { 40_099: 3731 }],
    ['that the device says it has not', { 40_099: 0xffff, 40_100: 0 }],
    ['that was not read', { 40_100: 0 }],
  ])('%s holds nothing, and never zero', (_name, words) => {
    expect(readPoint(point({ model: 103, point: 'DCV' }), device(words))).toBeUndefined()
  })
  it('of a model that the device lacks holds nothing', () => {
    expect(readPoint(point({ model: 124, point: 'MinRsvPct' }), device({}))).toBeUndefined()
    expect(registersOf(point({ model: 124, point: 'MinRsvPct' }), device({}))).toEqual([])
  })
  it.each`
    said                         | value    | means
    ${{ scale: 0.1 }}            | ${-60}   | ${-6}
    ${{ words: { 1: 'on' } }}    | ${1}     | ${'on'}
    ${{ words: { 1: 'on' } }}    | ${7}     | ${'7, which the sheet does not list'}
    ${{ clock: 'unix-seconds' }} | ${1_000} | ${-200}
    ${{}}                        | ${'2.4'} | ${'2.4'}
  `('read as $value with $said means $means', ({ said, value, means }) => {
    expect(meant(point({ register: 1, type: 'u16', ...said }), value, '1970-01-01T00:20:00Z')).toBe(means)
  })
  it.each([
    [{}, 'from'],
    [{ model: 103, register: 1, type: 'u16' }, 'from'],
    [{ register: 1 }, 'from.type'],
    [{ model: 999, point: 'W' }, 'from.model'],
    [{ model: 103 }, 'from.point'],
    [{ model: 103, point: 'Nothing' }, 'from.point'],
  ])('said as %j is refused at %s', (said, path) => {
    expect(() => point(said)).toThrow(expect.objectContaining({ path }))
  })
  it('every scale that a point names is a point of the same model', () => {
    for (const { points } of Object.values(OPEN_MODELS))
      for (const { scaledBy } of Object.values(points)) if (scaledBy) expect(points).toHaveProperty(scaledBy)
  })
})

describe('addresses', () => {
  it.each`
    host                | own
    ${'127.0.0.1'}      | ${true}
    ${'10.1.2.3'}       | ${true}
    ${'172.16.0.1'}     | ${true}
    ${'172.32.0.1'}     | ${false}
    ${'192.168.255.1'}  | ${true}
    ${'169.254.1.1'}    | ${false}
    ${'8.8.8.8'}        | ${false}
    ${'127.1'}          | ${false}
    ${'0177.0.0.1'}     | ${false}
    ${'::1'}            | ${false}
    ${'127.0.0.1.evil'} | ${false}
  `('$host is reached only from inside: $own', ({ host, own }) => {
    expect(isPrivateAddress(host)).toBe(own)
  })
  it('a network is taken only whole, and an address lies in it by its figures', () => {
    expect([isPrivateNetwork('192.168.0.0/16'), isPrivateNetwork('192.168.0.0/15')]).toEqual([true, false])
    expect([isPrivateNetwork('0.0.0.0/0'), isPrivateNetwork('10.0.0.0/33')]).toEqual([false, false])
    expect([inNetwork('192.168.7.9', '192.168.7.0/24'), inNetwork('192.168.8.9', '192.168.7.0/24')]).toEqual([
      true,
      false,
    ])
  })
  it('a range counts its ends, across the last figure too', () => {
    expect(addressesBetween('10.0.0.254', '10.0.1.1')).toEqual([
      '10.0.0.254',
      '10.0.0.255',
      '10.0.1.0',
      '10.0.1.1',
    ])
    expect(addressesBetween('10.0.0.2', '10.0.0.1')).toEqual([])
  })
})
