import fc from 'fast-check'
import { printedFigures, printedUnit } from './printed-figures.js'

const read = (text: string, decimal: 'point' | 'comma' = 'point') =>
  printedFigures(text, { decimal }).map(({ min, max, value, unit }) => [
    unit,
    ...[min, max, value].map((one) => (one === undefined ? undefined : Number(one.toPrecision(5)))),
  ])

describe('a figure in print', () => {
  it.each`
    printed                                     | decimal    | unit       | min          | max          | value
    ${'2,2 … 2,8 Nm'}                           | ${'comma'} | ${'N·m'}   | ${2.2}       | ${2.8}       | ${undefined}
    ${'1.200 mm'}                               | ${'comma'} | ${'mm'}    | ${undefined} | ${undefined} | ${1200}
    ${'6,560 ft maximum'}                       | ${'point'} | ${'ft'}    | ${undefined} | ${1999500}   | ${undefined}
    ${'11 000 W'}                               | ${'point'} | ${'W'}     | ${undefined} | ${undefined} | ${11000}
    ${'7 7/8 in min.'}                          | ${'point'} | ${'in'}    | ${200.02}    | ${undefined} | ${undefined}
    ${'9/16 to 5/8 in'}                         | ${'point'} | ${'in'}    | ${14.287}    | ${15.875}    | ${undefined}
    ${'12–10 AWG'}                              | ${'point'} | ${'AWG'}   | ${3.3088}    | ${5.2612}    | ${undefined}
    ${'2 AWG to 1/0 AWG'}                       | ${'point'} | ${'AWG'}   | ${33.631}    | ${53.475}    | ${undefined}
    ${'8 AWG or larger'}                        | ${'point'} | ${'AWG'}   | ${8.3656}    | ${undefined} | ${undefined}
    ${'24 lb·in'}                               | ${'point'} | ${'in·lb'} | ${undefined} | ${undefined} | ${2.7116}
    ${'11–13 ft·lb'}                            | ${'point'} | ${'ft·lb'} | ${14.914}    | ${17.626}    | ${undefined}
    ${'230 V ± 10 %'}                           | ${'point'} | ${'V'}     | ${207}       | ${253}       | ${undefined}
    ${'−25 °C to +60 °C'}                       | ${'point'} | ${'°C'}    | ${-25}       | ${60}        | ${undefined}
    ${'between −10 °C and 45 °C'}               | ${'point'} | ${'°C'}    | ${-10}       | ${45}        | ${undefined}
    ${'5% to 95%'}                              | ${'point'} | ${'%'}     | ${5}         | ${95}        | ${undefined}
    ${'not less than 350 mm'}                   | ${'point'} | ${'mm'}    | ${350}       | ${undefined} | ${undefined}
    ${'cores from 0.25 mm² upward'}             | ${'point'} | ${'mm²'}   | ${0.25}      | ${undefined} | ${undefined}
    ${'neither of them may be longer than 8 m'} | ${'point'} | ${'m'}     | ${undefined} | ${8000}      | ${undefined}
    ${'a distance of not more than 1.5 m'}      | ${'point'} | ${'m'}     | ${undefined} | ${1500}      | ${undefined}
    ${'five minutes'}                           | ${'point'} | ${'min'}   | ${undefined} | ${undefined} | ${300}
    ${'2 × 16 A'}                               | ${'point'} | ${'A'}     | ${undefined} | ${undefined} | ${16}
    ${'≤ 30°'}                                  | ${'point'} | ${'°'}     | ${undefined} | ${30}        | ${undefined}
  `('“$printed” is $min … $max or $value of $unit', ({ printed, decimal, unit, min, max, value }) => {
    expect(read(printed, decimal)).toEqual([[unit, min, max, value]])
  })

  it('what lies beyond a figure is not yet forbidden', () => {
    expect(printedFigures('above 45 °C it lowers its output', { decimal: 'point' })).toMatchObject([
      { value: 45, beyond: true },
    ])
  })

  it('three figures that are multiplied are one', () => {
    const [size] = printedFigures('17 × 30 1/2 × 8 1/2 in', { decimal: 'point' })
    expect(size!.product!.map(Math.round)).toEqual([432, 775, 216])
  })

  it.each(['IP54', 'M10', 'T-11', 'FD 611 001', '9.6 kWh', '35 dB', '17.01.2030', 'BW-2031-0417', '120 Ω'])(
    '“%s” is no figure that is asked about',
    (text) => {
      expect(
        printedFigures(text, { decimal: 'point' }).filter(({ dimension }) => dimension !== 'count'),
      ).toEqual([])
    },
  )

  it('a bare figure of a column has the unit of its head', () => {
    const assume = { dimension: 'torque', unit: 'N·m' } as const
    expect(printedFigures('2,2', { decimal: 'comma', assume })).toMatchObject([
      { dimension: 'torque', value: 2.2 },
    ])
    expect(printedUnit('Nm')).toEqual({ word: 'N·m', dimension: 'torque' })
  })

  it('whatever is printed, nothing is thrown, and no figure is anything but a number', () => {
    const pieces = fc.constantFrom(
      '1',
      '7/8',
      '12',
      ',',
      '.',
      '–',
      ' to ',
      'mm',
      'N·m',
      'AWG',
      ' ',
      '±',
      '/0',
      '×',
      '°C',
      '½',
      'min.',
      '−',
    )
    fc.assert(
      fc.property(fc.array(pieces, { maxLength: 14 }), (parts) => {
        for (const { min, max, value } of printedFigures(parts.join(''), { decimal: 'point' }))
          for (const figure of [min, max, value]) expect(figure ?? 0).not.toBeNaN()
      }),
      { numRuns: 400 },
    )
  })
})
