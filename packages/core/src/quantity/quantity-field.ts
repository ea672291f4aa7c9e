import { BadInput } from '../shape/bad-input.js'
import { num, type NumberRules, type Shape } from '../shape/shape.js'
import { parseQuantity } from './parse.js'
import { canonicalUnit, type Dimension } from './units.js'

/**
 * A figure in a file: a number in the canonical unit, or text with its unit ("420 mm", "85 in·lb"). Read into the canonical unit. Only a
 * temperature may lie below zero; `divisor` also refuses zero.
 */
export function quantity(
  dimension: Dimension,
  about?: string,
  rules: Pick<NumberRules, 'sign' | 'max'> = {},
): Shape<number> {
  const bare = num({
    unit: canonicalUnit(dimension),
    sign: dimension === 'temperature' ? 'any' : 'magnitude',
    ...(about && { about }),
    ...rules,
  })
  return {
    schema: {
      oneOf: [bare.schema, { type: 'string' }],
      'x-unit': canonicalUnit(dimension),
      ...(about && { description: about }),
    },
    read(value, path) {
      if (typeof value !== 'string') return bare.read(value, path)
      const parsed = parseQuantity(value, dimension, { unitRequired: canonicalUnit(dimension) !== '' })
      if (!parsed.ok)
        throw new BadInput(
          'not-a-quantity',
          path,
          `"${value}": ${parsed.problem.message} (character ${parsed.problem.at + 1})`,
        )
      if (parsed.quantity.relation !== '=')
        throw new BadInput('not-a-quantity', path, `"${value}": a figure without < or > is needed`)
      return bare.read(parsed.quantity.value, path)
    },
  }
}
