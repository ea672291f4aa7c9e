import { count, num, object, type Read } from '../shape/shape.js'

/** Open-circuit voltage of one module at standard test conditions. */
export const vocField = num({
  unit: 'V',
  sign: 'divisor',
  about: 'open-circuit voltage of one module at standard test conditions',
})

/** %/K, above −1 and at most 0: a lost minus sign would lower the cold voltage. */
export const vocTempCoeffField = num({
  unit: '%/K',
  min: -1 + 1e-9,
  max: 0,
  about: 'temperature coefficient of Voc',
})

/** What string calculations need to know of a module. */
export const moduleShape = object({
  voc: vocField,
  vocTempCoeff: vocTempCoeffField,
  cellsInSeries: count('half the printed count for a split-cell module'),
  bypassDiodes: count(),
})
export type ModuleData = Read<typeof moduleShape>
