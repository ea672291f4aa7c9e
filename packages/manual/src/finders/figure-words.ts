import { formatQuantity, inCustomary } from '@plumb-mark/core'
import { dimensionOf } from './dimensions.js'
import type { Fact, Figures } from './spot.js'

type Measured = Pick<Fact, 'kind' | 'unit'> & Figures

/** The figures of a fact in words: "2.2 to 2.8 N·m", "at least 200 mm"; empty where it has none. */
export function figureWords(fact: Measured, decimal: 'point' | 'comma' = 'point'): string {
  const dimension = dimensionOf(fact)
  return bounds(fact, (value, bare) =>
    formatQuantity(value, dimension, { decimal, significant: 4, bare, unit: fact.unit }),
  )
}

/** The same in inches, pounds and gauges; empty where both systems have one unit. */
export function customaryWords(fact: Measured): string {
  const dimension = dimensionOf(fact)
  const isOne = [fact.min, fact.max, fact.value].every(
    (value) => value === undefined || inCustomary(value, dimension) === undefined,
  )
  return isOne ? '' : bounds(fact, (value) => inCustomary(value, dimension)!)
}

function bounds(
  { min, max, value }: Figures,
  words: (value: number, withoutUnit: boolean) => string,
): string {
  if (value !== undefined) return words(value, false)
  if (min !== undefined && max !== undefined) return `${words(min, true)} to ${words(max, false)}`
  if (min !== undefined) return `at least ${words(min, false)}`
  return max === undefined ? '' : `at most ${words(max, false)}`
}
