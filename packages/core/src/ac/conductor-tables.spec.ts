import {
  IEC_AMBIENT,
  IEC_AMPACITY,
  IEC_GROUPING,
  IEC_SIZES,
  NEC_AMBIENT,
  NEC_AMPACITY,
  NEC_GROUPING,
  NEC_RESISTANCE,
  NEC_SIZES,
  STANDARD_DEVICES,
  factorAt,
} from './conductor-tables.js'

const ascends = (values: readonly number[]) => values.every((value, i) => i === 0 || value > values[i - 1]!)
const descends = (values: readonly number[]) => ascends(values.map((value) => -value))
const rows = (['pvc', 'xlpe'] as const).flatMap((insulation) =>
  ([2, 3] as const).flatMap((loaded) =>
    (['A1', 'B1', 'B2', 'C'] as const).map((method) => [insulation, loaded, method] as const),
  ),
)

it.each(rows)('%s, %d loaded, method %s: a larger conductor carries more', (insulation, loaded, method) => {
  const row = IEC_AMPACITY[insulation][loaded][method]
  expect(row).toHaveLength(IEC_SIZES.length)
  expect(ascends(row)).toBe(true)
})
it('three loaded conductors carry less than two, xlpe more than pvc, an open wall more than an insulated one', () => {
  IEC_SIZES.forEach((_, i) => {
    for (const [insulation, , method] of rows)
      expect(IEC_AMPACITY[insulation][3][method][i]).toBeLessThan(IEC_AMPACITY[insulation][2][method][i]!)
    for (const [, loaded, method] of rows)
      expect(IEC_AMPACITY.xlpe[loaded][method][i]).toBeGreaterThan(IEC_AMPACITY.pvc[loaded][method][i]!)
    for (const [insulation, loaded] of rows)
      expect(IEC_AMPACITY[insulation][loaded].C[i]).toBeGreaterThan(IEC_AMPACITY[insulation][loaded].A1[i]!)
  })
})
it('the other school’s table runs the same way', () => {
  for (const temperature of [60, 75, 90] as const) {
    expect(NEC_AMPACITY[temperature]).toHaveLength(NEC_SIZES.length)
    expect(ascends(NEC_AMPACITY[temperature])).toBe(true)
  }
  NEC_SIZES.forEach((_, i) =>
    expect([
      NEC_AMPACITY[60][i]! < NEC_AMPACITY[75][i]!,
      NEC_AMPACITY[75][i]! < NEC_AMPACITY[90][i]!,
    ]).toEqual([true, true]),
  )
  expect(
    descends(NEC_RESISTANCE) && NEC_RESISTANCE.length === NEC_SIZES.length && ascends(STANDARD_DEVICES),
  ).toBe(true)
})
it.each([
  ['pvc', IEC_AMBIENT.pvc],
  ['xlpe', IEC_AMBIENT.xlpe],
  ['grouping', IEC_GROUPING],
  ['75 °C', NEC_AMBIENT[75]],
  ['90 °C', NEC_AMBIENT[90]],
  ['conductors', NEC_GROUPING],
])('factors for %s fall as it gets warmer or fuller', (_of, table) => {
  expect(ascends(table.map(([at]) => at)) && descends(table.map(([, factor]) => factor))).toBe(true)
})
it.each([
  [-20, 1.22],
  [10, 1.22],
  [10.1, 1.17],
  [30, 1],
  [31, 0.94],
  [60, 0.5],
  [60.1, undefined],
])('pvc at %d °C has the factor %p', (ambient, factor) =>
  expect(factorAt(IEC_AMBIENT.pvc, ambient)).toBe(factor),
)
it.each([
  [1, 1],
  [3, 1],
  [4, 0.8],
  [9, 0.7],
  [10, 0.5],
  [20, 0.5],
  [21, 0.45],
  [41, 0.35],
  [500, 0.35],
])('%d conductors in a raceway have the factor %d', (n, factor) =>
  expect(factorAt(NEC_GROUPING, n)).toBe(factor),
)
